/** The texts of many plugins, taken apart so that letters find those that have them. */
import { Texts } from '../text/text-index.ts';
import { isName, type Entry, type FoundText } from './entry.ts';
import {
  across,
  acrossWords,
  fewHits,
  insideFrom,
  hasBit,
  nameRanks,
  orderPoints,
  partsFrom,
  pointsFor,
  sharedLeast,
  slipFrom,
  type Way,
} from './match.ts';
import { put, Sheets, type Scores } from './scores.ts';

/** Several words found one by one are a little less sure than all letters in a row. */
export const wordsFactor = 0.9;

/** Takes in plugins one after the other; all must be there before they are searched. */
export class NameIndexBuilder {
  /**
   * Each different text once; names with the positions of the entries that have them, others with
   * those of the sets they are in.
   */
  readonly texts: FoundText[] = [];
  readonly having: number[][] = [];
  /** Positions in `texts` by all letters, by words and by initials. */
  readonly joined = new Texts();
  readonly words = new Texts();
  readonly initials = new Texts();
  /**
   * Names that have a word beginning with a letter, by the letter, and which letters begin words of
   * each name.
   */
  readonly beginning = new Map<string, number[]>();
  readonly letters: number[] = [];
  /**
   * Vendor, types and tags are the same for many: each different set of them once, with the
   * positions of its entries.
   */
  readonly members: number[][] = [];
  /** By the words of a name, for each rank; and vendors, types and tags, which are the same object. */
  readonly #names = new Map<number, Map<string, number>>();
  readonly #shared = new Map<FoundText, number>();
  readonly #sets = new Map<string, number>();

  /** `at` is the position among all entries. */
  add(entry: Entry, at: number): void {
    const shared: number[] = [];
    for (const text of entry.texts) {
      if (isName(text.what)) {
        this.having[this.#positionOfName(text)]?.push(at);
      } else {
        shared.push(this.#positionOfShared(text));
      }
    }
    this.members[this.#setOf(shared)]?.push(at);
  }

  #setOf(shared: readonly number[]): number {
    const key = shared.join();
    const known = this.#sets.get(key);
    if (known !== undefined) {
      return known;
    }
    const set = this.members.push([]) - 1;
    this.#sets.set(key, set);
    for (const at of new Set(shared)) {
      this.having[at]?.push(set);
    }
    return set;
  }

  #positionOfName(text: FoundText): number {
    const known = this.#names.get(text.rank) ?? new Map<string, number>();
    this.#names.set(text.rank, known);
    const at = known.get(text.spaced) ?? this.#enter(text);
    known.set(text.spaced, at);
    return at;
  }

  #positionOfShared(text: FoundText): number {
    const at = this.#shared.get(text) ?? this.#enter(text);
    this.#shared.set(text, at);
    return at;
  }

  #enter(text: FoundText): number {
    const at = this.texts.push(text) - 1;
    this.having.push([]);
    this.letters.push(lettersOf(text.words));
    this.joined.add(at, text.joined);
    for (const word of text.words) {
      this.words.add(at, word);
    }
    if (text.initials !== '') {
      this.initials.add(at, text.initials);
    }
    if (isName(text.what)) {
      for (const letter of new Set(text.words.map((word) => word.charAt(0)))) {
        const list = this.beginning.get(letter);
        if (list) {
          list.push(at);
        } else {
          this.beginning.set(letter, [at]);
        }
      }
    }
    return at;
  }
}

/** Positions of entries, in order. */
export interface CalledSo {
  readonly whole: readonly number[];
  readonly initials: readonly number[];
}

/** Finds the positions of those that letters mean. */
export class NameIndex {
  readonly #texts: readonly FoundText[];
  readonly #having: readonly (readonly number[])[];
  readonly #joined: Texts;
  readonly #words: Texts;
  readonly #initials: Texts;
  readonly #beginning: ReadonlyMap<string, readonly number[]>;
  readonly #letters: readonly number[];
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
  /** All different joined texts in a row, to be searched in one go, with where each begins. */
  readonly #row: string;
  readonly #starts: number[] = [];
  readonly #keys: string[];
  readonly #own: ReadonlyMap<string, readonly number[]>;
  readonly #sheets: Sheets;
  readonly #setSheets: Sheets;

