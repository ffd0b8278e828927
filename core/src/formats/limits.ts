/** Limits of the binary readers. */

/** Exported names beyond this many are not read. */
export const exportLimit = 200_000;
