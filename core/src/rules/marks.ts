/** Which letters of a shown text made a line hold, to be marked. */
import { fold, wordsOf } from '../fold.ts';
import { isNegative } from './holds.ts';
import type { Line } from './rule.ts';

/** Letters from `start` up to `end`, which is not included. */
export interface Span { readonly start: number; readonly end: number }

const run = /[\p{L}\p{N}\p{M}]+/gu;

/** The words of a text where they stand: the same words as `wordsOf` gives. */
export function wordSpans(text: string): (Span & { readonly word: string })[] {
  return [...text.matchAll(run)].flatMap((match) => {
    let start = match.index;
    return cutWords(match[0]).map((piece) => { const span = { start, end: start + piece.length, word: fold(piece) }; start = span.end; return span; });
  }).filter(({ word }) => word !== '');
}

/** Cuts a run of letters and figures where another word begins; letter by letter, since positions are to be kept. */
function cutWords(letters: string): string[] {
  const pieces: string[] = [];
  let piece = '';
  for (const letter of letters) {
    if (piece !== '' && wordsOf(piece + letter).length > 1) { pieces.push(piece); piece = letter; } else piece += letter;
  }
  return splitLate([...pieces, piece]);
}

/** "GV" is seen to be two words only when "erb" follows: a piece of capitals gives its last one to the small letters behind it. */
const splitLate = (pieces: readonly string[]): string[] => pieces.flatMap((piece) => { const words = wordsOf(piece); return words.length === 2 && words[0] !== undefined ? [piece.slice(0, words[0].length), piece.slice(words[0].length)] : [piece]; });

/** The letters that meet a line about the name. */
export function marksOf(line: Line, text: string): Span[] {
  if (line.field !== 'name' && line.field !== 'anything') return [];
  if (isNegative(line.relation)) return [];
  const spans = wordSpans(text);
  return line.values.flatMap((value) => (line.relation === 'has letters' ? lettersOf(value, text) : line.relation === 'is' ? (fold(text) === fold(value) ? [{ start: 0, end: text.length }] : []) : runsOf(value, spans, line.relation)));
}

function lettersOf(value: string, text: string): Span[] {
  const start = text.toLowerCase().indexOf(value.toLowerCase());
  return start < 0 ? [] : [{ start, end: start + value.length }];
}

function runsOf(value: string, spans: readonly (Span & { readonly word: string })[], relation: Line['relation']): Span[] {
  const wanted = wordsOf(value), starts = relation === 'starts with' ? spans.slice(0, 1) : spans;
  return starts.flatMap((_, from) => {
    const found = spans.slice(from, from + wanted.length), [first, last] = [found[0], found.at(-1)];
    const isMet = found.length === wanted.length && wanted.every((want, i) => (i === wanted.length - 1 && relation !== 'has word' ? found[i]?.word.startsWith(want) : found[i]?.word === want));
    return isMet && first && last ? [{ start: first.start, end: last.end }] : [];
  });
}
