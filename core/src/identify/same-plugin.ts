/** Whether two copies are one plugin: evidence for and against, each piece with its weight and a reason. */
import { isOneApart } from '../text/edit-distance.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import { stemOfPath } from '../formats/found-copy.ts';
import type { Kind } from '../catalog/kind.ts';
import { makesSound, nameKeyOf, withoutBits, type IsGeneric, type NameKey } from './name-key.ts';
import { nameOfCopy } from '../catalog/plugin.ts';
import { foldVendor } from './gather-vendors.ts';

/** What grouping has to know of a copy. */
export type GroupedCopy = Pick<
  FoundCopy,
  'format' | 'path' | 'identity' | 'name' | 'vendor' | 'audioIn' | 'audioOut' | 'replaces'
> & {
  /** By what it declares; an instrument is told from an effect. */
  readonly kind: Kind;
  /** LADSPA's number, where it is known. */
  readonly uniqueId?: number | null;
};

/** A copy with all that is compared of it worked out once. */
export interface Member {
  readonly copy: GroupedCopy;
  readonly name: NameKey;
  /** Folded vendor; empty when it names none. */
  readonly vendor: string;
  /** Short names that its makers gave it: the end of a URI, a label, a file's name. */
  readonly shorts: readonly string[];
  /** What its file is called, whole and without its maker, where nothing else names it. */
  readonly fileKeys: readonly string[];
  /** LADSPA's number as text, from the copy or the name of its file. */
  readonly ladspaId: string | null;
}

/**
 * `vendor` is whose a copy is, where spellings were gathered or decided; else what it names itself.
 * Many copies share a vendor, and those of one plugin its name: each is taken apart once.
 */
export function membersOf(
  given: readonly { readonly copy: GroupedCopy; readonly vendor: string | null }[],
  isGeneric: IsGeneric,
): Member[] {
  const vendors = new Map<string | null, string>();
  const names = new Map<string, NameKey>();
  return given.map(({ copy, vendor }) => {
    const stem = stemOfPath(copy.path);
    const isInstrument = copy.kind === 'instrument' || makesSound(copy);
    const text = nameOfCopy(copy);
    const name = kept(names, JSON.stringify([text, vendor, isInstrument]), () =>
      nameKeyOf(text, vendor, isInstrument, isGeneric),
    );
    return {
      copy,
      ladspaId: ladspaIdOf(copy, stem),
      name,
      vendor: kept(vendors, vendor, () => foldVendor(vendor)),
      shorts: shortsOf(copy, stem),
      fileKeys: copy.name === null ? fileKeysOf(stem, name) : [],
    };
  });
}

/** What is known under the key, or is worked out now. */
function kept<K, V>(known: Map<K, V>, key: K, work: () => V): V {
  const value = known.get(key) ?? work();
  known.set(key, value);
  return value;
}

const fileKeysOf = (stem: string, { bare, width }: NameKey): string[] => [
  ...new Set([inOneWord(withoutBits(stem)), `${bare}${width ?? ''}`]),
];

/** Lower case, letters and figures only. */
const inOneWord = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

function ladspaIdOf({ format, uniqueId }: GroupedCopy, stem: string): string | null {
  if (format !== 'LADSPA') {
    return null;
  }
  const isKnown = uniqueId !== undefined && uniqueId !== null;
  return isKnown ? String(uniqueId) : (/_(\d{3,})$/.exec(stem)?.[1] ?? null);
}

