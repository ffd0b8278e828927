/** Adding, finding, listing and forgetting places. Nothing in a place is ever written. */
import { randomUUID } from 'node:crypto';
import { access, constants, stat } from 'node:fs/promises';
import { homedir } from 'node:os';
import { parse, resolve, sep } from 'node:path';
import { asId, failed, formats, ok, type Format, type PlaceView, type Result } from '@clever-drawer/core';
import { addPlaceRow, countByPlace, listPlaces, removePlaceRow } from '../database/places.ts';
import type { PlaceRow } from '../database/schemas.ts';
import type { Parts } from '../parts.ts';
import { usualPlaces } from '../scanner/index.ts';

/** A place that the user names is looked through for everything. */
const readFormats: readonly Format[] = formats;

export async function viewPlaces(parts: Parts, computer: string): Promise<PlaceView[]> {
  const [places, counts] = await Promise.all([listPlaces(parts.database.manager, computer), countByPlace(parts.database.manager, computer)]);
  return Promise.all(places.map(async (place) => ({
    id: asId(place.id), path: place.path, formats: place.formats,
    copies: counts.get(place.id)?.copies ?? 0, failed: counts.get(place.id)?.failed ?? 0,
    reachable: await access(place.path, constants.R_OK).then(() => true, () => false),
  })));
}

/** Adds a place for all formats that are read. `text` may be quoted, start with ~ and end with a slash, as pasted paths do. */
export async function addPlace(parts: Parts, computer: string, text: string): Promise<Result<PlaceView>> {
  const path = cleanPath(text);
  if (path === null) return failed({ code: 'field-invalid', at: 'path', detail: 'Type or paste the full path of a directory, such as /usr/lib/lv2.' });
  const checked = await checkDirectory(path);
  if (!checked.ok) return checked;
  return store(parts, computer, path, readFormats);
}

/** Undoes what pasting adds: quotes, spaces, a trailing slash, `~`. Null for anything that is no absolute path. */
function cleanPath(text: string): string | null {
  const bare = text.trim().replace(/^(["'])(.*)\1$/, '$2').trim().replace(/^file:\/\//, '').replace(/^~(?=$|\/)/, homedir());
  return bare === '' || bare.includes('\0') || resolve(bare) !== bare.replace(/(?<=.)[\\/]+$/, '') ? null : resolve(bare);
}

async function checkDirectory(path: string): Promise<Result<string>> {
  if (parse(path).root === path) return failed({ code: 'place-whole-disk', at: path });
  try {
    if (!(await stat(path)).isDirectory()) return failed({ code: 'place-is-file', at: path });
    await access(path, constants.R_OK | constants.X_OK);
    return ok(path);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? '';
    return failed(code === 'EACCES' ? { code: 'place-unreadable', at: path, reason: 'no permission' } : { code: 'place-missing', at: path });
  }
}

async function store(parts: Parts, computer: string, path: string, formats: readonly Format[]): Promise<Result<PlaceView>> {
  const manager = parts.database.manager;
  const known = await listPlaces(manager, computer);
  if (known.some((place) => isWithin(path, place))) return failed({ code: 'place-known', at: path });
  const row: PlaceRow = { id: randomUUID(), computerId: computer, path, formats: [...formats], addedAt: parts.clock() };
  await addPlaceRow(manager, row);
  return ok({ id: asId(row.id), path, formats: row.formats, copies: 0, failed: 0, reachable: true });
}

const isWithin = (path: string, place: PlaceRow): boolean => path === place.path || path.startsWith(place.path.endsWith(sep) ? place.path : place.path + sep);

/** Adds those of the usual places of this system that exist and are not known yet. */
export async function addUsualPlaces(parts: Parts, computer: string): Promise<Result<PlaceView[]>> {
  const added: PlaceView[] = [];
  let exists = false;
  for (const { path, formats } of usualPlaces(parts.machine)) {
    if (!(await checkDirectory(path)).ok) continue;
    exists = true;
    const place = await store(parts, computer, path, formats);
    if (place.ok) added.push(place.value);
  }
  return exists ? ok(added) : failed({ code: 'no-usual-place', at: 'places' });
}

export async function removePlace(parts: Parts, computer: string, id: string): Promise<Result<null>> {
  if (parts.scans.of(computer)) return failed({ code: 'scan-running', at: 'place' });
  const removed = await parts.database.transaction((manager) => removePlaceRow(manager, computer, id));
  if (!removed) return failed({ code: 'unknown-record', at: 'place', what: 'place' });
  parts.events.tell(computer, { event: 'catalog' });
  return ok(null);
}
