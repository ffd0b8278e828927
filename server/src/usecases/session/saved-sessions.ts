/** Sessions that are kept under a name. */
import type { SessionView } from '@clever-drawer/core/api';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { randomUUID } from 'node:crypto';
import { addSavedSession, findSavedSession, removeSavedSession } from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import { sessionOf, viewSession, asking } from './practice-session.ts';

/** Keeps the session under a name. */
export async function saveSession(
  parts: Parts,
  computer: string,
  name: string,
): Promise<Result<SessionView>> {
  const session = await sessionOf(parts, computer);
  const text = name.trim();
  if (text === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  const row = {
    id: randomUUID(),
    computerId: computer,
    name: text,
    savedAt: parts.clock(),
    session: { ...session, name: text },
  };
  await parts.database.transaction((manager) => addSavedSession(manager, row));
  parts.events.tell(computer, { event: 'session' });
  return ok(await viewSession(parts, computer));
}

/** Opens a session that was kept. */
export const openSession = (
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, async () => {
    const saved = await findSavedSession(parts.database.manager, computer, id);
    return saved
      ? asking(
          parts,
          computer,
          { do: 'open', session: saved.session },
          () => `Open the session ${saved.name}`,
        )
      : failed({ code: 'unknown-record', at: 'session', what: 'session' });
  });

/** Removes a session that was kept. */
export async function forgetSession(
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<SessionView>> {
  const isRemoved = await parts.database.transaction((manager) =>
    removeSavedSession(manager, computer, id),
  );
  if (!isRemoved) {
    return failed({ code: 'unknown-record', at: 'session', what: 'session' });
  }
  parts.events.tell(computer, { event: 'session' });
  return ok(await viewSession(parts, computer));
}
