/** What a review is made of. */
import type { HostSession } from '@clever-drawer/core/loading';
import { memoizeByObject } from '@clever-drawer/core/memoize';
import type { AskingSession } from '@clever-drawer/core/review';
import type { EntityManager } from 'typeorm';
import { readComings } from '../../database/scans.ts';
import {
  copiesInCatalog,
  listSavedSessions,
  loadsAsJson,
  readSession,
  sessionKey,
} from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import type { ReviewFacts } from '../../reviewer/index.ts';
import type { StudioNow } from '../../studio/studios.ts';

/** Everything a review of that moment is made of, gathered once. What is not learnt is not told. */
export const gatherReview = memoizeByObject(
  async (
    { at, isLearning, catalog, order, found: settings, usage }: StudioNow,
    { database: { manager } }: Parts,
    computer: string,
  ): Promise<ReviewFacts> => {
    const [uses, comings, sessions] = await Promise.all([
      isLearning ? loadsAsJson(manager, computer) : '[]',
      readComings(manager, computer),
      askingSessions(manager, computer),
    ]);
    return {
      at,
      uses,
      source: {
        computer,
        catalog,
        order: [...order.values()],
        settings,
        usage,
        comings: comings.map((coming) => ({ ...coming, at: coming.at.getTime() })),
        sessions,
      },
    };
  },
);

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
