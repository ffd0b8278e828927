/** The log of changes: each with its reverse inside, and whether it is done, undone or discarded. */
import type { EntityManager } from 'typeorm';
import type { Direction, OrderChange } from '@clever-drawer/core/acts';
import { asId } from '@clever-drawer/core/id';
import type { PointReason } from '@clever-drawer/core/keep';
import { pluginsOfChange } from '@clever-drawer/core/order';
import { toJsonb } from './bulk.ts';
import { ChangeTable, type ChangeRow } from './order/index.ts';

/** A change that was worked out and is about to be made, in words too. */
export interface WorkedChange {
  readonly change: OrderChange;
  readonly words: string;
  /** What undo and redo move along the log is no new change of it. */
  readonly isAlongLog?: true;
  /** A point is kept before it, whatever its size. */
  readonly pointBefore?: PointReason;
}

/** A change that was made, with what is kept of it. */
export interface MadeChange extends WorkedChange {
  /** The revision it brought the order to. */
  readonly revision: number;
  readonly at: Date;
}

/** The order has this revision now, its computer another version, and the change stands in the journal of points. */
const countAndJournal = `counted AS (UPDATE computer SET revision = $2, version = version + 1 WHERE id = $1)
  INSERT INTO journal (computer_id, number, at, change)
    SELECT $1, coalesce(max(number), 0) + 1, $3, $4::jsonb FROM journal WHERE computer_id = $1`;

/** It stands as the newest in the log; what was undone can now not be redone, and its plugins stay known. */
const addToLog = `discarded AS (
    UPDATE change SET state = 'discarded' WHERE computer_id = $1 AND state = 'undone'
  ), readStored AS (
    UPDATE plugin SET is_remembered = true WHERE id = ANY($6::uuid[]) AND NOT is_remembered
  ), logged AS (
    INSERT INTO change (computer_id, number, at, words, state, change)
      SELECT $1, coalesce(max(number), 0) + 1, $3, $5, 'done', $4::jsonb FROM change
        WHERE computer_id = $1
  )`;

/** Keeps what a step of the order came to, in one statement. The computer is locked by whoever calls. */
export const saveStep = (
  manager: EntityManager,
  computer: string,
  { change, words, revision, at, isAlongLog }: MadeChange,
): Promise<unknown> => {
  const values = [computer, revision, at, toJsonb(change)];
  return isAlongLog
    ? manager.query(`WITH ${countAndJournal}`, values)
    : manager.query(`WITH ${addToLog}, ${countAndJournal}`, [
        ...values,
        words,
        pluginsOfChange(change),
      ]);
};

/** Puts in what a change came to when it was undone or redone, so that the way back fits. */
export const rewriteChange = (
  manager: EntityManager,
  { computerId, number }: ChangeRow,
  change: OrderChange,
): Promise<unknown> =>
  manager.query('UPDATE change SET change = $3::jsonb WHERE computer_id = $1 AND number = $2', [
    computerId,
    number,
    toJsonb(change),
  ]);

/** The change that undo (the newest done) or redo (the oldest undone) would touch. */
export const changeToStep = (
  manager: EntityManager,
  computer: string,
  direction: Direction,
): Promise<ChangeRow | null> =>
  manager.getRepository(ChangeTable).findOne({
    where: { computerId: computer, state: direction === 'undo' ? 'done' : 'undone' },
    order: { number: direction === 'undo' ? 'DESC' : 'ASC' },
  });

/** The changes that redo can do again. */
export const undoneChanges = async (
  manager: EntityManager,
  computer: string,
): Promise<OrderChange[]> => {
  const rows: { change: OrderChange }[] = await manager.query(
    `SELECT change FROM change WHERE computer_id = $1 AND state = 'undone'`,
    [computer],
  );
  return rows.map((row) => row.change);
};

/** Marks a change as done or undone. */
export const markChange = (
  manager: EntityManager,
  row: ChangeRow,
  state: 'done' | 'undone',
): Promise<unknown> =>
  manager
    .getRepository(ChangeTable)
    .update({ computerId: row.computerId, number: row.number }, { state });

/** What undo and redo would do, in words; null where there is nothing. */
export interface UndoWords {
  readonly undo: string | null;
  readonly redo: string | null;
}

/** What undo and redo would do now. */
export async function undoWords(manager: EntityManager, computer: string): Promise<UndoWords> {
  const rows: UndoWords[] = await manager.query(
    `SELECT
      (SELECT words FROM change WHERE computer_id = $1 AND state = 'done'
        ORDER BY number DESC LIMIT 1) undo,
      (SELECT words FROM change WHERE computer_id = $1 AND state = 'undone'
        ORDER BY number LIMIT 1) redo`,
    [computer],
  );
  return rows[0] ?? { undo: null, redo: null };
}

/** Names of plugins by id, for those of the given ids that exist on the computer. */
export async function pluginNames(
  manager: EntityManager,
  computer: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  const rows: { id: string; name: string }[] = await manager.query(
    `SELECT p.id, coalesce(n.nickname, p.name) name FROM plugin p
      LEFT JOIN plugin_names n ON n.plugin_id = p.id WHERE p.computer_id = $1 AND p.id = ANY($2::uuid[])`,
    [computer, ids],
  );
  return new Map(rows.map((row) => [asId(row.id), row.name]));
}

/** The latest changes, newest first. */
export const listChanges = (
  manager: EntityManager,
  computer: string,
  limit: number,
): Promise<Pick<ChangeRow, 'number' | 'at' | 'words' | 'state'>[]> =>
  manager.query(
    'SELECT number, at, words, state FROM change WHERE computer_id = $1 ORDER BY number DESC LIMIT $2',
    [computer, limit],
  );
