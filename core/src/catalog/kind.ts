/** What a plugin is to a host. */
export const kinds = ['effect', 'instrument', 'note-effect', 'tool', 'unknown'] as const;
/** Effect, instrument, note effect or tool; unknown where nothing tells. */
export type Kind = (typeof kinds)[number];
