/** Text as it is compared: case and accents folded, words taken apart. */

const accents = /[\u0300-\u036f]/g;
/**
 * Between a small letter or figure and a capital; before the last of several capitals when a word
 * follows ("GVerb" is G and Verb, "EQs" and "LFOs" stay whole); between letters and figures.
 */
const edges =
  /(?<=[\p{Ll}\p{N}])(?=\p{Lu})|(?<=\p{Lu})(?=\p{Lu}\p{Ll}{2})|(?<=\p{L})(?=\p{N})|(?<=\p{N})(?=\p{L})/gu;

/** Texts of plain letters, figures and signs, as most names are: these are folded many times faster. */
export const isPlain = (text: string): boolean => /^[\x20-\x7e]*$/.test(text);

/** Lower case without accents; spaces in a row become one. "Écho  Plâte" → "echo plate". */
export function fold(text: string): string {
  if (isPlain(text)) {
    const small = text.toLowerCase();
    return (small.includes('  ') ? small.replace(/ {2,}/g, ' ') : small).trim();
  }
  return foldAny(text);
}

/** The same for any text. */
export function foldAny(text: string): string {
  return text.normalize('NFKD').replace(accents, '').toLowerCase().replace(/\s+/g, ' ').trim();
}

/** Folded words by spaces, punctuation, digits and capitals inside: "TapeEcho-2b" → tape, echo, 2, b. */
export function wordsOf(text: string): string[] {
  return isPlain(text) ? plainWords(text) : wordsOfAny(text);
}

/** The same for any text. */
export function wordsOfAny(text: string): string[] {
  return foldAny(text.replace(edges, ' ')).match(/[\p{L}\p{N}]+/gu) ?? [];
}

type Letter = 'small' | 'capital' | 'figure' | 'other';

function letterAt(text: string, at: number): Letter {
  const code = text.charCodeAt(at);
  if (code >= 97 && code <= 122) {
    return 'small';
  }
  if (code >= 65 && code <= 90) {
    return 'capital';
  }
  return code >= 48 && code <= 57 ? 'figure' : 'other';
}

/** The words of a plain text, letter by letter: the same places at which `edges` parts. */
function plainWords(text: string): string[] {
  const words: string[] = [];
  let start = 0;
  let before: Letter = 'other';
  const end = (at: number): void => {
    if (before !== 'other') {
      words.push(text.slice(start, at).toLowerCase());
    }
    start = at;
  };
  for (let at = 0; at < text.length; at += 1) {
    const letter = letterAt(text, at);
    if (letter === 'other' || before === 'other' || isEdge(text, at, before, letter)) {
      end(at);
    }
    before = letter;
  }
  end(text.length);
  return words;
}

/** Whether a word ends before that place, where letters or figures stand on both sides. */
function isEdge(text: string, at: number, before: Letter, letter: Letter): boolean {
  if ((before === 'figure') !== (letter === 'figure')) {
    return true;
  }
  if (letter !== 'capital') {
    return false;
  }
  const isBeforeWord = letterAt(text, at + 1) === 'small' && letterAt(text, at + 2) === 'small';
  return before === 'small' || isBeforeWord;
}

/** Positions inside runs of letters and figures at which another word begins. */
export const innerEdges = (text: string): number[] =>
  [...text.matchAll(edges)].map((match) => match.index);
