/** Finding one plugin by a few letters among many, best first, each hit with its reason. */
import type { Plugin } from '../catalog/plugin.ts';
import { memoizeByObject } from '../memoize.ts';
import { compareNames } from '../text/compare.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import type { Entry, FoundText } from './entry.ts';
import { habitsOf, noUse, type Habits } from './habits.ts';
import {
  across,
  nameRanks,
  orderPoints,
  partsFrom,
  pointsOf,
  sayWay,
  slipOf,
  wayOf,
  worth,
  type Way,
} from './match.ts';
import { wordsFactor, NameIndex, NameIndexBuilder, type CalledSo } from './name-index.ts';
import { ownLetters, ownWorth } from './own-letters.ts';
import { Best, type Scores } from './scores.ts';
import { isShortWord } from './synonyms.data.ts';
import { hasWidth, splitWidth } from './width.ts';

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

/** Whether a plugin, at its position among the entries, is looked at. */
export type IsAmong = (plugin: Plugin, at: number) => boolean;

/** In which part a plugin, at its position among the entries, is looked at: counted from 0; -1 in none. */
export type PartOf = (plugin: Plugin, at: number) => number;

const noHabits = habitsOf(noUse);

/** What a name counts that only begins with a type's short word, of a plugin without a type. */
export const untypedFactor = 0.75;

/** So many plugins are taken into the index in one step. */
const inOneStep = 100;

