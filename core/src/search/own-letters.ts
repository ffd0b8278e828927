import { compareTexts } from '../text/compare.ts';
/**
 * Letters of one's own: of many names that begin alike, each gets a beginning at which it stands
 * first, the shortest that none before it has.
 * Who goes on typing did not mean what stood first a letter ago; so another one is given the place,
 * and fewer letters lead to each.
 */
import { grouped } from '../grouped.ts';
import type { Entry } from './entry.ts';

/**
 * What it is worth to be met by exactly these letters: more than being shorter, less than a word
 * that ends there, a favourite or a load.
 */
export const ownWorth = 3;

/** Kinds that stand in different slots do not take letters from each other. */
const kindOf = ({ plugin }: Entry): string => (plugin.kind === 'tool' ? 'effect' : plugin.kind);

/**
 * The positions of entries by their own letters. What arrived first chooses first, so that a new
 * plugin takes no letters from what was there; of those that came together the shorter name.
 * Nothing of use counts here: no load gives another plugin other letters.
 */
export function ownLetters(entries: readonly Entry[]): ReadonlyMap<string, readonly number[]> {
  const taken = new Set<string>();
  const owned: (readonly [letters: string, at: number])[] = [];
  const names = entries.flatMap((entry, at) => {
    const name = entry.texts[0]?.joined;
    return name === undefined
      ? []
      : [{ at, name, kind: kindOf(entry), arrived: entry.plugin.arrived, id: entry.plugin.id }];
  });
  names.sort((a, b) =>
    a.arrived === b.arrived
      ? a.name.length - b.name.length || compareTexts(a.name, b.name) || compareTexts(a.id, b.id)
      : compareTexts(a.arrived, b.arrived),
  );
  for (const { at, name, kind } of names) {
    for (let length = 1; length <= name.length; length += 1) {
      const letters = name.slice(0, length);
      const key = `${kind} ${letters}`;
      if (taken.has(key)) {
        continue;
      }
      taken.add(key);
      owned.push([letters, at]);
      break;
    }
  }
  return grouped(owned);
}
