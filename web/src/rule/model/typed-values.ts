/** What is typed into the value field of a line: understood, added, completed. */
import { understand, type Line, type RuleWords } from '@clever-drawer/core/rules';
import { fold } from '@clever-drawer/core/text';
import type { Completion } from './completions.ts';
import * as texts from '../texts.ts';

/** Completions shown at once. */
const shown = 8;

/** What of a text becomes values; what was wrong with the first that does not. */
export interface Understood {
  readonly values: readonly string[];
  /** Null where all of it is understood. */
  readonly trouble: string | null;
}

const partsOf = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== '');

const troubleIn = ({ detail, known }: { detail: string; known: readonly string[] }): string =>
  known.length > 0 ? texts.perhaps(detail, known.join(', ')) : detail;

/** All values of a text with commas or semicolons between them, or none where one is not understood. */
export function understandAll(
  { field, relation }: Pick<Line, 'field' | 'relation'>,
  text: string,
  words: RuleWords,
): Understood {
  const wanted = partsOf(text).map((part) => understand(field, relation, part, words));
  const wrong = wanted.find((one) => !one.ok);
  if (wrong) {
    return { values: [], trouble: troubleIn(wrong) };
  }
  return { values: wanted.flatMap((one) => (one.ok ? [one.value] : [])), trouble: null };
}

/** With more values behind, each once. */
export const withValues = (before: readonly string[], more: readonly string[]): string[] => [
  ...new Set([...before, ...more]),
];

/** Those that begin with the letters, then those that have them, without what is there already. */
export function narrowed(
  known: readonly Completion[],
  typed: string,
  values: readonly string[],
): Completion[] {
  const letters = fold(typed);
  const left = known.filter((one) => !values.includes(one.value));
  const folded = left.map((one) => ({ one, text: fold(one.text) }));
  return [
    ...folded.filter(({ text }) => text.startsWith(letters)),
    ...folded.filter(({ text }) => !text.startsWith(letters) && text.includes(letters)),
  ]
    .slice(0, shown)
    .map(({ one }) => one);
}
