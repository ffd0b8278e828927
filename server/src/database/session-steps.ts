/** The steps of a session: what was done to it in words, and the session on the other side of each. */
import { randomUUID } from 'node:crypto';
import type { EntityManager, FindOneOptions } from 'typeorm';
import type { Direction } from '@clever-drawer/core/acts';
import type { HostSession } from '@clever-drawer/core/loading';
import { insertMany } from './bulk.ts';
import { SessionStepTable, type SessionStepRow } from './session-tables.ts';

/** So many steps can be taken back. */
const mostSteps = 50;

const nextIn = (computer: string, direction: Direction): FindOneOptions<SessionStepRow> => ({
  where: { computerId: computer, isUndone: direction === 'redo' },
  order: { number: direction === 'undo' ? 'DESC' : 'ASC' },
});

/** The step that would be taken back, or done again; null where there is none. */
export const nextStep = (
  manager: EntityManager,
  computer: string,
  direction: Direction,
): Promise<SessionStepRow | null> =>
  manager.getRepository(SessionStepTable).findOne(nextIn(computer, direction));

/** The same in words alone: each look at the session asks for them, and a step holds a whole session. */
export const nextWords = async (
  manager: EntityManager,
  computer: string,
  direction: Direction,
): Promise<string | null> =>
  (
    await manager
      .getRepository(SessionStepTable)
      .findOne({ ...nextIn(computer, direction), select: { id: true, words: true } })
  )?.words ?? null;

/** Adds a step with the session before it; what was taken back before cannot be done again then. */
export async function addStep(
  manager: EntityManager,
  computer: string,
  words: string,
  before: HostSession,
): Promise<void> {
  const steps = manager.getRepository(SessionStepTable);
  await steps.delete({ computerId: computer, isUndone: true });
  const number = ((await steps.maximum('number', { computerId: computer })) ?? 0) + 1;
  await insertMany(manager, SessionStepTable, [
    { id: randomUUID(), computerId: computer, number, words, isUndone: false, session: before },
  ]);
  await manager.query('DELETE FROM session_step WHERE computer_id = $1 AND number <= $2', [
    computer,
    number - mostSteps,
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
