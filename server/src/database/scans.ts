/** Scans and their findings. */
import type { EntityManager } from 'typeorm';
import { insertMany } from './bulk.ts';
import { FindingTable, ScanTable, type FindingRow, type ScanRow } from './scan-tables.ts';

/** Adds a scan as the computer's latest, and gives it its number. */
export async function addScan(manager: EntityManager, row: ScanRow): Promise<void> {
  const latest = await manager
    .getRepository(ScanTable)
    .maximum('number', { computerId: row.computerId });
  row.number = (latest ?? 0) + 1;
  await manager.getRepository(ScanTable).insert(row);
}

/** Writes what a scan counted. */
export const saveScan = (manager: EntityManager, row: ScanRow): Promise<unknown> =>
  manager.getRepository(ScanTable).update(
    { id: row.id },
    {
      endedAt: row.endedAt,
      state: row.state,
      looked: row.looked,
      counts: row.counts,
      problems: row.problems,
    },
  );

/** The latest scans, newest first. */
export const listScans = (manager: EntityManager, computer: string): Promise<ScanRow[]> =>
  manager
    .getRepository(ScanTable)
    .find({ where: { computerId: computer }, order: { number: 'DESC' }, take: 50 });

/** Adds findings. */
export const addFindings = (manager: EntityManager, rows: readonly FindingRow[]): Promise<void> =>
  insertMany(manager, FindingTable, rows);

/** The findings of one scan, at most `limit` of them, in the order they were made. */
export const listFindings = (
  manager: EntityManager,
  computer: string,
  scan: string,
  limit: number,
): Promise<FindingRow[]> =>
  manager.query(
    `SELECT f.id, f.scan_id "scanId", f.number, f.sort, f.plugin_id "pluginId", f.name, f.vendor,
      f.format, f.path, f."from", f."to", f.problem
       FROM finding f JOIN scan s ON s.id = f.scan_id WHERE s.computer_id = $1 AND s.id = $2
         ORDER BY f.number LIMIT $3`,
    [computer, scan, limit],
  );

/** What scans found of plugins, but the first scan: all that was there then. Oldest first. */
export const readComings = (
  manager: EntityManager,
  computer: string,
): Promise<{ plugin: string; at: Date; what: 'came' | 'went' | 'updated' }[]> =>
  manager.query(
    `SELECT f.plugin_id plugin, s.started_at at, CASE f.sort WHEN 'updated' THEN 'updated'
        WHEN 'gone' THEN 'went' ELSE 'came' END what
      FROM finding f JOIN scan s ON s.id = f.scan_id
      WHERE s.computer_id = $1 AND f.plugin_id IS NOT NULL
        AND f.sort IN ('arrived', 'returned', 'updated', 'gone')
        AND s.number > (SELECT min(number) FROM scan WHERE computer_id = $1)
      ORDER BY s.number, f.number`,
    [computer],
  );

/** Scans that were running when the program ended: they count as interrupted. */
export async function closeInterruptedScans(manager: EntityManager, at: Date): Promise<number> {
  const result = await manager
    .getRepository(ScanTable)
    .update({ state: 'running' }, { state: 'interrupted', endedAt: at });
  return result.affected ?? 0;
}

/** The latest findings about a plugin, newest first, with the time of their scan. */
export const findingsAbout = (
  manager: EntityManager,
  plugin: string,
  limit: number,
): Promise<(FindingRow & { at: Date })[]> =>
  manager.query(
    `SELECT f.id, f.scan_id "scanId", f.number, f.sort, f.plugin_id "pluginId", f.name, f.vendor,
      f.format, f.path, f."from", f."to", f.problem, s.started_at "at" FROM finding f
      JOIN scan s ON s.id = f.scan_id
    WHERE f.plugin_id = $1 ORDER BY s.number DESC, f.number LIMIT $2`,
    [plugin, limit],
  );

/** Whether nothing was ever scanned or filed, on any computer. */
export async function hasNoHistory(manager: EntityManager): Promise<boolean> {
  const [row] = await manager.query<{ is: boolean }[]>(
    'SELECT NOT EXISTS (SELECT FROM scan) AND NOT EXISTS (SELECT FROM change) "is"',
  );
  return row?.is ?? false;
}
