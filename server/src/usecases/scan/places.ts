/** Adding, finding, listing and forgetting places. Nothing in a place is ever written. */
import { randomUUID } from 'node:crypto';
import { access, constants, stat } from 'node:fs/promises';
import { homedir } from 'node:os';
import { parse, resolve } from 'node:path';
import type { PlaceView } from '@clever-drawer/core/api';
import { formats, type Format } from '@clever-drawer/core/formats';
import { asId } from '@clever-drawer/core/id';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import {
  addPlaceRow,
  changePlaceRow,
  countByPlace,
  countSettingsByPlace,
  listPlaces,
  removePlaceRow,
} from '../../database/places.ts';
import type { PlaceRow } from '../../database/scan-tables.ts';
import { isWithin } from '../../files/index.ts';
import type { Parts } from '../../parts.ts';
import { notHere } from '../catalog/elsewhere.ts';
import { usualPlaces, usualSettingPlaces } from '../../scanner/index.ts';
import { isReadable } from './walk-places.ts';

/** A place that the user names is looked through for everything. */
const readFormats: readonly Format[] = formats;

/** The places with what was found in them. */
export async function viewPlaces(parts: Parts, computer: string): Promise<PlaceView[]> {
  const [places, counts, settings] = await Promise.all([
    listPlaces(parts.database.manager, computer),
    countByPlace(parts.database.manager, computer),
    countSettingsByPlace(parts.database.manager, computer),
  ]);
  return Promise.all(
    places.map(async (place) => ({
      id: asId(place.id),
      path: place.path,
      formats: place.formats,
      isOn: place.isOn,
      isWatched: place.isWatched,
      copies: counts.get(place.id)?.copies ?? 0,
      failed: counts.get(place.id)?.failed ?? 0,
      withoutProgram: counts.get(place.id)?.withoutProgram ?? 0,
      opened: counts.get(place.id)?.opened ?? 0,
      settings: settings.get(place.id) ?? 0,
      reachable: await isReadable(place.path),
    })),
  );
}

/** A place as it is typed; for all formats where none are said. */
export interface NewPlace {
  readonly path: string;
  readonly formats?: readonly Format[] | undefined;
}

/**
 * Adds a place for all formats that are read. `text` may be quoted, start with ~ and end with a
 * slash, as pasted paths do.
 */
export async function addPlace(
  parts: Parts,
  computer: string,
  { path: text, formats: wanted }: NewPlace,
): Promise<Result<PlaceView>> {
  const elsewhere = await notHere(parts, computer);
  if (elsewhere) {
    return failed(elsewhere);
  }
  const path = cleanPath(text);
  if (path === null) {
    return failed({
      code: 'field-invalid',
      at: 'path',
      detail: 'Type or paste the full path of a directory, such as /usr/lib/lv2.',
    });
  }
  const checked = await checkDirectory(path);
  if (!checked.ok) {
    return checked;
  }
  return store(parts, computer, path, wanted ?? readFormats);
}

/**
 * Undoes what pasting adds: quotes, spaces, a trailing slash, `~`. Null for anything that is no
 * absolute path.
 */
function cleanPath(text: string): string | null {
  const bare = text
    .trim()
    .replace(/^(["'])(.*)\1$/, '$2')
    .trim()
    .replace(/^file:\/\//, '')
    .replace(/^~(?=$|\/)/, homedir());
  return bare === '' || bare.includes('\0') || resolve(bare) !== bare.replace(/(?<=.)[\\/]+$/, '')
    ? null
    : resolve(bare);
}

async function checkDirectory(path: string): Promise<Result<string>> {
  if (parse(path).root === path) {
    return failed({ code: 'place-whole-disk', at: path });
  }
  try {
    if (!(await stat(path)).isDirectory()) {
      return failed({ code: 'place-is-file', at: path });
    }
    await access(path, constants.R_OK | constants.X_OK);
    return ok(path);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? '';
    return failed(
      code === 'EACCES'
        ? { code: 'place-unreadable', at: path, reason: 'no permission' }
        : { code: 'place-missing', at: path },
    );
  }
}

async function store(
  parts: Parts,
  computer: string,
  path: string,
  placeFormats: readonly Format[],
): Promise<Result<PlaceView>> {
  const manager = parts.database.manager;
  const known = await listPlaces(manager, computer);
  if (known.some((place) => isWithin(path, place.path))) {
    return failed({ code: 'place-known', at: path });
  }
  const below = known.filter((place) => isWithin(place.path, path));
  if (below.length > 0) {
    return failed({ code: 'place-holds', at: path, names: below.map((place) => place.path) });
  }
  const row: PlaceRow = {
    id: randomUUID(),
    computerId: computer,
    path,
    formats: [...placeFormats],
    addedAt: parts.clock(),
    isOn: true,
    isWatched: false,
  };
  await addPlaceRow(manager, row);
  return ok({
    id: asId(row.id),
    path,
    formats: row.formats,
    isOn: true,
    isWatched: false,
    copies: 0,
    failed: 0,
    withoutProgram: 0,
    opened: 0,
    settings: 0,
    reachable: true,
  });
}

/** Adds those of the usual places of this system that exist and are not known yet. */
export async function addUsualPlaces(parts: Parts, computer: string): Promise<Result<PlaceView[]>> {
  const elsewhere = await notHere(parts, computer);
  if (elsewhere) {
    return failed(elsewhere);
  }
  const added: PlaceView[] = [];
  let exists = false;
  // Those for settings come last: where they lie inside of another they are looked through with it.
  for (const usual of [...usualPlaces(parts.machine), ...usualSettingPlaces(parts.machine)]) {
    if (!(await checkDirectory(usual.path)).ok) {
      continue;
    }
    exists = true;
    const place = await store(parts, computer, usual.path, usual.formats);
    if (place.ok) {
      added.push(place.value);
    }
  }
  return exists ? ok(added) : failed({ code: 'no-usual-place', at: 'places' });
}

/** No longer looks through a place. Its copies are out of reach, not gone. */
export async function removePlace(
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<null>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'place' });
  }
  const removed = await parts.database.transaction((manager) =>
    removePlaceRow(manager, computer, id),
  );
  if (!removed) {
    return failed({ code: 'unknown-record', at: 'place', what: 'place' });
  }
  parts.events.tell(computer, { event: 'catalog' });
  return ok(null);
}

/** Switches a place on or off, or has it watched. */
export async function changePlace(
  parts: Parts,
  computer: string,
  id: string,
  change: { isOn?: boolean | undefined; isWatched?: boolean | undefined },
): Promise<Result<PlaceView[]>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'place' });
  }
  const wanted = {
    ...(change.isOn === undefined ? {} : { isOn: change.isOn }),
    ...(change.isWatched === undefined ? {} : { isWatched: change.isWatched }),
  };
  if (Object.keys(wanted).length === 0) {
    return failed({ code: 'field-invalid', at: 'place', detail: 'Say isOn or isWatched.' });
  }
  const found = await parts.database.transaction((manager) =>
    changePlaceRow(manager, computer, id, wanted),
  );
  if (!found) {
    return failed({ code: 'unknown-record', at: 'place', what: 'place' });
  }
  await watchPlaces(parts, computer);
  parts.events.tell(computer, { event: 'catalog' });
  return ok(await viewPlaces(parts, computer));
}

/** Watches what is to be watched: places that are on and can be read. */
export async function watchPlaces(parts: Parts, computer: string): Promise<void> {
  const places = await viewPlaces(parts, computer);
  await parts.watcher.set(
    computer,
    places
      .filter((place) => place.isOn && place.isWatched && place.reachable)
      .map((place) => place.path),
  );
}
