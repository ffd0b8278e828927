/** What a plugin is to a host. */
export const kinds = ['effect', 'instrument', 'note-effect', 'tool', 'unknown'] as const;
export type Kind = (typeof kinds)[number];
