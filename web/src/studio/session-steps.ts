/** The steps of the session: the server keeps them, so they are taken back also after a reload. */
import type { QueryClient } from '@tanstack/react-query';
import type { Direction } from '@clever-drawer/core/acts';
import type { SessionView } from '@clever-drawer/core/api';
import type { Client } from '../api/client.ts';
import type { Beside, OwnAct, OwnHistory } from './own-acts.ts';
import type { ScreenId } from './screens.ts';
import { sessionQuery } from './studio-queries.ts';

/** The screen on which the session is. */
const screen: ScreenId = 'load';

/** How the latest step is taken back, and done again. */
export function sessionSteps(client: Client, queries: QueryClient): Beside {
  const taking = async (work: Promise<SessionView>): Promise<SessionView> => {
    const session = await work;
    queries.setQueryData(sessionQuery(client).queryKey, session);
    return session;
  };
  // A load may still have been on its way when undo was pressed: what was taken back, the server knows.
  return {
    undo: async () => (await taking(client.undoInSession())).redo,
    redo: async () => (await taking(client.redoInSession())).undo,
  };
}

/**
 * What undo or redo does where the session is: its latest step, whoever did it; null on another screen,
 * or where this window changed the order there behind it.
 */
export function stepOfSession(
  session: SessionView | undefined,
  { done, undone }: OwnHistory,
  direction: Direction,
  here: string,
): Pick<OwnAct, 'words' | 'screen'> | null {
  const words = session?.[direction] ?? null;
  const latest = (direction === 'undo' ? done : undone).findLast((act) => act.screen === screen);
  const isOfOrder = latest !== undefined && latest.beside === undefined;
  return here === screen && words !== null && !isOfOrder ? { words, screen } : null;
}
