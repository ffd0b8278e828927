/**
 * What the first letters find, without an index of all plugins: so that who types as soon as the
 * screen stands need not wait for that. It finds the same (finder.test.ts), at some ten times the cost.
 */
import { eachInSteps, Gradually } from '../gradually.ts';
import { lazy } from '../memoize.ts';
import { eachWordBeginning, isPlain, wordsHold, wordsOf } from '../text/fold.ts';
import { textsShared, type Entry, type FoundText, type What } from './entry.ts';
import { fewHits, insideFrom, nameRanks, pointsOf, sharedLeast, slipFrom, wayOf } from './match.ts';
import type { CalledSo } from './name-index.ts';
import { ownersOf } from './own-letters.ts';
import { put, Sheets, type Scores } from './scores.ts';

/** The positions of entries that letters may meet. */
interface Candidates {
  readonly letters: string;
  readonly positions: readonly number[];
}

/** What is known of all entries though none is taken apart. */
interface Sorted {
  /** The positions of entries by the codes of the letters with which words of their names begin. */
  readonly beginning: ReadonlyMap<number, readonly number[]>;
  /** Vendors, types and tags, which many entries share: each list of them once. */
  readonly lists: readonly (readonly FoundText[])[];
  /** The places in `lists` of what each entry has. */
  readonly having: readonly (readonly number[])[];
}

/** All names, each in a line of its own, where they are plain; the others by themselves. */
interface WrittenNames {
  readonly plain: string;
  readonly others: readonly string[];
}

/** Entries of which only those are taken apart that letters may meet. */
export class FirstLetters {
  readonly #entries: readonly Entry[];
  readonly #sheets: Sheets;
  readonly #sorted: Gradually<Sorted>;
  readonly #names: () => WrittenNames;
  #last: Candidates | null = null;

  constructor(entries: readonly Entry[]) {
    this.#entries = entries;
    this.#sheets = new Sheets(entries.length);
    this.#sorted = new Gradually(sortedInSteps(entries));
    this.#names = lazy(() => writtenNames(entries));
  }

  /** Makes some more ready for the first letter; false once nothing is left to do. */
  prepare(): boolean {
    return this.#sorted.step();
  }

  /**
   * What is met by letters in a row as they are typed; null where so few are met that slips have to be
   * looked for among all. Valid until it is asked again.
   */
  score(letters: string, shown: string): Scores | null {
    this.#sheets.back();
    const scores = this.#sheets.next();
    let metNotInside = 0;
    for (const at of this.#mayMeet(letters)) {
      let isMetNotInside = false;
      for (const text of this.#at(at).texts) {
        const way = wayOf(text, letters);
        if (way !== null) {
          isMetNotInside ||= way !== 'inside';
          put(scores, at, pointsOf(way, text, letters, shown));
        }
      }
      metNotInside += Number(isMetNotInside);
    }
    return letters.length >= slipFrom && metNotInside < fewHits ? null : scores;
  }

  /** The positions of those whose own letters these are (own-letters.ts). */
  ownersOf(letters: string): readonly number[] {
    const alike = this.#beginningWith(letters);
    return ownersOf(
      alike.map((at) => ({ entry: this.#at(at), at })),
      letters,
    );
  }

  /** Those of which a name consists of these letters, and those whose initials they are. */
  calledSo(letters: string): CalledSo {
    const having = (isSo: (text: FoundText) => boolean): number[] =>
      this.#mayMeet(letters).filter((at) =>
        this.#at(at).texts.some((text) => text.rank < nameRanks && isSo(text)),
      );
    return {
      whole: having(({ joined }) => joined === letters),
      initials: having(({ initials }) => initials === letters),
    };
  }

  /** The figures with which some text begins. */
  figuresInFront(): ReadonlySet<string> {
    const first = new Set<string>();
    const { plain, others } = this.#names();
    for (const [name] of plain.matchAll(figureFirstInLine)) {
      first.add(name.charAt(name.length - 1));
    }
    for (const name of others) {
      if (mayBeginWithFigure.test(name)) {
        first.add(wordsOf(name)[0]?.charAt(0) ?? '');
      }
    }
    for (const { joined } of this.#shared()) {
      first.add(joined.charAt(0));
    }
    return new Set([...first].filter((letter) => /\d/.test(letter)));
  }

  /** The figures with which some text goes on behind these letters, of which there is one at least. */
  figuresBehind(letters: string): ReadonlySet<string> {
    const found = new Set<string>();
    const { plain, others } = this.#names();
    for (const line of linesWithFigureBehind(plain, letters.charAt(letters.length - 1))) {
      addFigures(found, wordsOf(line).join(''), letters);
    }
    for (const name of others) {
      addFigures(found, wordsOf(name).join(''), letters);
    }
    for (const { joined } of this.#shared()) {
      addFigures(found, joined, letters);
    }
    return found;
  }

  /** Vendors, types and tags, each once. */
  #shared(): readonly FoundText[] {
    return (this.#sorted.ready ?? sharedBy(this.#entries)).lists.flat();
  }

  #at(at: number): Entry {
    return this.#entries[at] as Entry;
  }

  /**
   * The positions of entries of which letters may meet a text as they are typed. Some are given of which
   * they meet none; none is missing.
   */
  #mayMeet(letters: string): readonly number[] {
    const last = this.#last;
    if (last?.letters === letters) {
      return last.positions;
    }
    // What holds letters inside holds fewer of them, too.
    const isNarrower =
      last && last.letters.length >= insideFrom && letters.startsWith(last.letters);
    const positions = this.#meeting(letters, isNarrower ? last.positions : this.#entries.keys());
    this.#last = { letters, positions };
    return positions;
  }

