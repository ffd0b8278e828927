/** Pictures of the user's own. */
import type { EntityManager } from 'typeorm';
import { PictureTable, type PictureRow } from './catalog-tables.ts';

/** Adds an own picture. */
export const addPicture = (manager: EntityManager, row: PictureRow): Promise<unknown> =>
  manager.getRepository(PictureTable).insert(row);

/** An own picture of a computer. */
export const findOwnPicture = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<PictureRow | null> =>
  manager.getRepository(PictureTable).findOneBy({ id, computerId: computer });

/** All own pictures of a computer. */
export const ownPictures = (manager: EntityManager, computer: string): Promise<PictureRow[]> =>
  manager.getRepository(PictureTable).findBy({ computerId: computer });

/** Removes pictures older than that to which neither answers nor the log of changes refer. */
export async function forgetUnusedPictures(manager: EntityManager, before: Date): Promise<number> {
  const rows: unknown[] = await manager.query(
    `DELETE FROM picture p WHERE p.at < $1
      AND NOT EXISTS (SELECT FROM answer a WHERE a.picture = p.id)
      AND NOT EXISTS (SELECT FROM change c WHERE c.computer_id = p.computer_id
        AND c.state <> 'discarded' AND c.change::text LIKE '%' || p.id || '%')
      AND NOT EXISTS (SELECT FROM point c WHERE c.computer_id = p.computer_id
        AND c.since::text LIKE '%' || p.id || '%')
      AND NOT EXISTS (SELECT FROM journal c WHERE c.computer_id = p.computer_id
        AND c.change::text LIKE '%' || p.id || '%')
      RETURNING p.id`,
    [before],
  );
  return rows.length;
}
