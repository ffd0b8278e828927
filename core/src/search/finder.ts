/** Finding one plugin by a few letters among many, best first, each hit with its reason. */
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames, wordsOf } from '../text/fold.ts';
import { Texts } from '../text/text-index.ts';
import { isName, type Entry, type FoundText } from './entry.ts';
import type { Habits } from './habits.ts';
import { ownLetters, ownWorth } from './own-letters.ts';
import { Best, put, Sheets, type Scores } from './scores.ts';
import {
  across,
  acrossWords,
  insideFrom,
  hasBit,
  nameRanks,
  orderPoints,
  partsFrom,
  pointsFor,
  pointsOf,
  sayWay,
  sharedLeast,
  slipFrom,
  slipOf,
  wayOf,
  type Way,
} from './match.ts';

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

/** With fewer plugins that meet the letters as typed, slips are looked for too. */
const fewHits = 3;
/** Several words found one by one are a little less sure than all letters in a row. */
const apart = 0.9;

/** An index over names that finds plugins by a few letters. */
export class Finder {
  readonly entries: readonly Entry[];
  /**
   * Each different text once; names with the positions of the entries that have them, others with
   * those of the sets they are in.
   */
  readonly #texts: FoundText[] = [];
  readonly #having: number[][] = [];
  /**
   * Vendor, types and tags are the same for many: each different set of them once, with the
   * positions of its entries.
   */
  readonly #members: readonly Int32Array[];
  /**
   * Of each text what its worth depends on, side by side: these are looked at by the thousand.
   * `only` is the one that has it, or -1.
   */
  readonly #ranks: Int32Array;
  readonly #lengths: Int32Array;
  readonly #counts: Int32Array;
  readonly #firsts: Int32Array;
  readonly #ends: Int32Array;
  readonly #only: Int32Array;
  /** Positions in `#texts` by all letters, by words and by initials. */
  readonly #joined = new Texts();
  readonly #words = new Texts();
  readonly #initials = new Texts();
  /**
   * Names that have a word beginning with a letter, by the letter, and which letters begin words of
   * each name.
   */
  readonly #beginning = new Map<string, number[]>();
  readonly #letters: number[] = [];
  /** All different joined texts in a row, to be searched in one go, with where each begins. */
  readonly #row: string;
  readonly #starts: number[] = [];
  /** The places of figures in the row, looked for when they are asked for. */
  #figures: readonly number[] | null = null;
  readonly #keys: string[];
  readonly #byName: Int32Array;
  readonly #own: ReadonlyMap<string, readonly number[]>;
  readonly #sheets: Sheets;
  readonly #setSheets: Sheets;
  readonly #habits = new WeakMap<Habits, Float64Array>();

