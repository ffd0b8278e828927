/** Text as it is compared: case and accents folded, words taken apart. */

const accents = /[\u0300-\u036f]/g;
const capitalInside = /(\p{Ll}|\p{N})(\p{Lu})/gu;
const digitEdge = /(\p{L})(\p{N})|(\p{N})(\p{L})/gu;

/** Lower case without accents; spaces in a row become one. "Écho  Plâte" → "echo plate". */
export function fold(text: string): string {
  return text.normalize('NFKD').replace(accents, '').toLowerCase().replace(/\s+/g, ' ').trim();
}

/** Folded words by spaces, punctuation, digits and capitals inside: "TapeEcho-2b" → tape, echo, 2, b. */
export function wordsOf(text: string): string[] {
  const apart = text.replace(capitalInside, '$1 $2').replace(digitEdge, '$1$3 $2$4');
  return fold(apart).match(/[\p{L}\p{N}]+/gu) ?? [];
}

/** Names in the order a reader expects: case-blind, figures by their value; a total order. */
export function compareNames(a: string, b: string): number {
  return collator.compare(a, b) || (a < b ? -1 : a > b ? 1 : 0);
}
const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
