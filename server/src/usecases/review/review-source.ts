/** What a review is made of: loads, what scans found, which sessions ask for what; and what was put off. */
import {
  columnsOf,
  ok,
  type AskingSession,
  type HostSession,
  type PutOff,
  type Result,
  type ReviewSource,
} from '@clever-drawer/core';
import type { EntityManager } from 'typeorm';
import { findComputer, lockComputer, savePutOff } from '../../database/computers.ts';
import { readComings } from '../../database/scans.ts';
import {
  allLoads,
  copiesInCatalog,
  listSavedSessions,
  readSession,
  sessionKey,
} from '../../database/session.ts';
import type { Parts } from '../../parts.ts';

/**
 * Everything but plugins and folders, which every window has: a `ReviewSource` as JSON. What is not
 * learnt is not told.
 */
export async function viewReviewSource(parts: Parts, computer: string): Promise<string> {
  const { manager } = parts.database;
  const isLearning = (await findComputer(manager, computer))?.isLearning ?? true;
  const others: Omit<ReviewSource, 'loads'> = {
    isLearning,
    comings: (await readComings(manager, computer)).map((coming) => ({
      ...coming,
      at: coming.at.getTime(),
    })),
    sessions: await askingSessions(manager, computer),
  };
  const loads = isLearning ? await sentLoads(parts, computer) : JSON.stringify(columnsOf([]));
  return `{"loads":${loads},${JSON.stringify(others).slice(1)}`;
}

/** With many loads this takes a second: it is done once until there are others. */
const sentLoads = ({ loads, database }: Parts, computer: string): Promise<string> =>
  loads.of(computer, async () => {
    const all = await allLoads(database.manager, computer);
    return JSON.stringify(columnsOf(all.map((load) => ({ ...load, at: load.at.getTime() }))));
  });

/** The practice session and those that are kept, with the copies they name. */
async function askingSessions(
  manager: EntityManager,
  computer: string,
): Promise<readonly AskingSession[]> {
  const now = await readSession(manager, computer);
  const kept = await listSavedSessions(manager, computer);
  const sessions: readonly HostSession[] = [
    ...(now ? [now] : []),
    ...kept.map(({ name, session }) => ({ ...session, name })),
  ];
  const asked = sessions.map(({ name, tracks }) => ({
    session: name,
    copies: tracks.flatMap(({ slots }) => slots.map((slot) => slot.copy)),
  }));
  const known = await copiesInCatalog(
    manager,
    computer,
    asked.flatMap(({ copies }) => copies),
  );
  return asked.map(({ session, copies }) => ({
    session,
    copies: copies.flatMap((copy) => known.get(sessionKey(copy))?.copy ?? []),
  }));
}

/** What was put off. */
export const viewPutOff = async ({ database }: Parts, computer: string): Promise<PutOff> =>
  (await findComputer(database.manager, computer))?.putOff ?? {};

/** Puts a piece of advice off until a time, or for good with null; without a time it is told again. */
export function putOff(
  { database }: Parts,
  computer: string,
  what: string,
  until: string | null | undefined,
): Promise<Result<PutOff>> {
  return database.transaction(async (manager) => {
    const row = await lockComputer(manager, computer);
    const others = Object.entries(row?.putOff ?? {}).filter(([key]) => key !== what);
    const next = Object.fromEntries(until === undefined ? others : [...others, [what, until]]);
    await savePutOff(manager, computer, next);
    return ok(next);
  });
}
