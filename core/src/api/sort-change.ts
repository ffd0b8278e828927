/** What changed of what is uncertain since a window fetched it, and what comes of it. */
import type { SortGround, SortView } from './api.ts';

/** From the state `since` to the state `revision`. What is missing is as it was. */
export interface SortChange extends Partial<Pick<SortView, 'doubts' | 'vendors' | 'near'>> {
  readonly revision: string;
  readonly since: string;
  /** Of plugins of which something else is uncertain than was. */
  readonly changed: readonly SortGround[];
  /** Ids of plugins of which nothing is uncertain any more. */
  readonly removed: readonly string[];
}

/** What is uncertain after a change; what did not change stays the same objects. */
export function changeSort(before: SortView, change: SortChange): SortView {
  const { revision, since, changed, removed, ...wholes } = change;
  if (revision === since) {
    return before;
  }
  const isOther = new Set<string>([...removed, ...changed.map(({ plugin }) => plugin)]);
  const grounds =
    isOther.size === 0
      ? before.grounds
      : [...before.grounds.filter(({ plugin }) => !isOther.has(plugin)), ...changed];
  return { ...before, ...wholes, revision, grounds };
}
