/** Which letters of a shown text made a line hold, to be marked. */
import { fold, innerEdges, wordsOf } from '../../text/fold.ts';
import { isNegative } from '../evaluate/holds.ts';
import type { Line } from '../language/rule.ts';

/** Letters from `start` up to `end`, which is not included. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

const run = /[\p{L}\p{N}\p{M}]+/gu;

/** The words of a text where they stand: the same words as `wordsOf` gives. */
export function wordSpans(text: string): (Span & { readonly word: string })[] {
  const edges = innerEdges(text);
  return [...text.matchAll(run)]
    .flatMap((match) => {
      const from = match.index;
      const to = from + match[0].length;
      const cuts = [from, ...edges.filter((at) => at > from && at < to), to];
      return cuts.slice(0, -1).map((start, i) => {
        const end = cuts[i + 1] ?? to;
        return { start, end, word: fold(text.slice(start, end)) };
      });
    })
    .filter(({ word }) => word !== '');
}

/** The letters that meet a line about the name. */
export function ruleHighlights(line: Line, text: string): Span[] {
  if (line.field !== 'name' && line.field !== 'anything') {
    return [];
  }
  if (isNegative(line.relation)) {
    return [];
  }
  const spans = wordSpans(text);
  return line.values.flatMap((value) => {
    if (line.relation === 'has letters') {
      return lettersOf(value, text);
    }
    if (line.relation === 'is') {
      return fold(text) === fold(value) ? [{ start: 0, end: text.length }] : [];
    }
    return runsOf(value, spans, line.relation);
  });
}

function lettersOf(value: string, text: string): Span[] {
  const start = text.toLowerCase().indexOf(value.toLowerCase());
  return start < 0 ? [] : [{ start, end: start + value.length }];
}

function runsOf(
  value: string,
  spans: readonly (Span & { readonly word: string })[],
  relation: Line['relation'],
): Span[] {
  const wanted = wordsOf(value);
  if (relation === 'starts with') {
    return startOf(wanted.join(''), spans);
  }
  return spans.flatMap((_, from) => {
    const found = spans.slice(from, from + wanted.length);
    const [first, last] = [found[0], found.at(-1)];
    const isMet =
      found.length === wanted.length &&
      wanted.every((want, i) =>
        i === wanted.length - 1 && relation !== 'has word'
          ? found[i]?.word.startsWith(want)
          : found[i]?.word === want,
      );
    return isMet && first && last ? [{ start: first.start, end: last.end }] : [];
  });
}

/** From the first word to the one in which the letters end. */
function startOf(letters: string, spans: readonly (Span & { readonly word: string })[]): Span[] {
  let joined = '';
  for (const { word, end } of spans) {
    joined += word;
    if (joined.length >= letters.length) {
      return joined.startsWith(letters) ? [{ start: spans[0]?.start ?? 0, end }] : [];
    }
  }
  return [];
}
