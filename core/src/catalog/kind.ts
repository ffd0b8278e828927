/** What a plugin is to a host. */
export const kinds = ['effect', 'instrument', 'note-effect', 'tool', 'unknown'] as const;
/** Effect, instrument, note effect or tool; unknown where nothing tells. */
export type Kind = (typeof kinds)[number];

/** Kinds in words: for a sentence about one, for several, and for a head or a choice. */
export const kindWords: Readonly<
  Record<Kind, { readonly one: string; readonly many: string; readonly title: string }>
> = {
  effect: { one: 'an effect', many: 'effects', title: 'Effect' },
  instrument: { one: 'an instrument', many: 'instruments', title: 'Instrument' },
  'note-effect': { one: 'a note effect', many: 'note effects', title: 'Note effect' },
  tool: { one: 'a tool', many: 'tools', title: 'Tool' },
  unknown: { one: 'of no known kind', many: 'plugins of unknown kind', title: 'Not known' },
};

/** What is said where nothing tells the type: what it is nevertheless. */
export function whichIsUnknown(kind: Kind): string {
  if (kind === 'unknown') {
    return 'Nothing points to any type.';
  }
  const { one } = kindWords[kind];
  return `${one.charAt(0).toUpperCase()}${one.slice(1)}; which, is not known.`;
}
