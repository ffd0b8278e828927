/** What a review is made of, told as texts: the thread that works it out understands them. */
import type { AskingSession, HostSession } from '@clever-drawer/core';
import type { EntityManager } from 'typeorm';
import { findComputer } from '../../database/computers.ts';
import { readOrder } from '../../database/order.ts';
import { readComings } from '../../database/scans.ts';
import {
  copiesInCatalog,
  listSavedSessions,
  loadsAsJson,
  readSession,
  readUsage,
  sessionKey,
} from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import type { Told } from '../../reviewer/index.ts';
import { computerView } from '../catalog/set-up-computer.ts';
import { settingsHere } from '../catalog/settings-here.ts';

/** Everything a review is made of now. What is not learnt is not told. */
export async function gatherReview(parts: Parts, computer: string): Promise<Told> {
  const { manager } = parts.database;
  const now = parts.clock();
  const row = await findComputer(manager, computer);
  if (!row) {
    throw new Error(`no computer ${computer}`);
  }
  const { isLearning } = row;
  const [catalog, order, settings, usage, loads, comings, sessions] = await Promise.all([
    parts.catalogs.columns(computerView(row)),
    readOrder(manager, computer),
    settingsHere(parts, computer),
    readUsage(manager, computer, now),
    isLearning ? sentLoads(parts, computer) : '[]',
    readComings(manager, computer),
    askingSessions(manager, computer),
  ]);
  return {
    at: now.getTime(),
    computer,
    isLearning,
    catalog,
    order: JSON.stringify([...order.values()]),
    settings: JSON.stringify([...settings.values()]),
    usage: JSON.stringify(usage),
    loads,
    comings: JSON.stringify(comings.map(({ at, ...coming }) => ({ ...coming, at: at.getTime() }))),
    sessions: JSON.stringify(sessions),
  };
}

/** With many loads this takes long: it is done once until there are others. */
const sentLoads = ({ loads, database }: Parts, computer: string): Promise<string> =>
  loads.of(computer, () => loadsAsJson(database.manager, computer));

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
