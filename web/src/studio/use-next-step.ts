/** What undo or redo would do, in words: of this window beside the order, else of the order; null for nothing. */
import { useSyncExternalStore } from 'react';
import { useActs, useOrder } from './contexts.ts';
import type { OwnHistory } from './own-acts.ts';

/** What this window did and took back. */
export function useOwnHistory(): OwnHistory {
  const { own } = useActs();
  return useSyncExternalStore(own.subscribe, own.history);
}

export function useNextStep(direction: 'undo' | 'redo'): string | null {
  const { order } = useOrder();
  const { done, undone } = useOwnHistory();
  const latest = (direction === 'undo' ? done : undone).at(-1);
  return latest?.beside ? latest.words : order[direction];
}
