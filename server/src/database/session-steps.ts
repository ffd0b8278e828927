/** The steps of a session: what was done to it in words, and the session on the other side of each. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { HostSession } from '@clever-drawer/core/loading';
import { insertMany } from './bulk.ts';
import { SessionStepTable, type SessionStepRow } from './session-tables.ts';

/** So many steps can be taken back. */
export const keptSteps = 50;

/** Taking back, or doing again. */
export type Direction = 'undo' | 'redo';

/** The step that would be taken back, or done again; null where there is none. */
export const nextStep = (
  manager: EntityManager,
  computer: string,
  direction: Direction,
): Promise<SessionStepRow | null> =>
  manager.getRepository(SessionStepTable).findOne({
    where: { computerId: computer, isUndone: direction === 'redo' },
    order: { number: direction === 'undo' ? 'DESC' : 'ASC' },
  });

/** Adds a step with the session before it; what was taken back before cannot be done again then. */
export async function addStep(
  manager: EntityManager,
  computer: string,
  words: string,
  before: HostSession,
): Promise<void> {
  const steps = manager.getRepository(SessionStepTable);
  await steps.delete({ computerId: computer, isUndone: true });
  const latest = await nextStep(manager, computer, 'undo');
  const number = (latest?.number ?? 0) + 1;
  await insertMany(manager, SessionStepTable, [
    { id: randomUUID(), computerId: computer, number, words, isUndone: false, session: before },
  ]);
  await manager.query('DELETE FROM session_step WHERE computer_id = $1 AND number <= $2', [
    computer,
    number - keptSteps,
  ]);
}

/** Notes that a step was taken back or done again, with the session that stood before that. */
export const turnStep = async (
  manager: EntityManager,
  { id, isUndone }: SessionStepRow,
  session: HostSession,
): Promise<void> => {
  await manager.getRepository(SessionStepTable).save({ id, isUndone: !isUndone, session });
};
