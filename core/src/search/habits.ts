/**
 * What habit adds to a match: what is loaded often and lately, into such slots, after the plugin
 * before, what is a favourite or in the cabinet, and how far in front there.
 */
import { fold } from '../text/fold.ts';

/** How warm something is: loads, each counting less the older it is (loading/warmth.ts). */
export interface Use {
  /** By plugin, over all slots; and over slots of the sort at hand. */
  readonly warmth: ReadonlyMap<string, number>;
  readonly warmthHere: ReadonlyMap<string, number>;
  /** Of loads right after the plugin that stands before the slot. */
  readonly warmthAfter: ReadonlyMap<string, number>;
  /** How often each plugin was chosen for letters, by the letters folded. */
  readonly chosen: ReadonlyMap<string, ReadonlyMap<string, number>>;
  readonly favourites: ReadonlySet<string>;
  /** What is in the cabinet at hand, with its place there: from 0 for the first to below 1 (places.ts). */
  readonly inCabinet: ReadonlyMap<string, number>;
}

/** For when nothing was ever loaded. */
export const noUse: Use = {
  warmth: new Map(),
  warmthHere: new Map(),
  warmthAfter: new Map(),
  chosen: new Map(),
  favourites: new Set(),
  inCabinet: new Map(),
};

/** How often each plugin was chosen, by the letters as they are folded when they are looked up. */
export function chosenByLetters(
  loads: readonly { readonly typed: string; readonly plugin: string; readonly times: number }[],
): Use['chosen'] {
  const by = new Map<string, Map<string, number>>();
  for (const { typed, plugin, times } of loads) {
    const letters = fold(typed);
    const chosen = by.get(letters) ?? new Map<string, number>();
    by.set(letters, chosen.set(plugin, (chosen.get(plugin) ?? 0) + times));
  }
  return by;
}

/** Points and the strongest reason of one plugin. */
export interface Habit {
  readonly points: number;
  readonly because: string;
}

/** What habit adds to a match. */
export interface Habits {
  readonly of: (plugin: string) => Habit;
  /** Points that make a plugin first for letters for which it was chosen at least twice. */
  readonly forLetters: (typed: string) => ReadonlyMap<string, number>;
}

/** How much each habit counts (set by trying, see bench/src/find.ts). */
const counts = {
  warm: 2,
  here: 0.6,
  after: 1.2,
  favourite: 4,
  cabinet: 1.5,
  place: 0.5,
  learnt: 300,
} as const;
/**
 * A single load counts until it has faded to 2 to the power of minus this; more than 2 to the power
 * of `most` counts no more.
 */
const faded = 7;
const most = 7;
/** Chosen so often for the same letters, a plugin comes first for them. */
const learntFrom = 2;

/**
 * A logarithm, so that what fades for all alike changes no order, and a load of one plugin changes
 * nothing between two others.
 */
const level = (warmth: number | undefined): number =>
  warmth === undefined || warmth <= 0
    ? 0
    : Math.max(0, Math.min(faded + most, Math.log2(warmth) + faded));

const none: Habit = { points: 0, because: '' };

/** Makes habits of use. */
export function habitsOf(use: Use): Habits {
  const of = (plugin: string): Habit => {
    let points = 0;
    let strongest = 0;
    let because = '';
    const add = (more: number, why: string): void => {
      points += more;
      if (more > strongest) {
        strongest = more;
        because = why;
      }
    };
    const place = use.inCabinet.get(plugin);
    add(counts.after * level(use.warmthAfter.get(plugin)), 'often loaded after the one before');
    add(counts.warm * level(use.warmth.get(plugin)), 'loaded lately');
    add(counts.here * level(use.warmthHere.get(plugin)), 'loaded into such slots');
    add(use.favourites.has(plugin) ? counts.favourite : 0, 'a favourite');
    add(place === undefined ? 0 : counts.cabinet + counts.place * (1 - place), 'in this cabinet');
    return points === 0 ? none : { points, because };
  };
  const forLetters = (typed: string): ReadonlyMap<string, number> =>
    new Map(
      [...(use.chosen.get(fold(typed)) ?? [])]
        .filter(([, times]) => times >= learntFrom)
        .map(([plugin, times]) => [plugin, counts.learnt + Math.min(times, 99)]),
    );
  return { of, forLetters };
}
