/** Walking the places of a computer for what may hold plugins or settings. */
import { access, constants } from 'node:fs/promises';
import type { Problem } from '@clever-drawer/core/problem';
import type { PlaceRow } from '../../database/scan-tables.ts';
import type { FoundBundle, ReaderPool } from '../../scanner/index.ts';

/** A bundle, or a file of settings, and the place it was found in. */
export interface Found extends FoundBundle {
  readonly place: PlaceRow;
}

/** What walking all places came to. */
export interface WalkedPlaces {
  readonly found: readonly Found[];
  /** Files of settings; bundles of LV2, which may hold some, are among the others. */
  readonly settings: readonly Found[];
  /** Ids of the places that were walked, and of those that are not there. */
  readonly reached: ReadonlySet<string>;
  readonly lost: ReadonlySet<string>;
  /** Directories that could not be looked into: `at` is the path. */
  readonly problems: readonly Problem[];
}

/** Whether a place is there and may be read. */
export const isReadable = (path: string): Promise<boolean> =>
  access(path, constants.R_OK).then(
    () => true,
    () => false,
  );

/** Walks all of these side by side; what lies in two of them counts for the first. */
export async function walkPlaces(
  readers: Pick<ReaderPool, 'walk'>,
  places: readonly PlaceRow[],
  stop: SharedArrayBuffer,
): Promise<WalkedPlaces> {
  const walks = await Promise.all(
    places.map(async (place) => ({
      place,
      walked: (await isReadable(place.path))
        ? await readers.walk(place.path, place.formats, stop, 'both')
        : null,
    })),
  );
  const reached = walks.flatMap(({ place, walked }) => (walked ? [place.id] : []));
  const lost = walks.flatMap(({ place, walked }) => (walked ? [] : [place.id]));
  const seen = new Set<string>();
  const found: Found[] = [];
  const settings: Found[] = [];
  for (const { place, walked } of walks) {
    for (const bundle of walked?.bundles ?? []) {
      if (!seen.has(bundle.path)) {
        seen.add(bundle.path);
        (bundle.isSettings ? settings : found).push(Object.assign(bundle, { place }));
      }
    }
  }
  return {
    found,
    settings,
    reached: new Set(reached),
    lost: new Set(lost),
    problems: walks.flatMap(({ walked }) => walked?.problems ?? []),
  };
}
