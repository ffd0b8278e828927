/** Places. */
import type { EntityManager } from 'typeorm';
import { isCatalogued, lacksProgram } from './catalog.ts';
import { noteChange } from './versions.ts';
import { PlaceTable, type PlaceRow } from './scan-tables.ts';

/** The places of a computer, in the order in which they were added. */
export const listPlaces = (manager: EntityManager, computer: string): Promise<PlaceRow[]> =>
  manager
    .getRepository(PlaceTable)
    .find({ where: { computerId: computer }, order: { addedAt: 'ASC', path: 'ASC' } });

/** Adds a place. */
export const addPlaceRow = (manager: EntityManager, row: PlaceRow): Promise<unknown> =>
  manager.getRepository(PlaceTable).insert(row);

/** Forgets a place; its copies count as gone from now on. False when there was none. */
export async function removePlaceRow(
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<boolean> {
  const place = await manager.getRepository(PlaceTable).findOneBy({ id, computerId: computer });
  if (!place) {
    return false;
  }
  await noteChange(manager, computer, 'catalog');
  await manager.query(`UPDATE copy SET state = 'gone' WHERE place_id = $1`, [id]);
  await manager.query('DELETE FROM bundle WHERE place_id = $1', [id]);
  await manager.getRepository(PlaceTable).delete({ id });
  return true;
}

/**
 * Switches a place on or off, or has it watched. Off, its copies are away; on, they are back until
 * a scan says otherwise.
 */
export async function changePlaceRow(
  manager: EntityManager,
  computer: string,
  id: string,
  change: Partial<Pick<PlaceRow, 'isOn' | 'isWatched'>>,
): Promise<boolean> {
  const { affected } = await manager
    .getRepository(PlaceTable)
    .update({ id, computerId: computer }, change);
  if (change.isOn !== undefined) {
    await noteChange(manager, computer, 'catalog');
    await manager.query(`UPDATE copy SET state = $2 WHERE place_id = $1 AND state = $3`, [
      id,
      change.isOn ? 'present' : 'away',
      change.isOn ? 'away' : 'present',
    ]);
  }
  return (affected ?? 0) > 0;
}

/** Saved settings by place id. */
export async function countSettingsByPlace(
  manager: EntityManager,
  computer: string,
): Promise<Map<string, number>> {
  const rows: { placeId: string; settings: number }[] = await manager.query(
    `SELECT place_id "placeId", sum(jsonb_array_length(settings))::int settings
       FROM setting_file WHERE computer_id = $1 GROUP BY place_id`,
    [computer],
  );
  return new Map(rows.map(({ placeId, settings }) => [placeId, settings]));
}

/** How many copies of a place are there, of some kinds. */
export interface PlaceCounts {
  readonly copies: number;
  readonly failed: number;
  readonly withoutProgram: number;
  readonly opened: number;
}

/** How many copies of each place are there, by its id. */
export async function countByPlace(
  manager: EntityManager,
  computer: string,
): Promise<Map<string, PlaceCounts>> {
  const rows: ({ placeId: string } & PlaceCounts)[] = await manager.query(
    `SELECT place_id "placeId", count(*)::int copies,
      (count(*) FILTER (WHERE status = 'failed' AND state = 'present'))::int failed,
      (count(*) FILTER (WHERE status = 'ok' AND state = 'present' AND ${lacksProgram}))::int
        "withoutProgram",
      (count(*) FILTER (WHERE facts->>'examined' = 'opened'))::int opened
       FROM copy WHERE computer_id = $1 AND state IN ('present', 'away') AND ${isCatalogued} AND place_id IS NOT NULL
         GROUP BY place_id`,
    [computer],
  );
  return new Map(rows.map(({ placeId, ...counts }) => [placeId, counts]));
}

/** The paths of all places that are looked through on this computer. */
export const allPlaces = async (manager: EntityManager): Promise<string[]> => {
  const rows = await manager.query<{ path: string }[]>(
    'SELECT path FROM place JOIN computer ON computer.id = place.computer_id WHERE NOT computer.is_elsewhere',
  );
  return rows.map(({ path }) => path);
};
