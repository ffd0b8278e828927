/**
 * Letters of one's own: of many names that begin alike, each gets a beginning at which it stands
 * first, the shortest that none before it has.
 * Who goes on typing did not mean what stood first a letter ago; so another one is given the place,
 * and fewer letters lead to each.
 */
import { grouped } from '../grouped.ts';
import { compareTexts } from '../text/compare.ts';
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

/** Null for what has no name that can be typed. */
function namedOf(entry: Entry, at: number): Named | null {
  const [first] = entry.texts;
  if (!first || !isName(first.what)) {
    return null;
  }
  const { arrived, id } = entry.plugin;
  return { at, name: first.joined, kind: kindOf(entry), arrived, id };
}

/**
 * Who chooses first: what arrived first, so that a new plugin takes no letters from what was there;
 * of those that came together the shorter name. Nothing of use counts here: no load gives another
 * plugin other letters.
 */
const choosesFirst = (a: Named, b: Named): number =>
  a.arrived === b.arrived
    ? a.name.length - b.name.length || compareTexts(a.name, b.name) || compareTexts(a.id, b.id)
    : compareTexts(a.arrived, b.arrived);

/**
 * The positions of entries by their own letters; names that begin with different letters take none
 * from each other.
 */
export function ownLetters(entries: readonly Entry[]): Map<string, number[]> {
  const named = entries.map(namedOf).filter((one) => one !== null);
  const positions = new Map<string, number[]>();
  for (const alike of grouped(named.map((one) => [one.name.charAt(0), one] as const)).values()) {
    giveLetters(alike, positions);
  }
  return positions;
}

function giveLetters(names: Named[], positions: Map<string, number[]>): void {
  const takenBy = new Map<string, Set<string>>();
  for (const { at, name, kind } of names.sort(choosesFirst)) {
    const taken = takenBy.get(kind) ?? new Set<string>();
    takenBy.set(kind, taken);
    let length = 1;
    while (length <= name.length && taken.has(name.slice(0, length))) {
      length += 1;
    }
    if (length <= name.length) {
      const letters = name.slice(0, length);
      taken.add(letters);
      const having = positions.get(letters) ?? [];
      positions.set(letters, having);
      having.push(at);
    }
  }
}
