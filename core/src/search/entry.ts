/** A plugin prepared for finding: the texts it is found by, taken apart once. */
import type { Plugin } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import { stemOfPath } from '../formats/found-copy.ts';
import { lazy, memoizeIn } from '../memoize.ts';
import { synonymsOf } from './synonyms.data.ts';

/** What a text is of a plugin. */
export const whats = [
  'name',
  'nickname',
  'slot label',
  'other name',
  'vendor',
  'type',
  'tag',
  'notes',
] as const;
/** One of the texts of a plugin. */
export type What = (typeof whats)[number];

/** A text of a plugin, prepared for finding. */
export interface FoundText {
  readonly what: What;
  /** The place of `what` among `whats`. */
  readonly rank: number;
  readonly words: readonly string[];
  readonly joined: string;
  /** The words with a space between each two. */
  readonly spaced: string;
  /** Bit n: a word ends behind the first n letters, as far as 31. */
  readonly ends: number;
  /** First letters of the words; empty where nobody would type them. */
  readonly initials: string;
}

/** A plugin that can be found. */
export interface Entry {
  readonly plugin: Plugin;
  /** What it is found by, names that were given to it before its own; without what has no letter or digit. */
  readonly texts: readonly FoundText[];
}

/** What one says of the plugin, beside its name. */
export interface GivenNames {
  readonly nickname: string | null;
  readonly slotLabel: string | null;
  readonly alsoCalled: readonly string[];
  readonly tags: readonly string[];
  readonly notes: string;
}
/** For a plugin that was given no names. */
export const noGivenNames: GivenNames = {
  nickname: null,
  slotLabel: null,
  alsoCalled: [],
  tags: [],
  notes: '',
};

const textOf = (what: What, shown: string): FoundText => {
  const words = wordsOf(shown);
  let length = 0;
  let ends = 0;
  for (const word of words) {
    length += word.length;
    if (length < 32) {
      ends |= 1 << length;
    }
  }
  return {
    what,
    rank: whats.indexOf(what),
    words,
    joined: words.join(''),
    spaced: words.join(' '),
    ends,
    initials: words.length > 1 && isName(what) ? words.map((word) => word.charAt(0)).join('') : '',
  };
};

/** Names are also found by initials and by parts of several words; vendors, types and tags are not. */
export const isName = (what: What): boolean =>
  what === 'name' || what === 'nickname' || what === 'slot label' || what === 'other name';

/** A type by its name, its group's name and its other words. */
const writtenOfType = (type: string): readonly string[] => [
  ...new Set([typeName(type), typeName(groupOf(type)), ...synonymsOf(type)]),
];

const sharedTexts = new Map<What, Map<string, readonly FoundText[]>>();
const mostShared = 5_000;

/**
 * A vendor, a type or a tag, prepared for finding. These come again and again: the list is the same
 * object each time.
 */
function textsShared(what: What, value: string): readonly FoundText[] {
  const known = sharedTexts.get(what) ?? new Map<string, readonly FoundText[]>();
  sharedTexts.set(what, known);
  return memoizeIn(known, mostShared, value, () =>
    (what === 'type' ? writtenOfType(value) : [value])
      .map((shown) => textOf(what, shown))
      .filter(({ joined }) => joined !== ''),
  );
}

/** Prepares a plugin for finding; its texts are taken apart when letters are first typed. */
export function entryOf(plugin: Plugin, given: Partial<GivenNames> = {}): Entry {
  const texts = lazy(() => textsOf(plugin, { ...noGivenNames, ...given }));
  return {
    plugin,
    get texts() {
      return texts();
    },
  };
}

function textsOf(plugin: Plugin, given: GivenNames): FoundText[] {
  const { nickname, slotLabel, tags, notes } = given;
  const names: readonly (readonly [What, string | null])[] = [
    ['nickname', nickname],
    ['slot label', slotLabel],
    ['name', plugin.name],
    ...otherNamesOf(plugin, given).map((name) => ['other name', name] as const),
  ];
  const called = names.flatMap(([what, shown]) => (shown === null ? [] : [textOf(what, shown)]));
  return [
    ...called.filter(({ joined }) => joined !== ''),
    ...ownersOf(plugin),
    ...tags.flatMap((tag) => textsShared('tag', tag)),
    ...(notes === '' ? [] : [textOf('notes', notes)]).filter(({ joined }) => joined !== ''),
  ];
}

/** Names of the user's, of its copies, of their files, and former ones; none that it has already. */
function otherNamesOf(
  { name, setting, copies, formerNames = [] }: Plugin,
  { nickname, alsoCalled }: GivenNames,
): string[] {
  const known = new Set([name, nickname ?? ''].map(spacedWords));
  const others = [
    ...alsoCalled,
    ...formerNames,
    // Copies of a setting are its plugin's.
    ...(setting ? [] : copies).flatMap((copy) => [copy.name ?? '', stemOfPath(copy.path)]),
  ];
  return others.filter((other) => {
    const spaced = spacedWords(other);
    const isNew = !known.has(spaced);
    known.add(spaced);
    return isNew;
  });
}

const spacedWords = (text: string): string => wordsOf(text).join(' ');

/** Vendor and types; a setting is of its plugin as that is of its vendor. */
function ownersOf({ setting, vendor, types }: Plugin): FoundText[] {
  if (setting) {
    return [
      ...setting.pluginNames.flatMap((owner) => textsShared('vendor', owner)),
      ...(setting.bank === null ? [] : textsShared('tag', setting.bank)),
    ];
  }
  return [
    ...(vendor === null ? [] : textsShared('vendor', vendor)),
    ...types.flatMap((type) => textsShared('type', type)),
  ];
}
