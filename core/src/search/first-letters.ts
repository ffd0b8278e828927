/**
 * What the first letters can meet, told without taking all plugins apart: so that who types as
 * soon as the screen stands need not wait for that.
 */
import { oncePer } from '../remembered.ts';
import { hasWordBeginning, isPlain, wordsHold, wordsOf } from '../text/fold.ts';
import type { Entry, FoundText } from './entry.ts';
import { insideFrom, sharedLeast } from './match.ts';

/**
 * The positions of entries of which letters may meet a text as they are typed, or whose own letters
 * may be theirs (own-letters.ts). Some are given for which neither is so; none is missing.
 */
export function mayMeet(entries: readonly Entry[], letters: string): ReadonlySet<number> {
  const first = letters.charAt(0);
  const isLong = letters.length >= insideFrom;
  const meets = oncePer((texts: readonly FoundText[]) =>
    texts.some((text) => meetsShared(text, letters)),
  );
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

/** Gives each name as it is written, and what plugins share once for all that have it. */
function eachText(
  entries: readonly Entry[],
  ofName: (shown: string) => void,
  ofShared: (text: FoundText) => void,
): void {
  const given = new Set<readonly FoundText[]>();
  for (const entry of entries) {
    entry.eachName((_, shown) => {
      ofName(shown);
    });
    entry.eachShared((texts) => {
      if (!given.has(texts)) {
        given.add(texts);
        texts.forEach(ofShared);
      }
    });
  }
}

/** Texts of which folding may leave a figure in front, also of another script. */
const mayBeginWithFigure = /^\P{L}*\p{N}/u;
/** Most begin so, and are told by it far quicker. */
const plainLetterFirst = /^[A-Za-z]/;

/** The figures with which some text begins. */
export function figuresInFront(entries: readonly Entry[]): ReadonlySet<string> {
  const first = new Set<string>();
  eachText(
    entries,
    (shown) => {
      if (!plainLetterFirst.test(shown) && mayBeginWithFigure.test(shown)) {
        first.add(wordsOf(shown)[0]?.charAt(0) ?? '');
      }
    },
    ({ joined }) => {
      first.add(joined.charAt(0));
    },
  );
  return new Set([...first].filter((letter) => /\d/.test(letter)));
}

/** The figures with which some text goes on behind these letters, of which there is one at least. */
export function figuresBehind(entries: readonly Entry[], letters: string): ReadonlySet<string> {
  const found = new Set<string>();
  const last = letters.charAt(letters.length - 1);
  // Letters of words come next to each other once what stands between is left out. A plain text holds
  // none of another script.
  const mayHold = /[a-z0-9]/.test(last) ? new RegExp(`${last}[^a-z0-9]*\\d`, 'i') : null;
  eachText(
    entries,
    (shown) => {
      if (mayHold?.test(shown) === true || !isPlain(shown)) {
        addFigures(found, wordsOf(shown).join(''), letters);
      }
    },
    ({ joined }) => {
      addFigures(found, joined, letters);
    },
  );
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
