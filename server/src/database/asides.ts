/** Copies that are set aside: which there are, and what they are. */
import type { EntityManager } from 'typeorm';
import { CopyTable, type CopyRow } from './catalog-tables.ts';

/** The copies of a computer that are set aside, by path. */
export const listAsides = (manager: EntityManager, computer: string): Promise<CopyRow[]> =>
  manager
    .getRepository(CopyTable)
    .createQueryBuilder('copy')
    .where('copy.computer_id = :computer', { computer })
    .andWhere('EXISTS (SELECT FROM set_aside WHERE set_aside.copy_id = copy.id)')
    .orderBy({ 'copy.path': 'ASC', 'copy.id': 'ASC' })
    .getMany();

/** Ids and keys of the copies of a computer that are set aside. */
export const readAsides = (
  manager: EntityManager,
  computer: string,
): Promise<Pick<CopyRow, 'id' | 'key'>[]> =>
  manager.query(
    `SELECT copy.id, copy.key FROM set_aside JOIN copy ON copy.id = set_aside.copy_id
      WHERE copy.computer_id = $1`,
    [computer],
  );

/** Of these copies those that a computer has. */
export async function existingCopies(
  manager: EntityManager,
  computer: string,
  ids: readonly string[],
): Promise<Set<string>> {
  const rows: { id: string }[] =
    ids.length === 0
      ? []
      : await manager.query('SELECT id FROM copy WHERE computer_id = $1 AND id = ANY($2::uuid[])', [
          computer,
          ids,
        ]);
  return new Set(rows.map(({ id }) => id));
}
