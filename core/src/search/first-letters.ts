/**
 * What the first letters can meet, told without taking all plugins apart: so that who types as
 * soon as the screen stands need not wait for that.
 */
import { hasWordBeginning, wordsHold, wordsOf } from '../text/fold.ts';
import type { Entry, FoundText } from './entry.ts';
import { insideFrom, sharedLeast } from './match.ts';

/**
 * The positions of entries of which letters may meet a text as they are typed, or whose own letters
 * may be theirs (own-letters.ts). Some are given for which neither is so; none is missing.
 */
export function mayMeet(entries: readonly Entry[], letters: string): ReadonlySet<number> {
  const first = letters.charAt(0);
  const isLong = letters.length >= insideFrom;
  const known = new Map<readonly FoundText[], boolean>();
  const meets = (texts: readonly FoundText[]): boolean => {
    const before = known.get(texts);
    if (before !== undefined) {
      return before;
    }
    const meeting = texts.some((text) => meetsShared(text, letters));
    known.set(texts, meeting);
    return meeting;
  };
  const found = new Set<number>();
  for (const [at, entry] of entries.entries()) {
    entry.eachName((_, shown) => {
      if (hasWordBeginning(shown, first) || (isLong && wordsHold(shown, letters))) {
        found.add(at);
      }
    });
    entry.eachShared((texts) => {
      if (meets(texts)) {
        found.add(at);
      }
    });
  }
  return found;
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

/** What is not plain may hold figures and letters of other scripts. */
const notPlain = /[^\x20-\x7e]/;

/** The figures with which some text goes on behind these letters, of which there is one at least. */
export function figuresBehind(entries: readonly Entry[], letters: string): ReadonlySet<string> {
  const found = new Set<string>();
  const known = new Set<readonly FoundText[]>();
  const last = letters.charAt(letters.length - 1);
  // Letters of words come next to each other once what stands between is left out.
  const mayHold = /[a-z0-9]/.test(last) ? new RegExp(`${last}[^a-z0-9]*\\d`, 'i') : notPlain;
  for (const entry of entries) {
    entry.eachName((_, shown) => {
      if (mayHold.test(shown) || notPlain.test(shown)) {
        addFigures(found, wordsOf(shown).join(''), letters);
      }
    });
    entry.eachShared((texts) => {
      if (!known.has(texts)) {
        known.add(texts);
        for (const { joined } of texts) {
          addFigures(found, joined, letters);
        }
      }
    });
  }
  return found;
}

function addFigures(found: Set<string>, joined: string, letters: string): void {
  for (let at = joined.indexOf(letters); at >= 0; at = joined.indexOf(letters, at + 1)) {
    const next = joined.charAt(at + letters.length);
    if (/^\d$/.test(next)) {
      found.add(next);
    }
  }
}
