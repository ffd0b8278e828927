/**
 * What undo or redo would do, in words: of the session where that is shown, of this window beside the
 * order, else of the order; null for nothing.
 */
import { useSyncExternalStore } from 'react';
import type { Direction } from '@clever-drawer/core/acts';
import { useQuery } from '@tanstack/react-query';
import { useActs, useComputer, useOrder } from './contexts.ts';
import { undoneAt } from './screens.ts';
import { stepOfSession } from './session-steps.ts';
import { sessionQuery } from './studio-queries.ts';
import type { OwnHistory } from './own-acts.ts';

/** What this window did and took back. */
export function useOwnHistory(): OwnHistory {
  const { own } = useActs();
  return useSyncExternalStore(own.subscribe, own.history);
}

export function useNextStep(direction: Direction): string | null {
  const { order } = useOrder();
  const { client } = useComputer();
  const history = useOwnHistory();
  // Only what another screen fetched: this asks for nothing.
  const session = useQuery({ ...sessionQuery(client), enabled: false }).data;
  const here = undoneAt(window.location.pathname);
  const sessionStep = stepOfSession(session, history, direction, here);
  const latest = (direction === 'undo' ? history.done : history.undone).at(-1);
  return sessionStep?.words ?? (latest?.beside ? latest.words : order[direction]);
}
