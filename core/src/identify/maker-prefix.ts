/**
 * What a vendor puts in front of all its names ("Gorse Chorus", "Gorse Hall", or glued on as in
 * "gxChorus") says whose they are and not what they do: only what differs speaks.
 */
import { grouped } from '../grouped.ts';
import { compareTexts } from '../text/compare.ts';
import { isGenericWord } from './generic-words.ts';

/** A name with the folded vendor it belongs to; without a vendor nothing is taken off. */
export interface NamedByMaker {
  readonly name: string;
  readonly vendor: string;
}

/** So many different names a vendor must have before a beginning of theirs counts as its own. */
const fewestNames = 5;
/** The share of a vendor's names that begin so. Common practice, no source. */
const mostBegin = 0.8;
const shortest = 2;
const longest = 24;
/** Glued to the next word without a capital ("gxroom"), more letters than this make a word. */
const longestGlued = 3;

/** Finds the beginnings once; the answer gives a name without its vendor's. */
export function gatherPrefixes(plugins: readonly NamedByMaker[]): (plugin: NamedByMaker) => string {
  const byVendor = grouped(
    plugins
      .filter(({ vendor }) => vendor !== '')
      .map(({ name, vendor }) => [vendor, name] as const),
  );
  const prefixes = new Map([...byVendor].map(([vendor, names]) => [vendor, prefixOf(names)]));
  return ({ name, vendor }) => withoutPrefix(name, prefixes.get(vendor) ?? '');
}

/** The longest beginning that most of the names share, in lower case; empty where there is none. */
function prefixOf(names: readonly string[]): string {
  const lower = [...new Set(names.map((name) => name.toLowerCase()))];
  if (lower.length < fewestNames) {
    return '';
  }
  const best = sharedBeginning(lower);
  const words = best.match(/[\p{L}\p{N}]+/gu) ?? [];
  const isTrade = words.length === 0 || words.every(isGenericWord);
  const isWhole = /[^\p{L}\p{N}]$/u.test(best);
  return isTrade || !(isWhole || best.length <= longestGlued || endsAtCapital(best, names))
    ? ''
    : best;
}

/**
 * The longest beginning, shorter than the name, of as many names as count. In their order names that
 * begin alike are neighbours, so that what more than half of them begin with, the middle one does.
 */
function sharedBeginning(names: readonly string[]): string {
  const middle = names.toSorted(compareTexts)[Math.floor(names.length / 2)] ?? '';
  const lengths = names.map((name) => lengthInCommon(name, middle)).sort((a, b) => b - a);
  const length = lengths[Math.ceil(mostBegin * names.length) - 1] ?? 0;
  return length < shortest ? '' : middle.slice(0, length);
}

/** How far a name begins like another one, short of its end. */
function lengthInCommon(name: string, other: string): number {
  const most = Math.min(longest, name.length - 1, other.length);
  let length = 0;
  while (length < most && name[length] === other[length]) {
    length += 1;
  }
  return length;
}

/** Whether another word begins behind it in most of the names: "GorseGate", "GorseDelay". */
const endsAtCapital = (beginning: string, names: readonly string[]): boolean =>
  names.filter((name) => /^[\p{Lu}\p{N}\s_-]/u.test(name.slice(beginning.length))).length >=
  mostBegin * names.length;

/** Whether a capital would be cut from the word it begins: "GoRed" behind "gor". */
const cutsWord = (name: string, at: number): boolean => /^\p{Lu}\p{Ll}/u.test(name.slice(at - 1));

function withoutPrefix(name: string, prefix: string): string {
  if (prefix === '' || !name.toLowerCase().startsWith(prefix) || cutsWord(name, prefix.length)) {
    return name;
  }
  const rest = name.slice(prefix.length).replace(/^[\s_:.-]+/, '');
  return rest.length < shortest ? name : rest;
}
