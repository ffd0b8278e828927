/** A plugin prepared for finding: the texts it is found by, taken apart once. */
import type { Plugin } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import { memoizeIn } from '../memoize.ts';
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

/** A plugin that can be found. */
export interface Entry {
  readonly plugin: Plugin;
  /** Gives its names as they are written, those that were given to it before its own. */
  readonly eachName: (act: (what: What, shown: string) => void) => void;
  /** Gives its vendor, its types and its tags, of which `textsShared` makes texts. */
  readonly eachShared: (act: (what: What, value: string) => void) => void;
  /** All of these, prepared for finding, but for what has neither letters nor figures. */
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
export function textsShared(what: What, value: string): readonly FoundText[] {
  const known = sharedTexts.get(what) ?? new Map<string, readonly FoundText[]>();
  sharedTexts.set(what, known);
  return memoizeIn(known, mostShared, value, () =>
    (what === 'type' ? writtenOfType(value) : [value])
      .map((shown) => textOf(what, shown))
      .filter(({ joined }) => joined !== ''),
  );
}

/** Takes its texts apart when they are first asked for: most are never looked at before letters are typed. */
class PluginEntry implements Entry {
  readonly plugin: Plugin;
  readonly #given: GivenNames;
  #texts: readonly FoundText[] | null = null;

  constructor(plugin: Plugin, given: GivenNames) {
    this.plugin = plugin;
    this.#given = given;
  }

  get texts(): readonly FoundText[] {
    this.#texts ??= this.#takenApart();
    return this.#texts;
  }

  eachName(act: (what: What, shown: string) => void): void {
    const { nickname, slotLabel } = this.#given;
    if (nickname !== null) {
      act('nickname', nickname);
    }
    if (slotLabel !== null) {
      act('slot label', slotLabel);
    }
    act('name', this.plugin.name);
  }

  eachShared(act: (what: What, value: string) => void): void {
    const { setting, vendor, types } = this.plugin;
    const give = (what: What, value: string | null): void => {
      if (value !== null) {
        act(what, value);
      }
    };
    if (setting) {
      // A setting is of its plugin as that is of its vendor.
      for (const owner of setting.pluginNames) {
        give('vendor', owner);
      }
      give('tag', setting.bank);
    } else {
      give('vendor', vendor);
      for (const type of types) {
        give('type', type);
      }
    }
    for (const tag of this.#given.tags) {
      give('tag', tag);
    }
  }

  #takenApart(): FoundText[] {
    const all: FoundText[] = [];
    this.eachName((what, shown) => {
      const text = textOf(what, shown);
      if (text.joined !== '') {
        all.push(text);
      }
    });
    this.eachShared((what, value) => {
      all.push(...textsShared(what, value));
    });
    return all;
  }
}

/** Prepares a plugin for finding. */
export const entryOf = (plugin: Plugin, given: GivenNames = noGivenNames): Entry =>
  new PluginEntry(plugin, given);
