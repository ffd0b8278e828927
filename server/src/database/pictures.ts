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
