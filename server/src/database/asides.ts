/** What was set aside: files that are not examined and not catalogued until they are taken back. */
import type { EntityManager } from 'typeorm';
import { noteCopies } from './catalog.ts';
import { AsideTable, type AsideRow } from './scan-tables.ts';

/** What was set aside, by name. */
export const listAsides = (manager: EntityManager, computer: string): Promise<AsideRow[]> =>
  manager
    .getRepository(AsideTable)
    .find({ where: { computerId: computer }, order: { path: 'ASC' } });

/** Sets a file aside; its copies leave the catalog but are remembered. */
export async function addAside(manager: EntityManager, row: AsideRow): Promise<void> {
  await noteCopies(manager, row.computerId, 'path = $2', row.path);
  await manager.getRepository(AsideTable).upsert(row, ['computerId', 'path']);
  await manager.query(`UPDATE copy SET state = 'aside' WHERE computer_id = $1 AND path = $2`, [
    row.computerId,
    row.path,
  ]);
}

/** Takes a file back: the next scan examines it as if it had been away. False when it was not set aside. */
export async function removeAside(
  manager: EntityManager,
  computer: string,
  path: string,
): Promise<boolean> {
  await noteCopies(manager, computer, 'path = $2', path);
  const { affected } = await manager
    .getRepository(AsideTable)
    .delete({ computerId: computer, path });
  await manager.query(
    `UPDATE copy SET state = 'gone' WHERE computer_id = $1 AND path = $2 AND state = 'aside'`,
    [computer, path],
  );
  await manager.query('DELETE FROM bundle WHERE computer_id = $1 AND path = $2', [computer, path]);
  return (affected ?? 0) > 0;
}
