/** Ids are strings that the compiler keeps apart. */
declare const brand: unique symbol;
export type Id<B extends string> = string & { readonly [brand]: B };

export type ComputerId = Id<'computer'>;
export type PlaceId = Id<'place'>;
export type CopyId = Id<'copy'>;
export type PluginId = Id<'plugin'>;
export type CabinetId = Id<'cabinet'>;
export type FolderId = Id<'folder'>;
export type PlacementId = Id<'placement'>;
export type SpellingId = Id<'spelling'>;
export type ScanId = Id<'scan'>;
export type TrackId = Id<'track'>;
export type SlotId = Id<'slot'>;

/** The one way to make an id out of a plain string (a UUID, as a rule). */
export const asId = <T extends Id<string>>(text: string): T => text as T;
