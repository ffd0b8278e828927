/** Ids are strings that the compiler keeps apart. */
declare const brand: unique symbol;
/** A text that is an id of one kind of record: ids of different kinds cannot be mixed up. */
export type Id<B extends string> = string & { readonly [brand]: B };

/** The id of a computer. */
export type ComputerId = Id<'computer'>;
/** The id of a place. */
export type PlaceId = Id<'place'>;
/** The id of a copy. */
export type CopyId = Id<'copy'>;
/** The id of a plugin, and of a chain, which stands in the catalog like one. */
export type PluginId = Id<'plugin'>;
/** The id of a cabinet. */
export type CabinetId = Id<'cabinet'>;
/** The id of a folder. */
export type FolderId = Id<'folder'>;
/** The id of a placement. */
export type PlacementId = Id<'placement'>;
/** The id of a vendor's spelling. */
export type SpellingId = Id<'spelling'>;
/** The id of a scan. */
export type ScanId = Id<'scan'>;
/** The id of a track. */
export type TrackId = Id<'track'>;
/** The id of a slot. */
export type SlotId = Id<'slot'>;

/** The one way to make an id out of a plain string (a UUID, as a rule). */
export const asId = <T extends Id<string>>(text: string): T => text as T;
