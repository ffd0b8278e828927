/** Finding one plugin by a few letters among many, best first, each hit with its reason. */
import type { Plugin } from '../catalog/plugin.ts';
import { eachInSteps, Gradually } from '../gradually.ts';
import { compareNames } from '../text/compare.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import type { Entry, FoundText } from './entry.ts';
import { FirstLetters } from './first-letters.ts';
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
import { ownLettersInSteps, ownWorth } from './own-letters.ts';
import { Best, type Scores } from './scores.ts';
import { sortInSteps } from './sort-in-steps.ts';

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

/**
 * Finds plugins by a few letters. Their texts are taken apart when letters are asked for, or ahead
 * with `prepare`: what is likely needs none of it, and the first letters only those that they can
 * meet.
 */
export class Finder {
  readonly entries: readonly Entry[];
  readonly #index: Gradually<NameIndex>;
  /** Answers until all are in the index. */
  readonly #first: FirstLetters;
  /** The place of each entry when all stand by name, then id. */
  readonly #byName: Gradually<Int32Array>;
  #firstFigures: ReadonlySet<string> | null = null;
  readonly #habits = new WeakMap<Habits, Float64Array>();

  constructor(entries: readonly Entry[]) {
    this.entries = entries;
    this.#index = new Gradually(indexInSteps(entries));
    this.#first = new FirstLetters(entries);
    this.#byName = new Gradually(ranksByName(entries));
  }

  /** Takes some more apart, or puts them in order; false once all can be found by letters. */
  prepare(): boolean {
    return this.#first.prepare() || this.#index.step() || this.#byName.step();
  }

  /** Whether an entry stands before another by name, then id. To find the first few, all need no ranks. */
  #comesFirst(): (at: number, other: number) => boolean {
    const ranks = this.#byName.ready;
    return ranks
      ? (at, other) => (ranks[at] as number) < (ranks[other] as number)
      : (at, other) => byName(this.entries[at] as Entry, this.entries[other] as Entry) < 0;
  }

  /** What the letters meet, and whose own they are. */
  #met(
    parts: readonly string[],
    joined: string,
    shown: string,
  ): { own: readonly number[]; scores: Scores } {
    if (this.#index.ready === null && parts.length === 1) {
      const scores = this.#first.score(joined, shown);
      if (scores) {
        return { own: this.#first.ownersOf(joined), scores };
      }
    }
    const index = this.#index.whole();
    return { own: index.ownOf(joined), scores: index.score(parts, joined, shown) };
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
    const own = met?.own ?? [];
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
      return (this.#firstFigures ??= this.#first.figuresInFront());
    }
    return this.#index.ready?.figuresAfter(typed) ?? this.#first.figuresBehind(typed);
  }

  /** The positions of entries that are called by just these letters, and of those whose initials they are. */
  calledSo(joined: string): CalledSo {
    return (this.#index.ready ?? this.#first).calledSo(joined);
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
    // Many letters are tried: with an index of all that is quicker.
    this.#index.whole();
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

function* indexInSteps(entries: readonly Entry[]) {
  const builder = new NameIndexBuilder();
  yield* eachInSteps(entries, (entry, at) => {
    builder.add(entry, at);
  });
  const own = yield* ownLettersInSteps(entries.map((entry, at) => ({ entry, at })));
  return new NameIndex(builder, own, entries.length);
}

function* ranksByName(entries: readonly Entry[]) {
  const order = yield* sortInSteps([...entries.keys()], (a, b) =>
    byName(entries[a] as Entry, entries[b] as Entry),
  );
  const ranks = new Int32Array(order.length);
  for (const [rank, at] of order.entries()) {
    ranks[at] = rank;
  }
  return ranks;
}