/** Finds plugins by a few letters, with an index that is made when the first letters are typed, or before. */
export class Finder {
  readonly entries: readonly Entry[];
  readonly #steps: Generator<undefined, NameIndex, undefined>;
  #index: NameIndex | null = null;
  readonly #habitPoints = memoizeByObject((habits: Habits) =>
    Float64Array.from(this.entries, ({ plugin }) => habits.of(plugin.id).points),
  );

  constructor(entries: readonly Entry[]) {
    this.entries = entries;
    this.#steps = indexInSteps(entries);
  }

  /** Goes on with the index for some milliseconds at most; false once it is there. */
  prepare(): boolean {
    const { value, done } = this.#steps.next();
    this.#index ??= done === true ? value : null;
    return this.#index === null;
  }

  #whole(): NameIndex {
    while (this.#index === null) {
      this.prepare();
    }
    return this.#index;
  }

  /**
   * The best hits for what was typed; nothing typed ranks by habit alone. `isAmong` leaves others
   * out; it gets the position among the entries, too. The order is total: equal scores go by name,
   * then id. A width beside other words also finds what the others find and has a copy of it.
   */
  find(query: string, habits: Habits, limit: number, isAmong: IsAmong = () => true): Found {
    return this.findParts(query, habits, limit, 1, (plugin, at) =>
      isAmong(plugin, at) ? 0 : -1,
    )[0] as Found;
  }

  /** The ids of all plugins that letters meet; null where none are typed. */
  meeting(query: string): ReadonlySet<string> | null {
    if (wordsOf(query).length === 0) {
      return null;
    }
    const met = new Set<string>();
    this.find(query, noHabits, 0, ({ id }) => {
      met.add(id);
      return false;
    });
    return met;
  }

  /** The same in so many parts at once, up to `limit` hits in each. */
  findParts(query: string, habits: Habits, limit: number, parts: number, partOf: PartOf): Found[] {
    const { width, rest } = splitWidth(query);
    if (width === null) {
      return this.#find(query, habits, limit, parts, partOf);
    }
    const isMet = new Set<number>();
    const called = this.#find(query, habits, limit, parts, (plugin, at) => {
      const part = partOf(plugin, at);
      if (part >= 0) {
        isMet.add(at);
      }
      return part;
    });
    const wide = this.#find(rest, habits, limit, parts, (plugin, at) =>
      !isMet.has(at) && hasWidth(plugin, width) ? partOf(plugin, at) : -1,
    );
    return called.map(({ hits, count }, part) => {
      const more = wide[part] as Found;
      return { hits: [...hits, ...more.hits].slice(0, limit), count: count + more.count };
    });
  }

  #find(query: string, habits: Habits, limit: number, partCount: number, partOf: PartOf): Found[] {
    const parts = wordsOf(query);
    const joined = parts.join('');
    const shown = parts.join(' ');
    const learnt = habits.forLetters(query);
    const usual = this.#habitPoints(habits);
    const index = parts.length === 0 ? null : this.#whole();
    const isShort = isShortWord(joined);
    const isUntyped = (at: number): boolean => this.entries[at]?.plugin.types.length === 0;
    const ownOfAll = index?.ownOf(joined) ?? [];
    const own = isShort ? ownOfAll.filter((at) => !isUntyped(at)) : ownOfAll;
    const scores = index?.score(parts, joined, shown) ?? null;
    const size = scores ? scores.count : this.entries.length;
    const best = Array.from(
      { length: partCount },
      () =>
        new Best(
          limit,
          (at, other) => byName(this.entries[at] as Entry, this.entries[other] as Entry) < 0,
        ),
    );
    const counts = best.map(() => 0);
    if (scores) {
      if (isShort) {
        putBehind(scores, isUntyped);
      }
      for (const at of own) {
        if ((scores.points[at] as number) > 0) {
          scores.points[at] = (scores.points[at] as number) + ownWorth;
        }
      }
    }
    for (let i = 0; i < size; i += 1) {
      const at = scores ? (scores.touched[i] as number) : i;
      const part = partOf((this.entries[at] as Entry).plugin, at);
      if (part < 0) {
        continue;
      }
      counts[part] = (counts[part] as number) + 1;
      best[part]?.offer(
        at,
        (scores ? (scores.points[at] as number) : 0) +
          (usual[at] as number) +
          (learnt.size > 0 ? (learnt.get((this.entries[at] as Entry).plugin.id) ?? 0) : 0),
      );
    }
    const hitOf = ({ at, score }: { readonly at: number; readonly score: number }): Hit => {
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
    };
    return best.map((of, part) => ({
      hits: of.sorted().map(hitOf),
      count: counts[part] as number,
    }));
  }

  /** The position of a plugin among the entries; -1 where it is none of them. */
  placeOf(plugin: string): number {
    return this.entries.findIndex((entry) => entry.plugin.id === plugin);
  }

  /** The positions of entries that are called by just these letters, and of those whose initials they are. */
  calledSo(joined: string): CalledSo {
    return this.#whole().calledSo(joined);
  }

  /**
   * The fewest letters, of its name or of its initials, for which a plugin stands first; null where
   * none does.
   */
  fewestLetters(plugin: string, habits: Habits, isAmong?: IsAmong): string | null {
    const { joined = '', initials = '' } = this.entries[this.placeOf(plugin)]?.texts[0] ?? {};
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

  /** Why an entry is among the hits. */
  #because(entry: Entry, parts: readonly string[], joined: string, shown: string): string {
    const whole = bestOf(entry, joined, shown, parts.length > 1 ? across.several : across.one);
    const each =
      parts.length < 2 ? [] : parts.flatMap((part) => bestOf(entry, part, part, across.part) ?? []);
    const sum =
      each.length === parts.length
        ? (each.reduce((total, one) => total + one.points, 0) / parts.length) * wordsFactor +
          orderOf(entry, parts)
        : 0;
    return whole && whole.points >= sum
      ? whole.because
      : [...new Set(each.map((one) => one.because))].join(', ');
  }
}

/** Letters that stand for a type mean that type before a name that begins so and says nothing of a type. */
function putBehind({ points, touched, count }: Scores, isUntyped: (at: number) => boolean): void {
  for (const at of touched.subarray(0, count)) {
    const met = points[at] as number;
    if (met < worth.whole && isUntyped(at)) {
      points[at] = met * untypedFactor;
    }
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

function* indexInSteps(entries: readonly Entry[]): Generator<undefined, NameIndex, undefined> {
  const builder = new NameIndexBuilder();
  for (const [at, entry] of entries.entries()) {
    builder.add(entry, at);
    if (at % inOneStep === inOneStep - 1) {
      yield;
    }
  }
  const own = ownLetters(entries);
  yield;
  return new NameIndex(builder, own, entries.length);
}
