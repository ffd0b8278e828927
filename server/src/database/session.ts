/** The practice session's tracks and slots, and the loads. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { halfLifeDays, type TrackSort, type Usage } from '@clever-drawer/core';
import { insertMany } from './bulk.ts';
import { LoadTable, SlotTable, TrackTable, type LoadRow, type SlotRow, type TrackRow } from './schemas.ts';

export const addTracks = (manager: EntityManager, computer: string, tracks: readonly { name: string; sort: TrackSort }[]): Promise<void> =>
  insertMany(manager, TrackTable, tracks.map((track, number): TrackRow => ({ id: randomUUID(), computerId: computer, number, ...track })));

export const listTracks = (manager: EntityManager, computer: string): Promise<TrackRow[]> =>
  manager.getRepository(TrackTable).find({ where: { computerId: computer }, order: { number: 'ASC' } });

export const findTrack = (manager: EntityManager, computer: string, id: string): Promise<TrackRow | null> =>
  manager.getRepository(TrackTable).findOneBy({ id, computerId: computer });

export const listSlots = (manager: EntityManager, computer: string): Promise<SlotRow[]> =>
  manager.query(`SELECT s.id, s.track_id "trackId", s.number, coalesce(c.plugin_id, s.plugin_id) "pluginId", s.copy_id "copyId" FROM slot s JOIN track t ON t.id = s.track_id LEFT JOIN copy c ON c.id = s.copy_id
                  WHERE t.computer_id = $1 ORDER BY s.number`, [computer]);

export const slotsOfTrack = (manager: EntityManager, track: string): Promise<SlotRow[]> =>
  manager.getRepository(SlotTable).find({ where: { trackId: track }, order: { number: 'ASC' } });

/** Puts a slot's content in place: the row at that number is replaced. */
export async function putSlot(manager: EntityManager, row: SlotRow): Promise<void> {
  await manager.getRepository(SlotTable).delete({ trackId: row.trackId, number: row.number });
  await manager.getRepository(SlotTable).insert(row);
}

/** Empties a slot; those after it on its track move up by one. False when there is no such slot. */
export async function removeSlot(manager: EntityManager, computer: string, id: string): Promise<boolean> {
  const rows: SlotRow[] = (await listSlots(manager, computer)).filter((slot) => slot.id === id);
  const slot = rows[0];
  if (!slot) return false;
  await manager.getRepository(SlotTable).delete({ id });
  await manager.query('UPDATE slot SET number = number - 1 WHERE track_id = $1 AND number > $2', [slot.trackId, slot.number]);
  return true;
}

export const addLoads = (manager: EntityManager, rows: readonly LoadRow[]): Promise<void> => insertMany(manager, LoadTable, rows);

/** Each loaded plugin's loads in short; those of a copy count for the plugin it belongs to now, those of a plugin that was joined for the other. Warmth as core's `warmth` has it. */
export async function readUsage(manager: EntityManager, computer: string, now: Date): Promise<Usage[]> {
  const rows: { plugin: string; loads: number; lastLoaded: Date; warmth: number }[] = await manager.query(
    `WITH joined AS (SELECT DISTINCT ON (before_id) before_id, plugin_id FROM belonging b WHERE plugin_id <> before_id AND NOT EXISTS (SELECT FROM copy c WHERE c.plugin_id = b.before_id) ORDER BY before_id, plugin_id)
     SELECT coalesce(c.plugin_id, joined.plugin_id, load.plugin_id) plugin, count(*)::int loads, max(at) "lastLoaded",
            sum(power(2, - greatest(0, extract(epoch FROM ($2::timestamptz - at)))::float8 / ($3::float8 * 86400))) warmth
       FROM load LEFT JOIN copy c ON c.id = load.copy_id LEFT JOIN joined ON joined.before_id = load.plugin_id WHERE load.computer_id = $1 GROUP BY 1 ORDER BY 1`, [computer, now, halfLifeDays]);
  return rows.map((row) => ({ ...row, lastLoaded: row.lastLoaded.toISOString() }));
}

/** How often a plugin was loaded, by month. */
export const loadsByMonth = (manager: EntityManager, plugin: string): Promise<{ month: string; loads: number }[]> => manager.query(
  `SELECT to_char(load.at AT TIME ZONE 'UTC', 'YYYY-MM') "month", count(*)::int loads FROM load LEFT JOIN copy c ON c.id = load.copy_id
    WHERE coalesce(c.plugin_id, load.plugin_id) = $1 GROUP BY 1 ORDER BY 1`, [plugin]);
