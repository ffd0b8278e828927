/** Computers, and the lock under which their order is changed. */
import { randomUUID } from 'node:crypto';
import { IsNull, Not, type EntityManager } from 'typeorm';
import type { TwinDoubt } from '@clever-drawer/core/identify';
import { insertMany, toJsonb } from './bulk.ts';
import { noteChange } from './versions.ts';
import { ComputerTable, type ComputerRow, type WholeComputerRow } from './catalog-tables.ts';

/** All computers but removed ones, in the order in which they were added. */
export const listComputers = (manager: EntityManager): Promise<ComputerRow[]> =>
  manager
    .getRepository(ComputerTable)
    .find({ where: { removedAt: IsNull() }, order: { createdAt: 'ASC', id: 'ASC' } });

/** Computers that were removed, the latest first. */
export const listRemoved = (manager: EntityManager): Promise<ComputerRow[]> =>
  manager
    .getRepository(ComputerTable)
    .find({ where: { removedAt: Not(IsNull()) }, order: { removedAt: 'DESC', id: 'ASC' } });

/** The computer of that id, unless it was removed. */
export const findComputer = (manager: EntityManager, id: string): Promise<ComputerRow | null> =>
  manager.getRepository(ComputerTable).findOneBy({ id, removedAt: IsNull() });

/** The computer of that name, small and capital letters alike; of several the first. */
export const findComputerByName = (
  manager: EntityManager,
  name: string,
): Promise<ComputerRow | null> =>
  manager
    .getRepository(ComputerTable)
    .createQueryBuilder('computer')
    .where('lower(computer.name) = lower(:name) AND computer.removed_at IS NULL', { name })
    .orderBy('computer.createdAt')
    .addOrderBy('computer.id')
    .getOne();

/** Keeps what a computer is called. */
export const saveComputerName = (
  manager: EntityManager,
  id: string,
  name: string,
): Promise<unknown> => manager.getRepository(ComputerTable).update({ id }, { name });

/** Takes a computer out of sight with all that is known of it, or back (null). */
export const saveRemoved = (
  manager: EntityManager,
  id: string,
  removedAt: Date | null,
): Promise<unknown> => manager.getRepository(ComputerTable).update({ id }, { removedAt });

/** The computer's row, locked until the transaction ends: whoever changes its order waits here. */
export const lockComputer = (manager: EntityManager, id: string): Promise<ComputerRow | null> =>
  manager
    .getRepository(ComputerTable)
    .findOne({ where: { id }, lock: { mode: 'pessimistic_write' } });

/** Locks a computer for who works on its order; gives the revision, or null where there is none. */
export async function lockOrder(manager: EntityManager, id: string): Promise<number | null> {
  const rows: { revision: number }[] = await manager.query(
    'SELECT revision FROM computer WHERE id = $1 FOR UPDATE',
    [id],
  );
  return rows[0]?.revision ?? null;
}

/** Adds a computer. */
export async function addComputer(
  manager: EntityManager,
  name: string,
  createdAt: Date,
  isElsewhere = false,
): Promise<ComputerRow> {
  const row: WholeComputerRow = {
    id: randomUUID(),
    name,
    revision: 0,
    createdAt,
    doubts: [],
    version: 0,
    isLearning: true,
    opening: 'ask',
    isElsewhere,
    removedAt: null,
    kept: {},
    shelf: null,
    putOff: {},
  };
  await insertMany(manager, ComputerTable, [row]);
  return row;
}

/** When copies of this computer are opened. */
export const saveOpening = (
  manager: EntityManager,
  computer: string,
  opening: ComputerRow['opening'],
): Promise<unknown> => manager.getRepository(ComputerTable).update({ id: computer }, { opening });

/** Which plugins may be one, as the last sorting found; no computer row brings these along. */
export async function readDoubts(
  manager: EntityManager,
  computer: string,
): Promise<readonly TwinDoubt[]> {
  const rows: { doubts: readonly TwinDoubt[] }[] = await manager.query(
    'SELECT doubts FROM computer WHERE id = $1',
    [computer],
  );
  return rows[0]?.doubts ?? [];
}

/** Keeps which plugins may be one, as the last sorting found. */
export async function saveDoubts(
  manager: EntityManager,
  computer: string,
  doubts: readonly TwinDoubt[],
): Promise<void> {
  await noteChange(manager, computer, 'sort');
  await manager.query('UPDATE computer SET doubts = $2::jsonb WHERE id = $1', [
    computer,
    toJsonb(doubts),
  ]);
}

/** Keeps what documents said that is not ours. */
export const saveForeignFields = (
  manager: EntityManager,
  computer: string,
  kept: ComputerRow['kept'],
): Promise<unknown> =>
  manager.query('UPDATE computer SET kept = $2::jsonb WHERE id = $1', [computer, toJsonb(kept)]);

/** Keeps what was put off. */
export const savePutOff = (
  manager: EntityManager,
  computer: string,
  putOff: ComputerRow['putOff'],
): Promise<unknown> =>
  manager.query('UPDATE computer SET put_off = $2::jsonb WHERE id = $1', [
    computer,
    toJsonb(putOff),
  ]);

/** Keeps which cabinet is written out as directories, and where. */
export const saveShelf = (
  manager: EntityManager,
  computer: string,
  shelf: ComputerRow['shelf'],
): Promise<unknown> =>
  manager.query('UPDATE computer SET shelf = $2::jsonb WHERE id = $1', [
    computer,
    shelf === null ? null : toJsonb(shelf),
  ]);
