/** Text as it is compared: case and accents folded, words taken apart. */

const accents = /[\u0300-\u036f]/g;
/**
 * Between a small letter or figure and a capital; before the last of several capitals when a word
 * follows ("GVerb" is G and Verb, "EQs" and "LFOs" stay whole); between letters and figures.
 */
const edges =
  /(?<=[\p{Ll}\p{N}])(?=\p{Lu})|(?<=\p{Lu})(?=\p{Lu}\p{Ll}{2})|(?<=\p{L})(?=\p{N})|(?<=\p{N})(?=\p{L})/gu;

/** Lower case without accents; spaces in a row become one. "Écho  Plâte" → "echo plate". */
export function fold(text: string): string {
  return text.normalize('NFKD').replace(accents, '').toLowerCase().replace(/\s+/g, ' ').trim();
}

/** Folded words by spaces, punctuation, digits and capitals inside: "TapeEcho-2b" → tape, echo, 2, b. */
export function wordsOf(text: string): string[] {
  return fold(text.replace(edges, ' ')).match(/[\p{L}\p{N}]+/gu) ?? [];
}

/** Positions inside runs of letters and figures at which another word begins. */
export const innerEdges = (text: string): number[] =>
  [...text.matchAll(edges)].map((match) => match.index);

/** The order of texts by their code units, which every machine agrees on. */
export function compareTexts(a: string, b: string): number {
  if (a === b) {
    return 0;
  }
  return a < b ? -1 : 1;
}

/** Names in the order a reader expects: case-blind, figures by their value; a total order. */
export function compareNames(a: string, b: string): number {
  return collator.compare(a, b) || compareTexts(a, b);
}
const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
