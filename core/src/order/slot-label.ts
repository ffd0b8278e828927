/** The few letters that stand in a slot. */
import { fold } from '../text/fold.ts';

/**
 * At most this many characters of a slot label are shown, and a label made by itself has at least
 * so many.
 */
export const slotLabelLength = 10;
const shortest = 4;

/**
 * A label made from a name: the shortest run of its first words that fits and that no neighbour's
 * name has too, else another of its
 * words, else its first letters with the mark at its end. "Slackwater Delay" → "Slackwater"; beside
 * "Marl Hall" "Marl Plate" → "Marl Plate";
 * "Harbourmasters" → "Harbourm…".
 */
export function slotLabelFor(name: string, neighbours: readonly string[] = []): string {
  const words = name.split(/\s+/).filter((word) => word !== '');
  const runs = words
    .map((_, i) => words.slice(0, i + 1).join(' '))
    .filter((run) => run.length >= Math.min(shortest, name.length));
  const others = neighbours
    .filter((other) => fold(other) !== fold(name))
    .map((other) => ` ${fold(other)} `);
  const fits = (label: string): boolean => label.length <= slotLabelLength;
  const tells = (label: string): boolean =>
    !others.some((other) => other.includes(` ${fold(label)} `));
  const good = [...runs, ...words.slice(1).filter((word) => word.length >= shortest)].filter(fits);
  return good.find(tells) ?? withMark(words, tells) ?? good[0] ?? cut(name, slotLabelLength);
}

const cut = (text: string, length: number): string =>
  text.length <= length ? text : `${text.slice(0, length - 2)}…`;

/**
 * First letters and the mark that tells: "Harbo… II". Null where the name has no mark, or where it
 * does not tell either.
 */
function withMark(words: readonly string[], tells: (label: string) => boolean): string | null {
  const mark = words.length > 1 ? (words.at(-1) ?? '') : '';
  return mark !== '' && mark.length < shortest && tells(words.join(' '))
    ? `${cut(words[0] ?? '', slotLabelLength - mark.length - 1)} ${mark}`
    : null;
}
