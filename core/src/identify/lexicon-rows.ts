/**
 * A row of the lexicon: a type or group, then words and phrases that say it clearly, that hint at it,
 * and that barely do, each list parted by commas. Phrases match however they are written: "ring mod"
 * is also "RingMod" and "ringmod". A `~` lets a word count inside a longer one ("GVerb").
 */
export type Row = readonly [type: string, clear: string, hints?: string, faint?: string];
