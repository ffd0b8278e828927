/**
 * How typed letters meet a text, and what that is worth. The index (finder.ts) gives the same
 * without looking at every text.
 */
import { beginsAlmost } from '../text/edit-distance.ts';
import { isName, whats, type FoundText, type What } from './entry.ts';

/**
 * Ways to meet a text, best first, with their worth. Set so that habit decides among alike ways and
 * not across all of them.
 */
export const worth = {
  whole: 100,
  start: 80,
  initials: 66,
  word: 62,
  parts: 56,
  slip: 44,
  'word slip': 40,
  inside: 30,
} as const;
/** A way in which letters can meet a text. */
export type Way = keyof typeof worth;

/** What a text counts beside a name. */
export const factor: Readonly<Record<What, number>> = {
  name: 1,
  nickname: 1.05,
  'slot label': 1.02,
  'other name': 0.9,
  tag: 0.7,
  type: 0.6,
  vendor: 0.55,
  notes: 0.5,
};

/**
 * From so many letters on one of them may be wrong, missing, too many or swapped; so many are
 * needed inside a word, and for initials and parts.
 */
export const slipFrom = 4;
/** With fewer plugins that meet the letters as typed, slips are looked for too. */
export const fewHits = 3;
/** Letters inside of a word count from so many on. */
export const insideFrom = 3;
/** Beginnings of several words count from so many letters on. */
export const partsFrom = 2;
/**
 * From how many letters on what was typed is looked for across words: as the only word, as one of
 * several, and all of several together, whose order is looked at by itself.
 */
export const across = { one: partsFrom, part: 4, several: Infinity } as const;
/**
 * Of alike ways, one is worth up to this much more when less of the text is left, when its words
 * are fewer, when the letters end where a word does, and when they stay inside its words as typed.
 */
const shorter = 1.5;
const fewer = 1.5;
const wholeWord = 4;
const asSpaced = 2;

/** Names stand first among `whats`. */
export const nameRanks = whats.filter(isName).length;
/**
 * Two letters that begin a vendor, type or tag count half, and one not at all unless it is a whole
 * word: they are rarely typed for it.
 */
const sharedFrom = 3;
/** So many first letters must be shared before a slip is looked for. */
export const sharedLeast = 2;

const factors = whats.map((what) => factor[what]);
/**
 * What it is worth that letters meet a text in a way: of how many letters and words the text is,
 * whether they end where a word does, and whether they stay inside its words as typed.
 */
export function pointsFor(
  way: Way,
  rank: number,
  typed: number,
  length: number,
  words: number,
  isWord: boolean,
  isAsSpaced: boolean,
): number {
  const of =
    (factors[rank] as number) * (rank >= nameRanks && typed < sharedFrom && !isWord ? 0.5 : 1);
  const base = worth[way] * of;
  return way === 'inside'
    ? base
    : base +
        shorter * Math.min(1, typed / length) +
        fewer / words +
        (isWord ? wholeWord * of : 0) +
        (isAsSpaced ? asSpaced : 0);
}

/** The same for one text. `shown` is what was typed with its spaces, `typed` without. */
export const pointsOf = (way: Way, text: FoundText, typed: string, shown: string): number =>
  pointsFor(
    way,
    text.rank,
    typed.length,
    text.joined.length,
    text.words.length,
    endsWord(way, text, typed),
    way === 'start' && text.spaced.startsWith(shown),
  );

/** Whether what was typed ends where a word does: at the beginning of the text, or as one of its words. */
const endsWord = (way: Way, text: FoundText, typed: string): boolean =>
  way === 'whole' ||
  (way === 'start' && hasBit(text.ends, typed.length)) ||
  (way === 'word' && text.words.includes(typed));
/** Whether the position is in. */
export const hasBit = (bits: number, at: number): boolean => at < 32 && (bits & (1 << at)) !== 0;

/**
 * Several typed words that are beginnings of different words of a name, in their order, are worth
 * so much more; from the first word on, so much again; each further word that begins with one of
 * them, a little.
 */
const inOrder = 5;
const fromStart = 3;
const again = 0.5;
/** What it is worth that parts stand in the order in which they were typed. */
export function orderPoints(words: readonly string[], parts: readonly string[]): number {
  let at = 0;
  let first = -1;
  for (const part of parts) {
    while (at < words.length && !words[at]?.startsWith(part)) {
      at += 1;
    }
    if (at >= words.length) {
      return 0;
    }
    if (first < 0) {
      first = at;
    }
    at += 1;
  }
  let begun = 0;
  for (const word of words) {
    for (const part of parts) {
      if (word.startsWith(part)) {
        begun += 1;
        break;
      }
    }
  }
  return inOrder + (first === 0 ? fromStart : 0) + again * Math.min(3, begun - parts.length);
}

/**
 * The best way by which the letters meet the text, slips left out; null when there is none. Across
 * words is looked from so many letters on.
 */
export function wayOf(text: FoundText, typed: string, acrossFrom: number = across.one): Way | null {
  if (!isName(text.what) && typed.length < sharedLeast && !text.words.includes(typed)) {
    return null;
  }
  if (text.joined === typed) {
    return 'whole';
  }
  if (text.joined.startsWith(typed)) {
    return 'start';
  }
  if (isName(text.what) && typed.length >= partsFrom && text.initials.startsWith(typed)) {
    return 'initials';
  }
  if (text.words.some((word) => word.startsWith(typed))) {
    return 'word';
  }
  if (isName(text.what) && typed.length >= acrossFrom && acrossWords(text.words, typed)) {
    return 'parts';
  }
  return typed.length >= insideFrom && text.joined.includes(typed) ? 'inside' : null;
}

/** The same for letters with one slip. */
export function slipOf(text: FoundText, typed: string): Way | null {
  if (typed.length < slipFrom) {
    return null;
  }
  if (beginsAlmost(text.joined, typed)) {
    return 'slip';
  }
  return text.words.some((word) => beginsAlmost(word, typed)) ? 'word slip' : null;
}

/** So many letters at most are looked for across words. */
const acrossUpTo = 30;
/** Whether the letters are beginnings of words in order: "sladel" in "slackwater delay". */
export function acrossWords(words: readonly string[], typed: string): boolean {
  if (typed.length > acrossUpTo) {
    return false;
  }
  // Bit n: the first n letters are met by the words so far.
  let reached = 1;
  for (const word of words) {
    const before = reached;
    for (let from = 0; from < typed.length; from += 1) {
      if ((before & (1 << from)) === 0) {
        continue;
      }
      for (
        let length = 1;
        typed.charCodeAt(from + length - 1) === word.charCodeAt(length - 1);
        length += 1
      ) {
        reached |= 1 << (from + length);
      }
    }
    if ((reached & (1 << typed.length)) !== 0) {
      return true;
    }
  }
  return false;
}

const says: Readonly<Record<Way, string>> = {
  whole: 'is',
  start: 'starts with',
  initials: 'has the initials',
  word: 'has a word starting with',
  parts: 'has words starting with',
  slip: 'starts almost with',
  'word slip': 'has a word starting almost with',
  inside: 'has the letters',
};
/** Why a hit was found, in words. */
export const sayWay = (what: What | 'group', way: Way, shown: string): string =>
  `${what} ${says[way]} “${shown}”`;
