/** A plugin prepared for finding: the texts it is found by, taken apart once. */
import type { Plugin } from '../catalog/plugin.ts';
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

/** A plugin that can be found. */
export interface Entry {
  readonly plugin: Plugin;
  /** What it is found by, as it is written. */
  readonly shown: readonly string[];
  /** The same, prepared for finding, but for what has neither letters nor figures. */
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

const typeTexts = new Map<string, FoundText>();
/** Types come again and again. */
function textOfType(shown: string): FoundText {
  const known = typeTexts.get(shown) ?? textOf('type', shown);
  typeTexts.set(shown, known);
  return known;
}

const typesWritten = new Map<string, readonly string[]>();
/** A type by its name, its group's name and its other words. */
function writtenOfType(type: string): readonly string[] {
  const known = typesWritten.get(type) ?? [
    ...new Set([typeName(type), typeName(groupOf(type)), ...synonymsOf(type)]),
  ];
  typesWritten.set(type, known);
  return known;
}

/** Gives all that a plugin is found by, what is said of it before what it says itself. */
function eachWritten(
  plugin: Plugin,
  { nickname, slotLabel, tags }: GivenNames,
  act: (what: What, shown: string) => void,
): void {
  const { name, setting, vendor, types } = plugin;
  const give = (what: What, shown: string | null): void => {
    if (shown !== null) {
      act(what, shown);
    }
  };
  give('nickname', nickname);
  give('slot label', slotLabel);
  act('name', name);
  if (setting) {
    // A setting is of its plugin as that is of its vendor.
    for (const owner of setting.pluginNames) {
      act('vendor', owner);
    }
    give('tag', setting.bank);
  } else {
    give('vendor', vendor);
    for (const type of types) {
      for (const shown of writtenOfType(type)) {
        act('type', shown);
      }
    }
  }
  for (const tag of tags) {
    act('tag', tag);
  }
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

  get shown(): readonly string[] {
    const all: string[] = [];
    eachWritten(this.plugin, this.#given, (_, shown) => {
      all.push(shown);
    });
    return all;
  }

  get texts(): readonly FoundText[] {
    this.#texts ??= this.#takenApart();
    return this.#texts;
  }

  #takenApart(): FoundText[] {
    const all: FoundText[] = [];
    eachWritten(this.plugin, this.#given, (what, shown) => {
      const text = what === 'type' ? textOfType(shown) : textOf(what, shown);
      if (text.joined !== '') {
        all.push(text);
      }
    });
    return all;
  }
}

/** Prepares a plugin for finding. */
export const entryOf = (plugin: Plugin, given: GivenNames = noGivenNames): Entry =>
  new PluginEntry(plugin, given);
