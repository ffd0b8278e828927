/** Pictures of the user's own. */
import type { EntityManager } from 'typeorm';
import { PictureTable, type PictureRow } from './schemas.ts';

export const addPicture = (manager: EntityManager, row: PictureRow): Promise<unknown> =>
  manager.getRepository(PictureTable).insert(row);

export const findOwnPicture = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<PictureRow | null> =>
  manager.getRepository(PictureTable).findOneBy({ id, computerId: computer });