  /** `own` are the own letters of all entries, `size` is how many these are. */
  constructor(built: NameIndexBuilder, own: ReadonlyMap<string, readonly number[]>, size: number) {
    this.#texts = built.texts;
    this.#having = built.having;
    this.#joined = built.joined;
    this.#words = built.words;
    this.#initials = built.initials;
    this.#beginning = built.beginning;
    this.#letters = built.letters;
    this.#members = built.members.map((list) => Int32Array.from(list));
    const numbers = (): Int32Array => new Int32Array(this.#texts.length);
    this.#ranks = numbers();
    this.#lengths = numbers();
    this.#counts = numbers();
    this.#firsts = numbers();
    this.#ends = numbers();
    this.#only = numbers();
    for (const [at, { rank, joined, words, ends }] of this.#texts.entries()) {
      const [first = -1, second] = this.#having[at] ?? [];
      this.#ranks[at] = rank;
      this.#lengths[at] = joined.length;
      this.#counts[at] = words.length;
      this.#firsts[at] = words[0]?.length ?? 0;
      this.#ends[at] = ends;
      this.#only[at] = second === undefined ? first : -1;
    }
    this.#keys = [...this.#joined.keys()];
    let length = 0;
    for (const key of this.#keys) {
      this.#starts.push(length);
      length += key.length + 1;
    }
    this.#row = this.#keys.join('\n');
    this.#own = own;
    this.#sheets = new Sheets(size);
    this.#setSheets = new Sheets(this.#members.length);
  }

  /** The positions of those whose own letters these are (own-letters.ts). */
  ownOf(joined: string): readonly number[] {
    return this.#own.get(joined) ?? [];
  }

  /** Those of which a name consists of these letters, and those whose initials they are. */
  calledSo(joined: string): CalledSo {
    const having = (texts: readonly number[]): number[] => {
      const names = texts.filter((at) => (this.#ranks[at] as number) < nameRanks);
      // A plugin may be called so twice: by its name, and by one that was given to it.
      const entries = new Set(names.flatMap((at) => this.#having[at] as number[]));
      return [...entries].sort((a, b) => a - b);
    };
    return {
      whole: having(this.#joined.whole(joined)),
      initials: having(this.#initials.whole(joined)),
    };
  }

  /**
   * All letters in a row, or (where several words were typed) each word by itself, whichever is
   * worth more. What it gives is valid until it is asked again.
   */
  score(parts: readonly string[], joined: string, shown: string): Scores {
    this.#sheets.back();
    this.#setSheets.back();
    const whole = this.#part(joined, shown, parts.length > 1 ? across.several : across.one);
    if (parts.length < 2) {
      return whole;
    }
    const order = this.#order(parts);
    const each = parts.map((part) => this.#part(part, part, across.part));
    const [fewest] = [...each].sort((a, b) => a.count - b.count);
    for (const at of fewest?.touched.subarray(0, fewest.count) ?? []) {
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
        put(whole, at, (sum / parts.length) * wordsFactor + (order.points[at] as number));
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
    const match = (at: number, way: Way, isWord = false, isAsSpaced = false): void => {
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
      for (let i = 0; i < sets.count; i += 1) {
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
          match(at, way);
        }
      };
    this.#joined.beginning(typed, (positions, text) => {
      for (const at of positions) {
        if (text === typed) {
          match(at, 'whole', true);
        } else {
          match(at, 'start', hasBit(this.#ends[at] as number, typed.length), isAsSpaced(at));
        }
      }
    });
    if (typed.length >= partsFrom) {
      this.#initials.beginning(typed, take('initials'));
    }
    this.#words.beginning(typed, (positions, word) => {
      for (const at of positions) {
        match(at, 'word', word === typed);
      }
    });
    if (typed.length >= acrossFrom) {
      for (const at of this.#across(typed)) {
        match(at, 'parts');
      }
    }
    spread();
    const isSlip = typed.length >= slipFrom && scores.count < fewHits;
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
