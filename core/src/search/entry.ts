/** A plugin prepared for finding: the texts it is found by, taken apart once. */
import type { Plugin, SettingFacts } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import { synonymsOf } from './synonyms.data.ts';

/** What a text is of a plugin. */
export const whats = ['name', 'nickname', 'slot label', 'vendor', 'type', 'tag'] as const;
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

/** A plugin prepared for finding. */
export interface Entry {
  readonly plugin: Plugin;
  readonly texts: readonly FoundText[];
}

/** What one says of the plugin, beside its name. */
export interface GivenNames {
  readonly nickname: string | null;
  readonly slotLabel: string | null;
  readonly tags: readonly string[];
}
/** For a plugin that was given no names. */
export const noGivenNames: GivenNames = { nickname: null, slotLabel: null, tags: [] };

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
  what === 'name' || what === 'nickname' || what === 'slot label';

const typeTexts = new Map<string, readonly FoundText[]>();
/** Types come again and again. */
function textsOfType(type: string): readonly FoundText[] {
  const known =
    typeTexts.get(type) ??
    [...new Set([typeName(type), typeName(groupOf(type)), ...synonymsOf(type)])].map((shown) =>
      textOf('type', shown),
    );
  typeTexts.set(type, known);
  return known;
}

const textsOfMake = ({ vendor, types }: Plugin): FoundText[] => [
  ...(vendor === null ? [] : [textOf('vendor', vendor)]),
  ...types.flatMap(textsOfType),
];

/** A setting is of its plugin as that is of its vendor. */
const textsOfSetting = ({ pluginNames, bank }: SettingFacts): FoundText[] => [
  ...pluginNames.map((name) => textOf('vendor', name)),
  ...(bank === null ? [] : [textOf('tag', bank)]),
];

/** Prepares a plugin for finding. */
export function entryOf(
  plugin: Plugin,
  { nickname, slotLabel, tags }: GivenNames = noGivenNames,
): Entry {
  const texts = [
    ...(nickname === null ? [] : [textOf('nickname', nickname)]),
    ...(slotLabel === null ? [] : [textOf('slot label', slotLabel)]),
    textOf('name', plugin.name),
    ...(plugin.setting ? textsOfSetting(plugin.setting) : textsOfMake(plugin)),
    ...tags.map((tag) => textOf('tag', tag)),
  ];
  return { plugin, texts: texts.filter((text) => text.joined !== '') };
}
