/** Finding one plugin by a few letters among many, best first, each hit with its reason. */
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import { remembered } from '../remembered.ts';
import type { Entry, FoundText } from './entry.ts';
import { figuresBehind, figuresInFront, mayMeet } from './first-letters.ts';
import type { Habits } from './habits.ts';
import {
  across,
  nameRanks,
  orderPoints,
  partsFrom,
  pointsOf,
  sayWay,
  slipOf,
  wayOf,
  type Way,
} from './match.ts';
import { apart, NameIndex, NameIndexBuilder, type CalledSo } from './name-index.ts';
import { ownWorth } from './own-letters.ts';
import { Best, type Scores } from './scores.ts';

/** A plugin that was found, how well, and why. */
export interface Hit {
  readonly plugin: Plugin;
  readonly score: number;
  /** "name starts with “sl”", or for an empty query "loaded lately". */
  readonly because: string;
}

/** The best hits, and how many there are in all. */
export interface Found {
  readonly hits: readonly Hit[];
  readonly count: number;
}

/** So many of the first letters that were typed are kept with what they can meet. */
const mostFew = 20;

/**
 * Finds plugins by a few letters. Their texts are taken apart when letters are asked for, or ahead
 * with `prepare`: what is likely needs none of it, and the first letters only those that they can
 * meet.
 */
export class Finder {
  readonly entries: readonly Entry[];
  /** What the index is made of, until it is made. */
  #builder: NameIndexBuilder | null = new NameIndexBuilder();
  #built = 0;
  #index: NameIndex | null = null;
  /** Of what letters can meet, by these; until all can be found. */
  readonly #few = new Map<string, NameIndex>();
  #byName: Int32Array | null = null;
  #firstFigures: ReadonlySet<string> | null = null;
  readonly #habits = new WeakMap<Habits, Float64Array>();

  constructor(entries: readonly Entry[]) {
    this.entries = entries;
  }

  /**
   * Takes apart up to so many more, or does one of the steps behind that; false once all can be found
   * by letters, and is in order.
   */
  prepare(count: number): boolean {
    if (this.#builder) {
      this.#build(this.#builder, count);
      return true;
    }
    this.#byName ??= rankByName(this.entries);
    return false;
  }

  #build(builder: NameIndexBuilder, count: number): void {
    const end = Math.min(this.entries.length, this.#built + count);
    if (this.#built < end) {
      for (; this.#built < end; this.#built += 1) {
        builder.add(this.entries[this.#built] as Entry, this.#built);
      }
    } else if (builder.isOwnKnown) {
      this.#index = new NameIndex(builder, this.entries.length);
      this.#builder = null;
      this.#few.clear();
    } else {
      builder.own();
    }
  }

  /** Whether an entry stands before another by name, then id. To find the first few, all need no ranks. */
  #comesFirst(): (at: number, other: number) => boolean {
    const ranks = this.#byName;
    return ranks
      ? (at, other) => (ranks[at] as number) < (ranks[other] as number)
      : (at, other) => byName(this.entries[at] as Entry, this.entries[other] as Entry) < 0;
  }

  #indexed(): NameIndex {
    while (this.#index === null) {
      this.prepare(this.entries.length);
    }
    return this.#index;
  }

