/** Who made a plugin: spellings of one vendor gathered, near misses found. */
import { isOneApart } from '../text/edit-distance.ts';
import { compareNames } from '../text/compare.ts';
import { fold } from '../text/fold.ts';

/** Words that vendors add or leave out at will (common practice, no published source). */
const loose = new Set([
  'ltd',
  'limited',
  'inc',
  'llc',
  'gmbh',
  'co',
  'corp',
  'oy',
  'ab',
  'bv',
  'sarl',
  'kg',
  'and',
  'the',
  'audio',
  'dsp',
  'software',
  'plugin',
  'plugins',
  'lv2',
  'vst',
  'vst2',
  'vst3',
  'clap',
  'au',
  'ladspa',
]);

/** A name without mail and web addresses: "Some One <some at one dot org>" → Some One. */
const withoutAddress = (vendor: string): string =>
  vendor
    .replace(/<[^>]*>|\([^)]*\)|\S+@\S+|\bhttps?:\S+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const hasAddress = (vendor: string): boolean => withoutAddress(vendor) !== vendor.trim();

/** What spellings of one vendor share: without address, punctuation, case and loose words. Empty for none. */
export function foldVendor(vendor: string | null): string {
  if (vendor === null) {
    return '';
  }
  const words = fold(withoutAddress(vendor)).match(/[\p{L}\p{N}]+/gu) ?? [];
  const kept = words.filter((word) => !loose.has(word));
  return (kept.length > 0 ? kept : words).join('');
}

/** What the user said of a spelling: whose it is. */
export type SpellingDecisions = ReadonlyMap<string, string>;
/** For when the user decided nothing about spellings. */
export const noDecisions: SpellingDecisions = new Map();

/** A vendor as gathered from its spellings, most frequent first. */
export interface Vendor {
  readonly name: string;
  readonly spellings: readonly { readonly spelling: string; readonly count: number }[];
  readonly count: number;
}

/**
 * Gathers spellings (with how many copies use each) under vendors, most copies first. A decision of
 * the user for a spelling holds for it, and for spellings that fold to the same. The name is the
 * decided one, else the most frequent spelling without its address and without a format's name behind
 * it, so that opening doesn't change it; of equally frequent ones the longest that came without.
 */
export function gatherVendors(
  counts: ReadonlyMap<string, number>,
  decided: SpellingDecisions,
): Vendor[] {
  const byKey = new Map([...decided].map(([spelling, name]) => [foldVendor(spelling), name]));
  const gathered = new Map<
    string,
    { name: string | null; spellings: { spelling: string; count: number }[] }
  >();
  for (const [spelling, count] of counts) {
    const name = decided.get(spelling) ?? byKey.get(foldVendor(spelling)) ?? null;
    const key = name ?? `\n${foldVendor(spelling)}`;
    const known = gathered.get(key);
    if (known) {
      known.spellings.push({ spelling, count });
    } else {
      gathered.set(key, { name, spellings: [{ spelling, count }] });
    }
  }
  const vendors = [...gathered.values()].map(({ name, spellings }): Vendor => {
    const sorted = spellings.sort(
      (a, b) =>
        b.count - a.count ||
        Number(hasAddress(a.spelling)) - Number(hasAddress(b.spelling)) ||
        b.spelling.length - a.spelling.length ||
        compareNames(a.spelling, b.spelling),
    );
    return {
      name: name ?? shownName(sorted[0]?.spelling ?? ''),
      spellings: sorted,
      count: sorted.reduce((sum, s) => sum + s.count, 0),
    };
  });
  return mergeSameNames(vendors).sort((a, b) => b.count - a.count || compareNames(a.name, b.name));
}

/** A spelling as it is shown: without an address, and without the format that it was made for. */
function shownName(spelling: string): string {
  const name = withoutAddress(spelling) || spelling;
  return name.replace(formatBehind, '') || name;
}

const formatBehind = /(?:[\s,]+\(?(?:lv2|vst[23]?|clap|ladspa)\)?)+$/i;

/** A vendor that a decision named like one that is there already is that one. */
function mergeSameNames(vendors: readonly Vendor[]): Vendor[] {
  const byName = new Map<string, Vendor>();
  for (const vendor of vendors) {
    const known = byName.get(vendor.name);
    byName.set(
      vendor.name,
      known
        ? {
            ...known,
            spellings: [...known.spellings, ...vendor.spellings],
            count: known.count + vendor.count,
          }
        : vendor,
    );
  }
  return [...byName.values()];
}

/** The vendor's name for each spelling. */
export const vendorNames = (vendors: readonly Vendor[]): Map<string, string> =>
  new Map(
    vendors.flatMap(({ name, spellings }) =>
      spellings.map(({ spelling }) => [spelling, name] as const),
    ),
  );

/** Two vendors that may be one, with the reason. */
export interface NearMiss {
  readonly a: Vendor;
  readonly b: Vendor;
  readonly reason: string;
}

/** The fewest letters by which two vendors are compared for near misses. */
const lettersToCompare = 5;

/**
 * Vendors that differ by a letter, or of which one is the other with a word more. Most copies
 * first; decided pairs are the caller's.
 */
export function nearMisses(vendors: readonly Vendor[]): NearMiss[] {
  const keyed = vendors
    .map((vendor) => ({ vendor, key: foldVendor(vendor.name) }))
    .filter(({ key }) => key.length >= lettersToCompare);
  const misses: NearMiss[] = [];
  for (const [i, a] of keyed.entries()) {
    for (const b of keyed.slice(i + 1)) {
      if (a.key === b.key) {
        continue;
      }
      const [short, long] = a.key.length <= b.key.length ? [a, b] : [b, a];
      if (long.key.startsWith(short.key) && beginsWithWords(long.vendor.name, short.vendor.name)) {
        misses.push({
          a: a.vendor,
          b: b.vendor,
          reason: `“${long.vendor.name}” is “${short.vendor.name}” with a word more`,
        });
      } else if (Math.abs(a.key.length - b.key.length) <= 1 && isOneApart(a.key, b.key)) {
        misses.push({ a: a.vendor, b: b.vendor, reason: 'they differ by one letter' });
      }
    }
  }
  return misses;
}

const beginsWithWords = (long: string, short: string): boolean =>
  fold(long).startsWith(`${fold(short)} `);
