/** What the names of a plugin's controls say of its type, by the rows of controls.data.ts. */
import { controlRows, type ControlRow } from './controls.data.ts';

/** A type that some controls speak for, with the words that say so. */
export interface ControlReading {
  readonly type: string;
  /** In log-odds. */
  readonly weight: number;
  readonly words: readonly string[];
}

/** A pattern for one name, and the same for all names at once, a line each: most speak of none. */
interface Pattern {
  readonly one: RegExp;
  readonly anywhere: RegExp;
}

const patternOf = (one: RegExp): Pattern => ({ one, anywhere: new RegExp(one, 'im') });

interface ReadyRow extends Omit<ControlRow, 'some' | 'without'> {
  readonly some: readonly Pattern[];
  readonly without: Pattern | undefined;
}

const rows = controlRows.map(
  (row): ReadyRow => ({
    ...row,
    some: row.some.map(patternOf),
    without: row.without && patternOf(row.without),
  }),
);

interface Names {
  readonly each: readonly string[];
  readonly lines: string;
}

/** What the controls say; `isPlayed`: notes go in and no audio does. */
export function readControls(controls: readonly string[], isPlayed: boolean): ControlReading[] {
  if (controls.length === 0) {
    return [];
  }
  const each = controls.map(spaced);
  const names = { each, lines: each.join('\n') };
  return rows.flatMap((row) => {
    const words = wordsFor(row, names, isPlayed);
    return words === null
      ? []
      : [{ type: row.type, weight: row.weight, words: [...new Set(words)].slice(0, 2) }];
  });
}

/** Names are written with underscores or capitals in the middle, and with numbers joined to them. */
const spaced = (name: string): string =>
  name
    .replaceAll('_', ' ')
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .replace(/(\p{L}{3})(\p{N})/gu, '$1 $2');

/** The names that speak for the row's type; null: they don't, or not enough of them. */
function wordsFor(row: ReadyRow, names: Names, isPlayed: boolean): string[] | null {
  if (row.played !== undefined && row.played !== isPlayed) {
    return null;
  }
  const words = namesForAll(row, names);
  const isSaid =
    words.length >= row.least &&
    (row.without === undefined || nameFor(row.without, names) === undefined) &&
    (row.only === undefined || names.each.every((name) => row.only?.test(name)));
  return isSaid ? words : null;
}

/** A name for each pattern that has one, as far as there may be enough of them. */
function namesForAll({ some, least }: ReadyRow, names: Names): string[] {
  const found: string[] = [];
  for (const [at, pattern] of some.entries()) {
    if (found.length + some.length - at < least) {
      break;
    }
    const name = nameFor(pattern, names);
    if (name !== undefined) {
      found.push(name);
    }
  }
  return found;
}

const nameFor = ({ one, anywhere }: Pattern, { each, lines }: Names): string | undefined =>
  anywhere.test(lines) ? each.find((name) => one.test(name)) : undefined;