  constructor(entries: readonly Entry[]) {
    this.entries = entries;
    const known = new Map<string, number>();
    const sets = new Map<string, number>();
    const members: number[][] = [];
    const positionOf = (text: FoundText): number => {
      const key = `${text.rank}${text.spaced}`;
      const at = known.get(key) ?? this.#enter(text);
      known.set(key, at);
      return at;
    };
    for (const [entry, { texts }] of entries.entries()) {
      for (const text of texts) {
        if (isName(text.what)) {
          this.#having[positionOf(text)]?.push(entry);
        }
      }
      const shared = texts.filter((text) => !isName(text.what)).map(positionOf);
      const key = shared.join();
      let set = sets.get(key);
      if (set === undefined) {
        set = members.push([]) - 1;
        sets.set(key, set);
        for (const at of new Set(shared)) {
          this.#having[at]?.push(set);
        }
      }
      members[set]?.push(entry);
    }
    this.#members = members.map((list) => Int32Array.from(list));
    const numbers = (of: (text: FoundText, at: number) => number): Int32Array =>
      Int32Array.from(this.#texts, of);
    this.#ranks = numbers((text) => text.rank);
    this.#lengths = numbers((text) => text.joined.length);
    this.#counts = numbers((text) => text.words.length);
    this.#firsts = numbers((text) => text.words[0]?.length ?? 0);
    this.#ends = numbers((text) => text.ends);
    this.#only = numbers((_, at) => {
      const [first = -1, second] = this.#having[at] ?? [];
      return second === undefined ? first : -1;
    });
    this.#keys = [...this.#joined.keys()];
    let length = 0;
    for (const key of this.#keys) {
      this.#starts.push(length);
      length += key.length + 1;
    }
    this.#row = this.#keys.join('\n');
    this.#byName = rankByName(entries);
    this.#own = ownLetters(entries);
    this.#sheets = new Sheets(entries.length);
    this.#setSheets = new Sheets(this.#members.length);
  }

  #enter(text: FoundText): number {
    const at = this.#texts.push(text) - 1;
    this.#having.push([]);
    this.#letters.push(lettersOf(text.words));
    this.#joined.add(at, text.joined);
    for (const word of text.words) {
      this.#words.add(at, word);
    }
    if (text.initials !== '') {
      this.#initials.add(at, text.initials);
    }
    if (isName(text.what)) {
      for (const letter of new Set(text.words.map((word) => word.charAt(0)))) {
        const list = this.#beginning.get(letter);
        if (list) {
          list.push(at);
        } else {
          this.#beginning.set(letter, [at]);
        }
      }
    }
    return at;
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
    this.#sheets.back();
    this.#setSheets.back();
    const parts = wordsOf(query);
    const joined = parts.join('');
    const shown = parts.join(' ');
    const learnt = habits.forLetters(query);
    const usual = this.#usual(habits);
    const own = this.#own.get(joined) ?? [];
    const scores = parts.length === 0 ? null : this.#score(parts, joined, shown);
    const size = scores ? scores.met : this.entries.length;
    const best = new Best(limit, this.#byName);
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
    const typed = wordsOf(letters).join('');
    const found = new Set<string>();
    this.#figures ??= [...this.#row.matchAll(/\d/g)].map(({ index }) => index);
    for (const at of this.#figures) {
      if (
        typed === ''
          ? at === 0 || this.#row.charAt(at - 1) === '\n'
          : at >= typed.length && this.#row.startsWith(typed, at - typed.length)
      ) {
        found.add(this.#row.charAt(at));
      }
    }
    return found;
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

  /**
   * All letters in a row, or (where several words were typed) each word by itself, whichever is
   * worth more.
   */
  #score(parts: readonly string[], joined: string, shown: string): Scores {
    const whole = this.#part(joined, shown, parts.length > 1 ? across.several : across.one);
    if (parts.length < 2) {
      return whole;
    }
    const order = this.#order(parts);
    const each = parts.map((part) => this.#part(part, part, across.part));
    const [fewest] = [...each].sort((a, b) => a.met - b.met);
    for (const at of fewest?.touched.subarray(0, fewest.met) ?? []) {
      let sum = 0;
      for (const { points } of each) {
        const here = points[at] ?? 0;
        if (here === 0) {
          sum = 0;
          break;
        }
        sum += here;
      }
      if (sum > 0) {
        put(whole, at, (sum / parts.length) * apart + (order.points[at] as number));
      }
    }
    return whole;
  }

  /** What it adds that words of a name begin with the parts in their order. */
  #order(parts: readonly string[]): Scores {
    const scores = this.#sheets.next();
    const letters = lettersOf(parts);
    this.#words.beginning(parts[0] ?? '', (positions) => {
      for (const at of positions) {
        if (
          (this.#ranks[at] as number) >= nameRanks ||
          ((this.#letters[at] as number) & letters) !== letters
        ) {
          continue;
        }
        const worth = orderPoints((this.#texts[at] as FoundText).words, parts);
        if (worth > 0) {
          for (const entry of this.#having[at] as number[]) {
            put(scores, entry, worth);
          }
        }
      }
    });
    return scores;
  }

  #part(typed: string, shown: string, acrossFrom: number): Scores {
    const scores = this.#sheets.next();
    const sets = this.#setSheets.next();
    const met = (at: number, way: Way, isWord = false, isAsSpaced = false): void => {
      const rank = this.#ranks[at] as number;
      if (rank >= nameRanks && typed.length < sharedLeast && !isWord) {
        return;
      }
      const into = rank < nameRanks ? scores : sets;
      const only = this.#only[at] as number;
      const worth = pointsFor(
        way,
        rank,
        typed.length,
        this.#lengths[at] as number,
        this.#counts[at] as number,
        isWord,
        isAsSpaced,
      );
      if (only >= 0) {
        put(into, only, worth);
      } else {
        for (const one of this.#having[at] as number[]) {
          put(into, one, worth);
        }
      }
    };
    const isAsSpaced = (at: number): boolean =>
      typed.length === shown.length
        ? (this.#firsts[at] as number) >= typed.length
        : (this.#texts[at] as FoundText).spaced.startsWith(shown);
    const spread = (): void => {
      for (let i = 0; i < sets.met; i += 1) {
        const set = sets.touched[i] as number;
        const list = this.#members[set] as Int32Array;
        const worth = sets.points[set] as number;
        for (let j = 0; j < list.length; j += 1) {
          put(scores, list[j] as number, worth);
        }
      }
    };
    const take =
      (way: Way) =>
      (positions: readonly number[]): void => {
        for (const at of positions) {
          met(at, way);
        }
      };
    this.#joined.beginning(typed, (positions, text) => {
      for (const at of positions) {
        if (text === typed) {
          met(at, 'whole', true);
        } else {
          met(at, 'start', hasBit(this.#ends[at] as number, typed.length), isAsSpaced(at));
        }
      }
    });
    if (typed.length >= partsFrom) {
      this.#initials.beginning(typed, take('initials'));
    }
    this.#words.beginning(typed, (positions, word) => {
      for (const at of positions) {
        met(at, 'word', word === typed);
      }
    });
    if (typed.length >= acrossFrom) {
      for (const at of this.#across(typed)) {
        met(at, 'parts');
      }
    }
    spread();
    const isSlip = typed.length >= slipFrom && scores.met < fewHits;
    if (typed.length >= insideFrom) {
      this.#inside(typed, take('inside'));
    }
    if (isSlip) {
      this.#joined.beginningAlmost(typed, take('slip'));
      this.#words.beginningAlmost(typed, take('word slip'));
    }
    spread();
    return scores;
  }

  /** Names of whose words some begin with the letters, in order. */
  #across(typed: string): number[] {
    const others = lettersOf(typed.slice(1));
    return (this.#beginning.get(typed.charAt(0)) ?? []).filter(
      (at) =>
        ((this.#letters[at] ?? 0) & others) !== 0 &&
        acrossWords((this.#texts[at] as FoundText).words, typed),
    );
  }

  #inside(typed: string, take: (positions: readonly number[]) => void): void {
    let key = 0;
    for (let at = this.#row.indexOf(typed); at >= 0; at = this.#row.indexOf(typed, at)) {
      key = keyAt(this.#starts, at, key);
      take(this.#joined.whole(this.#keys[key] ?? ''));
      at = this.#starts[key + 1] ?? this.#row.length;
    }
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

/**
 * The letters with which texts begin, or of which a text consists, as bits: one for each of a to z,
 * one for all others.
 */
function lettersOf(texts: Iterable<string>): number {
  let bits = 0;
  for (const text of texts) {
    const letter = text.charCodeAt(0) - 97;
    bits |= 1 << (letter >= 0 && letter < 26 ? letter : 26);
  }
  return bits;
}

/** The text in whose stretch of the row a place lies; searched from the last one on. */
function keyAt(starts: readonly number[], place: number, from: number): number {
  let low = from;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >>> 1;
    if ((starts[middle] ?? 0) <= place) {
      low = middle;
    } else {
      high = middle - 1;
    }
  }
  return low;
}

/** The best way by which an entry is met by letters, slips included. */
export function bestOf(
  entry: Entry,
  typed: string,
  shown: string,
  acrossFrom: number = across.one,
): { points: number; because: string } | null {
  let best: { points: number; because: string } | null = null;
  for (const text of entry.texts) {
    for (const way of [wayOf(text, typed, acrossFrom), slipOf(text, typed)]) {
      if (way === null) {
        continue;
      }
      const points = pointsOf(way, text, typed, shown);
      if (!best || points > best.points) {
        best = { points, because: sayWay(text.what, way, shown) };
      }
    }
  }
  return best;
}

/** The place of each entry when all stand by name, then id. */
function rankByName(entries: readonly Entry[]): Int32Array {
  const order = [...entries.keys()].sort((a, b) => {
    const [x, y] = [(entries[a] as Entry).plugin, (entries[b] as Entry).plugin];
    return compareNames(x.name, y.name) || (x.id < y.id ? -1 : 1);
  });
  const ranks = new Int32Array(entries.length);
  for (const [rank, at] of order.entries()) {
    ranks[at] = rank;
  }
  return ranks;
}
