/** Loads on their way to the thread that works reviews out: a list for each, as PostgreSQL writes it. */
import type { PastUse } from '@clever-drawer/core';

/** One load. */
export type ToldLoad = readonly [
  plugin: PastUse['plugin'],
  at: PastUse['at'],
  track: PastUse['track'],
  after: PastUse['after'],
  typed: PastUse['typed'],
  keys: PastUse['keys'],
  took: PastUse['took'],
  folder: PastUse['folder'],
];

/** The loads that the rows stand for. */
export const usesIn = (rows: readonly ToldLoad[]): PastUse[] =>
  rows.map(([plugin, at, track, after, typed, keys, took, folder]) => ({
    plugin,
    at,
    track,
    after,
    typed,
    keys,
    took,
    folder,
  }));
