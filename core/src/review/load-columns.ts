/** Loads on their way from the server: column by column, each plugin and text once. */
import { trackKinds } from '../loading/loadability.ts';
import type { PastUse } from './studied.ts';

/** Columns of loads; all of the same length. `-1` stands for what is not known. */
export interface LoadColumns {
  /** Ids, and letters that were typed: what the columns count into. */
  readonly texts: readonly string[];
  readonly plugin: readonly number[];
  readonly after: readonly number[];
  readonly typed: readonly number[];
  readonly folder: readonly number[];
  /** Into `trackKinds`. */
  readonly track: readonly number[];
  /** Milliseconds since 1970. */
  readonly at: readonly number[];
  readonly keys: readonly number[];
  /** Milliseconds. */
  readonly took: readonly number[];
}

/** Loads as columns. */
export function columnsOf(uses: readonly PastUse[]): LoadColumns {
  const places = new Map<string, number>();
  const placeOf = (text: string | null): number => {
    if (text === null) {
      return -1;
    }
    const known = places.get(text) ?? places.size;
    places.set(text, known);
    return known;
  };
  const columns = {
    plugin: uses.map(({ plugin }) => placeOf(plugin)),
    after: uses.map(({ after }) => placeOf(after)),
    typed: uses.map(({ typed }) => placeOf(typed)),
    folder: uses.map(({ folder }) => placeOf(folder)),
    track: uses.map(({ track }) => trackKinds.indexOf(track)),
    at: uses.map(({ at }) => at),
    keys: uses.map(({ keys }) => keys ?? -1),
    took: uses.map(({ took }) => took ?? -1),
  };
  return { texts: [...places.keys()], ...columns };
}

/** The loads that columns stand for. */
export function usesIn({
  texts,
  plugin,
  after,
  typed,
  folder,
  track,
  at,
  keys,
  took,
}: LoadColumns): PastUse[] {
  const textAt = (place: number | undefined): string | null => texts[place ?? -1] ?? null;
  const known = (value: number | undefined): number | null =>
    value === undefined || value < 0 ? null : value;
  return plugin.map((place, row) => ({
    plugin: texts[place] ?? '',
    after: textAt(after[row]),
    typed: textAt(typed[row]),
    folder: textAt(folder[row]),
    track: trackKinds[track[row] ?? 0] ?? 'track',
    at: at[row] ?? 0,
    keys: known(keys[row]),
    took: known(took[row]),
  }));
}
