/** Points to return to, and the journal of changes since the newest of them. */
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import { squashAll } from '@clever-drawer/core/keep';
import { toJsonb } from './bulk.ts';
import { PointTable, type PointRow } from './point-tables.ts';

/** The changes since the newest point, oldest first. */
export async function readJournal(
  manager: EntityManager,
  computer: string,
): Promise<OrderChange[]> {
  const rows: { change: OrderChange }[] = await manager.query(
    'SELECT change FROM journal WHERE computer_id = $1 ORDER BY number',
    [computer],
  );
  return rows.map(({ change }) => change);
}

/** When the last change since the newest point was; null where there was none. */
export async function lastInJournal(
  manager: EntityManager,
  computer: string,
): Promise<Date | null> {
  const rows: { at: Date }[] = await manager.query(
    'SELECT at FROM journal WHERE computer_id = $1 ORDER BY number DESC LIMIT 1',
    [computer],
  );
  return rows[0]?.at ?? null;
}

/** How many changes there were since the newest point. */
export async function countJournal(manager: EntityManager, computer: string): Promise<number> {
  const rows: { count: number }[] = await manager.query(
    'SELECT count(*)::int "count" FROM journal WHERE computer_id = $1',
    [computer],
  );
  return rows[0]?.count ?? 0;
}

/** All points but what changed since each, newest first. */
export const listPoints = (
  manager: EntityManager,
  computer: string,
): Promise<Omit<PointRow, 'since' | 'computerId'>[]> =>
  manager.query(
    `SELECT id, number, at, name, reason, before, folders, filed FROM point
      WHERE computer_id = $1 ORDER BY number DESC`,
    [computer],
  );

/** A point of a computer. */
export const findPoint = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<PointRow | null> =>
  manager.getRepository(PointTable).findOneBy({ id, computerId: computer });

/** What changed from a point on up to now, oldest first: from point to point, then the journal. */
export async function changesSince(
  manager: EntityManager,
  computer: string,
  number: number,
): Promise<OrderChange[]> {
  const rows: { since: OrderChange }[] = await manager.query(
    'SELECT since FROM point WHERE computer_id = $1 AND number >= $2 ORDER BY number',
    [computer, number],
  );
  return [...rows.map(({ since }) => since), ...(await readJournal(manager, computer))];
}

/** How much the order of a computer holds. */
async function contentsOf(
  manager: EntityManager,
  computer: string,
): Promise<Pick<PointRow, 'folders' | 'filed'>> {
  const rows: Pick<PointRow, 'folders' | 'filed'>[] = await manager.query(
    `SELECT count(DISTINCT f.id) FILTER (WHERE f.form <> 'divider')::int "folders",
      count(p.id)::int "filed"
      FROM cabinet c JOIN folder f ON f.cabinet_id = c.id LEFT JOIN placement p ON p.folder_id = f.id
      WHERE c.computer_id = $1`,
    [computer],
  );
  return rows[0] ?? { folders: 0, filed: 0 };
}

/**
 * Adds a point that holds the order as it is in the tables. What is in the journal becomes what
 * changed since the point before.
 */
export async function addPoint(
  manager: EntityManager,
  computer: string,
  point: Pick<PointRow, 'id' | 'at' | 'name' | 'reason' | 'before'>,
): Promise<void> {
  const [before] = await listPoints(manager, computer);
  if (before) {
    await saveSince(manager, before.id, squashAll(await readJournal(manager, computer)));
  }
  await manager.query('DELETE FROM journal WHERE computer_id = $1', [computer]);
  await manager.getRepository(PointTable).insert({
    ...point,
    ...(await contentsOf(manager, computer)),
    computerId: computer,
    number: (before?.number ?? 0) + 1,
    since: { added: [], updated: [], removed: [] },
  });
}

const saveSince = (manager: EntityManager, id: string, since: OrderChange): Promise<unknown> =>
  manager.query('UPDATE point SET since = $2::jsonb WHERE id = $1', [id, toJsonb(since)]);

/** Gives a point a name, by which it stays. */
export const namePoint = (manager: EntityManager, id: string, name: string): Promise<unknown> =>
  manager.query(`UPDATE point SET name = $2, reason = 'by-hand' WHERE id = $1`, [id, name]);

/**
 * Removes a point: what changed since then belongs to the point before. The newest one leaves it to
 * the journal.
 */
export async function removePoint(
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<void> {
  const points = await listPoints(manager, computer);
  const at = points.findIndex((point) => point.id === id);
  const gone = await findPoint(manager, computer, id);
  const before = points[at + 1] && (await findPoint(manager, computer, points[at + 1]?.id ?? ''));
  if (!gone) {
    return;
  }
  if (before && at === 0) {
    // What the one before gathered comes in front of the journal.
    await manager.query(
      'INSERT INTO journal (computer_id, number, at, change) SELECT $1, coalesce(min(number), 1) - 1, $2, $3::jsonb FROM journal WHERE computer_id = $1',
      [computer, gone.at, toJsonb(before.since)],
    );
    await saveSince(manager, before.id, squashAll([]));
  } else if (before) {
    await saveSince(manager, before.id, squashAll([before.since, gone.since]));
  }
  await manager.query('DELETE FROM point WHERE id = $1', [id]);
}