  #meeting(letters: string, among: Iterable<number>): number[] {
    const { lists, having } = this.#sorted.whole();
    const isMet = lists.map((texts) => texts.some((text) => meetsShared(text, letters)));
    const isBegun = new Uint8Array(this.#entries.length);
    for (const at of this.#beginningWith(letters)) {
      isBegun[at] = 1;
    }
    const isLong = letters.length >= insideFrom;
    const positions: number[] = [];
    for (const at of among) {
      if (
        isBegun[at] === 1 ||
        having[at]?.some((list) => isMet[list]) ||
        (isLong && this.#hasName(at, (shown) => wordsHold(shown, letters)))
      ) {
        positions.push(at);
      }
    }
    return positions;
  }

  /** The positions of entries that have a word of a name which begins as the letters do. */
  #beginningWith(letters: string): readonly number[] {
    return this.#sorted.whole().beginning.get(letters.charCodeAt(0)) ?? [];
  }

  #hasName(at: number, isSo: (shown: string) => boolean): boolean {
    let isFound = false;
    this.#at(at).eachName((_, shown) => {
      isFound ||= isSo(shown);
    });
    return isFound;
  }
}

function* sortedInSteps(entries: readonly Entry[]) {
  const beginning = new Map<number, number[]>();
  const shared = new SharedTexts();
  const having: number[][] = [];
  yield* eachInSteps(entries, (entry, at) => {
    entry.eachName((_, shown) => {
      eachWordBeginning(shown, (code) => {
        addOnce(beginning, code, at);
      });
    });
    const own: number[] = [];
    entry.eachShared((what, value) => {
      own.push(shared.placeOf(what, value));
    });
    having.push(own);
  });
  return { beginning, lists: shared.lists, having };
}

function sharedBy(entries: readonly Entry[]): SharedTexts {
  const shared = new SharedTexts();
  for (const entry of entries) {
    entry.eachShared((what, value) => {
      shared.placeOf(what, value);
    });
  }
  return shared;
}

/** Vendors, types and tags as they are met, each at a place of its own. */
class SharedTexts {
  readonly lists: (readonly FoundText[])[] = [];
  readonly #places = new Map<What, Map<string, number>>();

  placeOf(what: What, value: string): number {
    let places = this.#places.get(what);
    if (!places) {
      places = new Map();
      this.#places.set(what, places);
    }
    const known = places.get(value);
    if (known !== undefined) {
      return known;
    }
    const place = this.lists.push(textsShared(what, value)) - 1;
    places.set(value, place);
    return place;
  }
}

/** Adds a position, which is no lower than those before, where it is not there yet. */
function addOnce(lists: Map<number, number[]>, code: number, at: number): void {
  const list = lists.get(code);
  if (!list) {
    lists.set(code, [at]);
  } else if (list.at(-1) !== at) {
    list.push(at);
  }
}

function writtenNames(entries: readonly Entry[]): WrittenNames {
  const plain: string[] = [];
  const others: string[] = [];
  for (const entry of entries) {
    entry.eachName((_, shown) => {
      (isPlain(shown) ? plain : others).push(shown);
    });
  }
  return { plain: plain.join('\n'), others };
}

/** Whether letters may meet a vendor, a type or a tag: one letter only as a word of it. */
function meetsShared({ words, joined }: FoundText, letters: string): boolean {
  if (letters.length < sharedLeast) {
    return words.includes(letters);
  }
  return letters.length < insideFrom
    ? joined.startsWith(letters) || words.some((word) => word.startsWith(letters))
    : joined.includes(letters);
}

/** Plain names in lines of which the first that is a letter or figure is a figure. */
const figureFirstInLine = /^[^a-z0-9\n]*\d/gim;
/** Texts of which folding may leave a figure in front, also of another script. */
const mayBeginWithFigure = /^\P{L}*\p{N}/u;

/**
 * The lines in which a figure follows this letter or figure, once what stands between words is left
 * out. None holds what is of another script.
 */
function* linesWithFigureBehind(lines: string, last: string): Generator<string> {
  if (!/[a-z0-9]/.test(last)) {
    return;
  }
  const behind = new RegExp(`${last}[^a-z0-9\\n]*\\d`, 'gi');
  for (let met = behind.exec(lines); met; met = behind.exec(lines)) {
    const end = lines.indexOf('\n', met.index);
    const behindLine = end < 0 ? lines.length : end;
    yield lines.slice(lines.lastIndexOf('\n', met.index) + 1, behindLine);
    behind.lastIndex = behindLine;
  }
}

function addFigures(found: Set<string>, joined: string, letters: string): void {
  for (let at = joined.indexOf(letters); at >= 0; at = joined.indexOf(letters, at + 1)) {
    const next = joined.charAt(at + letters.length);
    if (/^\d$/.test(next)) {
      found.add(next);
    }
  }
}
