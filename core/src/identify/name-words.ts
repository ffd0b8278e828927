/** The words of a plugin's name that speak for types. */
import { wordsOf } from '../text/fold.ts';
import { withoutWidth } from './name-key.ts';
import { lexicon, longestPhrase, wordParts, type Meaning } from './lexicon.data.ts';

/** A word of a name with what it speaks for. */
export interface SpeakingWord {
  /** As it stands in the name, folded. */
  readonly word: string;
  readonly meanings: readonly Meaning[];
  /** Found inside a longer word only. */
  readonly isPart: boolean;
  /**
   * Whether it names the thing, as the last speaking word before "with", "for" or a comma does;
   * others describe it.
   */
  readonly isHead: boolean;
}

interface Found {
  readonly word: string;
  readonly meanings: readonly Meaning[];
  readonly isPart: boolean;
  readonly end: number;
}

/** What comes after these describes what stands before: "Gate with envelope", "Flanger, stereo". */
const tailStarts = /[,([:;]|\s+(?:with|for|from|using|by|without|mit|avec)\s+|\s+-\s+/i;
/** What stands on both sides of these counts alike: "EQ & Compressor", "Chorus/Flanger". */
const pairing = /\s*(?:[/+&]|\band\b|\bund\b)\s*/i;

/** A name without what stands in brackets at its end, which says which of several it is. */
export const beforeBrackets = (name: string): string =>
  name.replace(/\s*[([][^()[\]]*[)\]]\s*$/, '') || name;

/** Takes a name apart. Every word speaks once, the longest phrase wins; words of traps do not speak. */
export function speakingWords(whole: string): SpeakingWord[] {
  // At its end "stereo" tells which edition it is; "Stereo Tools" are tools for stereo.
  const name = withoutWidth(whole);
  const tail = tailStarts.exec(name);
  const at = tail && tail.index > 0 ? tail.index : name.length;
  const front = name.slice(0, at).split(pairing).flatMap(spokenBy);
  const behind = name.slice(at).split(pairing).flatMap(spokenBy);
  // Where nothing in front speaks, that was its maker or its fancy: what stands behind is the name.
  return front.length === 0
    ? behind
    : [...front, ...behind.map((found) => ({ ...found, isHead: false }))];
}

function spokenBy(text: string): SpeakingWord[] {
  const found = findWords(wordsOf(text));
  const head = found.findLastIndex((f) => f.meanings.some((m) => m.clearness === 'clear'));
  return found.map(({ word, meanings, isPart }, i) => ({
    word,
    meanings,
    isPart,
    isHead: i === (head < 0 ? found.length - 1 : head),
  }));
}

function findWords(words: readonly string[]): Found[] {
  const found: Found[] = [];
  for (let at = 0; at < words.length; ) {
    const next = phraseAt(words, at) ?? partOf(words, at);
    if (next && next.meanings.length > 0) {
      found.push(next);
    }
    at = next?.end ?? at + 1;
  }
  return found;
}

function phraseAt(words: readonly string[], at: number): Found | null {
  for (let length = Math.min(longestPhrase, words.length - at); length > 0; length -= 1) {
    const phrase = words.slice(at, at + length);
    const joined = phrase.join('');
    const meanings =
      lexicon.get(joined) ??
      (joined.length > 3 && joined.endsWith('s') ? lexicon.get(joined.slice(0, -1)) : undefined);
    if (meanings) {
      return { word: phrase.join(' '), meanings, isPart: false, end: at + length };
    }
  }
  return null;
}

/**
 * A longer word that begins or ends with a speaking one: "gverb", "delayorama". At least two
 * letters have to remain, or one before.
 */
function partOf(words: readonly string[], at: number): Found | null {
  const word = words[at] ?? '';
  const bare = word.endsWith('s') ? word.slice(0, -1) : word;
  const part = wordParts.find(
    (p) =>
      p.length < bare.length &&
      (bare.endsWith(p) || (p.length > 4 && word.startsWith(p) && word.length > p.length + 1)),
  );
  return part === undefined
    ? null
    : { word: part, meanings: lexicon.get(part) ?? [], isPart: true, end: at + 1 };
}
