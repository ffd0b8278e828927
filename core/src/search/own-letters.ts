/**
 * Letters of one's own: of many names that begin alike, each gets a beginning at which it stands
 * first, the shortest that none before it has.
 * Who goes on typing did not mean what stood first a letter ago; so another one is given the place,
 * and fewer letters lead to each.
 */
import { compareTexts } from '../text/compare.ts';
import { grouped } from '../grouped.ts';
import { isName, type Entry } from './entry.ts';

/**
 * What it is worth to be met by exactly these letters: more than being shorter, less than a word
 * that ends there, a favourite or a load.
 */
export const ownWorth = 3;

/** Kinds that stand in different slots do not take letters from each other. */
const kindOf = ({ plugin }: Entry): string => (plugin.kind === 'tool' ? 'effect' : plugin.kind);

/** What decides which letters an entry gets. */
interface Named {
  readonly at: number;
  readonly name: string;
  readonly kind: string;
  readonly arrived: string;
  readonly id: string;
}

/** An entry, and where it stands among all. */
export interface Placed {
  readonly entry: Entry;
  readonly at: number;
}

/**
 * The positions of entries by their own letters. What arrived first chooses first, so that a new
 * plugin takes no letters from what was there; of those that came together the shorter name.
 * Nothing of use counts here: no load gives another plugin other letters.
 */
export function ownLetters(entries: Iterable<Placed>): ReadonlyMap<string, readonly number[]> {
  const takenBy = new Map<string, Set<string>>();
  const owned: (readonly [letters: string, at: number])[] = [];
  const names: Named[] = [];
  for (const { entry, at } of entries) {
    const [first] = entry.texts;
    if (first && isName(first.what)) {
      const { arrived, id } = entry.plugin;
      names.push({ at, name: first.joined, kind: kindOf(entry), arrived, id });
    }
  }
  names.sort((a, b) =>
    a.arrived === b.arrived
      ? a.name.length - b.name.length || compareTexts(a.name, b.name) || compareTexts(a.id, b.id)
      : compareTexts(a.arrived, b.arrived),
  );
  for (const { at, name, kind } of names) {
    const taken = takenBy.get(kind) ?? new Set<string>();
    takenBy.set(kind, taken);
    let length = 1;
    while (length <= name.length && taken.has(name.slice(0, length))) {
      length += 1;
    }
    if (length <= name.length) {
      const letters = name.slice(0, length);
      taken.add(letters);
      owned.push([letters, at]);
    }
  }
  return grouped(owned);
}