function spelledShorts({ format, identity, name }: GroupedCopy, stem: string): string[] {
  if (format === 'LV2') {
    const [end = ''] = (identity ?? '')
      .replace(/[#/]+$/, '')
      .split(/[#/:]/)
      .slice(-1);
    return [end];
  }
  if (format === 'LADSPA') {
    return [(identity ?? '').split(':').pop() ?? '', stem.replace(/_\d+$/, '')];
  }
  // A copy that has its name from its file only would count that twice.
  return name === null ? [] : [stem];
}

function shortsOf(copy: GroupedCopy, stem: string): string[] {
  return [
    ...new Set(
      spelledShorts(copy, stem)
        .map(inOneWord)
        .filter((s) => s.length > 2),
    ),
  ];
}

/** One piece of evidence; `says` is its row in the table of weights, or what the user said. */
export interface SamePiece {
  readonly says: keyof typeof sameWeights | 'pin';
  readonly weight: number;
  readonly reason: string;
}

/**
 * Weights in log-odds. They are common practice with no source, set so that equal names alone do
 * not join two copies, and that copies of different vendors are joined only by a declaration, or
 * where a telling name and an inner name that is not made from it both agree: a wrong join is worse
 * than a missed one.
 */
export const sameWeights = {
  base: -2,
  sameIdentity: 9,
  declared: 5.5,
  sameName: 3,
  tellingName: 1,
  otherName: -6,
  sameVendor: 3,
  nearVendor: 1,
  otherVendor: -5,
  severalVendors: -4,
  sameShort: 0.5,
  ownShort: 5,
  otherKind: -1.5,
  otherWidth: -1.5,
} as const;
/** Copies are joined at this sum or more, and asked about between it and `askAt`. */
export const joinAt = 2;
/** Sums from here to where copies join are asked about. Log-odds. */
export const askAt = -1;

/**
 * How many copies claim to stand in for what this one replaces: one claim is strong, fourteen are
 * next to nothing.
 */
export interface PairFacts {
  readonly claims: number;
  readonly isVendorUnclear: boolean;
}

/** Everything that speaks for and against two copies being one plugin. */
export function compareCopies(
  a: Member,
  b: Member,
  { claims, isVendorUnclear }: PairFacts,
): SamePiece[] {
  const pieces: SamePiece[] = [];
  const say = (says: keyof typeof sameWeights, reason: string, less = 0): void => {
    pieces.push({ says, weight: sameWeights[says] - less, reason });
  };
  say('base', 'most copies are of different plugins');
  if (
    a.copy.format === b.copy.format &&
    a.copy.identity !== null &&
    a.copy.identity === b.copy.identity
  ) {
    say('sameIdentity', 'they have the same identity');
  }
  if (claims > 0) {
    say(
      'declared',
      claims === 1
        ? 'one declares to stand in for the other'
        : `one declares to stand in for the other, as ${claims} do`,
      2 * Math.log(claims),
    );
  }
  if (hasSameName(a.name, b.name)) {
    say('sameName', 'their names are the same');
    if (a.name.isTelling && b.name.isTelling) {
      say('tellingName', 'a name like that is hardly there twice by chance');
    }
  } else if (isCalledInside(a, b) || isCalledInside(b, a)) {
    say('sameName', 'the file of one is called as the other is inside');
    if (a.name.isTelling || b.name.isTelling) {
      say('tellingName', 'a name like that is hardly there twice by chance');
    }
  } else {
    say('otherName', 'their names differ');
  }
  if (a.vendor !== '' && b.vendor !== '') {
    sayVendors(a.vendor, b.vendor, say);
  } else if (isVendorUnclear) {
    say(
      'severalVendors',
      'several vendors have a plugin of this name, and one copy does not say whose it is',
    );
  }
  const short = a.shorts.find((s) => b.shorts.includes(s));
  if (short !== undefined) {
    say(
      [a.name.key, a.name.bare].includes(short) || !a.name.isTelling ? 'sameShort' : 'ownShort',
      `both are called “${short}” inside`,
    );
  }
  if (isOtherKind(a.copy.kind, b.copy.kind)) {
    say('otherKind', 'one declares an instrument, the other does not');
  }
  if (isOtherWidth(a, b)) {
    say('otherWidth', 'they have different numbers of inputs or outputs');
  }
  return pieces;
}

/** The sum of the weights. Log-odds. */
export const sumOf = (pieces: readonly SamePiece[]): number =>
  pieces.reduce((sum, piece) => sum + piece.weight, 0);

/** Whether the one that only its file names is called as the other calls itself inside. */
const isCalledInside = (nameless: Member, named: Member): boolean =>
  nameless.fileKeys.some((key) => named.shorts.includes(key));

const hasSameName = (a: NameKey, b: NameKey): boolean =>
  a.key === b.key || a.bare === b.bare || a.key === b.bare || a.bare === b.key;

function sayVendors(
  a: string,
  b: string,
  say: (says: 'sameVendor' | 'nearVendor' | 'otherVendor', reason: string) => void,
): void {
  if (a === b) {
    say('sameVendor', 'they have the same vendor');
  } else if (
    Math.min(a.length, b.length) >= 5 &&
    (a.startsWith(b) || b.startsWith(a) || isOneApart(a, b))
  ) {
    say('nearVendor', 'their vendors are spelled alike');
  } else {
    say('otherVendor', 'they have different vendors');
  }
}

const isOtherKind = (a: Kind, b: Kind): boolean =>
  a !== b &&
  a !== 'unknown' &&
  b !== 'unknown' &&
  (a === 'instrument' || b === 'instrument' || a === 'note-effect' || b === 'note-effect');

/** Mono and stereo versions differ by a factor of two, or say so by their names; that is no contradiction. */
function isOtherWidth(a: Member, b: Member): boolean {
  if (a.name.width !== b.name.width) {
    return false;
  }
  const differs = (x: number | null, y: number | null): boolean =>
    x !== null && y !== null && x !== y && !(Math.min(x, y) === 1 && Math.max(x, y) === 2);
  return differs(a.copy.audioIn, b.copy.audioIn) || differs(a.copy.audioOut, b.copy.audioOut);
}