  /** What the letters meet, in an index that holds all of it. What almost begins with them may be anything. */
  #met(
    parts: readonly string[],
    joined: string,
    shown: string,
  ): { index: NameIndex; scores: Scores } {
    if (this.#index === null && parts.length === 1) {
      const index = this.#indexOf(joined);
      const scores = index.score(parts, joined, shown);
      if (!index.lookedForSlips) {
        return { index, scores };
      }
    }
    const index = this.#indexed();
    return { index, scores: index.score(parts, joined, shown) };
  }

  /** An index of what letters can meet as they are typed. */
  #indexOf(letters: string): NameIndex {
    return remembered(this.#few, mostFew, letters, () => this.#newIndexOf(letters));
  }

  #newIndexOf(letters: string): NameIndex {
    const builder = new NameIndexBuilder();
    for (const at of mayMeet(this.entries, letters)) {
      builder.add(this.entries[at] as Entry, at);
    }
    return new NameIndex(builder, this.entries.length);
  }

  /**
   * The best hits for what was typed; nothing typed ranks by habit alone. `isAmong` leaves others
   * out; it gets the position among the entries, too. The order is total: equal scores go by name,
   * then id.
   */
  find(
    query: string,
    habits: Habits,
    limit: number,
    isAmong?: (plugin: Plugin, at: number) => boolean,
  ): Found {
    const parts = wordsOf(query);
    const joined = parts.join('');
    const shown = parts.join(' ');
    const learnt = habits.forLetters(query);
    const usual = this.#usual(habits);
    const met = parts.length === 0 ? null : this.#met(parts, joined, shown);
    const own = met?.index.ownOf(joined) ?? [];
    const scores = met?.scores ?? null;
    const size = scores ? scores.met : this.entries.length;
    const best = new Best(limit, this.#comesFirst());
    if (scores) {
      for (const at of own) {
        if ((scores.points[at] as number) > 0) {
          scores.points[at] = (scores.points[at] as number) + ownWorth;
        }
      }
    }
    let count = 0;
    for (let i = 0; i < size; i += 1) {
      const at = scores ? (scores.touched[i] as number) : i;
      if (isAmong && !isAmong((this.entries[at] as Entry).plugin, at)) {
        continue;
      }
      count += 1;
      best.offer(
        at,
        (scores ? (scores.points[at] as number) : 0) +
          (usual[at] as number) +
          (learnt.size > 0 ? (learnt.get((this.entries[at] as Entry).plugin.id) ?? 0) : 0),
      );
    }
    const hits = best.sorted().map(({ at, score }): Hit => {
      const entry = this.entries[at] as Entry;
      const { plugin } = entry;
      return {
        plugin,
        score,
        because:
          scores === null
            ? habits.of(plugin.id).because
            : `${this.#because(entry, parts, joined, shown)}${own.includes(at) ? ', its own letters' : ''}${learnt.has(plugin.id) ? `, chosen before for “${shown}”` : ''}`,
      };
    });
    return { hits, count };
  }

  /** The figures with which some text goes on behind these letters; behind none, those that begin one. */
  figuresAfter(letters: string): ReadonlySet<string> {
    const words = wordsOf(letters);
    const typed = words.join('');
    if (typed === '') {
      return (this.#firstFigures ??= figuresInFront(this.entries));
    }
    return this.#index?.figuresAfter(typed) ?? figuresBehind(this.entries, typed);
  }

  /** The positions of entries that are called by just these letters, and of those whose initials they are. */
  calledSo(joined: string): CalledSo {
    return (this.#index ?? this.#indexOf(joined)).calledSo(joined);
  }

  /**
   * The fewest letters, of its name or of its initials, for which a plugin stands first; null where
   * none does.
   */
  fewestLetters(
    plugin: string,
    habits: Habits,
    isAmong?: (plugin: Plugin, at: number) => boolean,
  ): string | null {
    const { joined = '', initials = '' } =
      this.entries.find((entry) => entry.plugin.id === plugin)?.texts[0] ?? {};
    // Many letters are tried: all of them at once are quicker than an index for each.
    this.#indexed();
    for (let length = 1; length <= joined.length; length += 1) {
      for (const letters of [
        joined.slice(0, length),
        ...(length >= partsFrom && length <= initials.length ? [initials.slice(0, length)] : []),
      ]) {
        if (this.find(letters, habits, 1, isAmong).hits[0]?.plugin.id === plugin) {
          return letters;
        }
      }
    }
    return null;
  }

  /** The points of habit of all entries, worked out once for the habits. */
  #usual(habits: Habits): Float64Array {
    const known =
      this.#habits.get(habits) ??
      Float64Array.from(this.entries, ({ plugin }) => habits.of(plugin.id).points);
    this.#habits.set(habits, known);
    return known;
  }

  /** Why an entry is among the hits. */
  #because(entry: Entry, parts: readonly string[], joined: string, shown: string): string {
    const whole = bestOf(entry, joined, shown, parts.length > 1 ? across.several : across.one);
    const each =
      parts.length < 2 ? [] : parts.flatMap((part) => bestOf(entry, part, part, across.part) ?? []);
    const sum =
      each.length === parts.length
        ? (each.reduce((total, one) => total + one.points, 0) / parts.length) * apart +
          orderOf(entry, parts)
        : 0;
    return whole && whole.points >= sum
      ? whole.because
      : [...new Set(each.map((one) => one.because))].join(', ');
  }
}

/** What typed words in the order of a name's words add. */
function orderOf({ texts }: Entry, parts: readonly string[]): number {
  let best = 0;
  for (const { rank, words } of texts) {
    if (rank < nameRanks && words.length >= parts.length) {
      best = Math.max(best, orderPoints(words, parts));
    }
  }
  return best;
}

/** The best way by which an entry is met by letters, slips included. */
export function bestOf(
  entry: Entry,
  typed: string,
  shown: string,
  acrossFrom: number = across.one,
): { points: number; because: string } | null {
  let best: { points: number; text: FoundText; way: Way } | null = null;
  for (const text of entry.texts) {
    for (const way of [wayOf(text, typed, acrossFrom), slipOf(text, typed)]) {
      if (way === null) {
        continue;
      }
      const points = pointsOf(way, text, typed, shown);
      if (!best || points > best.points) {
        best = { points, text, way };
      }
    }
  }
  return best && { points: best.points, because: reasonOf(entry, best.text, best.way, shown) };
}

/** Why, in words. Another word for a type is named: one reads “Delay” and typed what begins “slap”. */
function reasonOf({ plugin }: Entry, text: FoundText, way: Way, shown: string): string {
  if (text.what !== 'type' || plugin.types.some((type) => isNamed(typeName(type), text))) {
    return sayWay(text.what, way, shown);
  }
  return plugin.types.some((type) => isNamed(typeName(groupOf(type)), text))
    ? sayWay('group', way, shown)
    : `type is also called “${text.spaced}”`;
}

const isNamed = (name: string, { spaced }: FoundText): boolean =>
  wordsOf(name).join(' ') === spaced;

const byName = ({ plugin: x }: Entry, { plugin: y }: Entry): number =>
  compareNames(x.name, y.name) || (x.id < y.id ? -1 : 1);

/** The place of each entry when all stand by name, then id. */
function rankByName(entries: readonly Entry[]): Int32Array {
  const order = [...entries.keys()].sort((a, b) =>
    byName(entries[a] as Entry, entries[b] as Entry),
  );
  const ranks = new Int32Array(entries.length);
  for (const [rank, at] of order.entries()) {
    ranks[at] = rank;
  }
  return ranks;
}
