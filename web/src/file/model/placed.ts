/** Where some placements are in their folder, and the act that moves them. */
import type { Act } from '@clever-drawer/core/acts';
import { asId, type FolderId } from '@clever-drawer/core/id';
import type { Placement } from '@clever-drawer/core/order';

/** What is beside some placements that are moved together by one place. */
export interface Neighbours {
  /** They go before this one when they move up. */
  readonly before: Placement | undefined;
  /** They go before this one when they move down; the end of the folder where there is none. */
  readonly next: Placement | undefined;
  /** Whether nothing stands behind them. */
  readonly isLast: boolean;
}

/** `placements` are all of the folder in its own order, `taken` some of them. */
export function neighboursOf(
  placements: readonly Placement[],
  taken: readonly Placement[],
): Neighbours {
  const at = taken.map((one) => placements.indexOf(one));
  const first = Math.min(...at);
  const last = Math.max(...at);
  const isOther = (one: Placement): boolean => !taken.includes(one);
  const behind = placements.slice(last + 1).filter(isOther);
  return {
    before: placements.slice(0, Math.max(0, first)).findLast(isOther),
    next: behind[1],
    isLast: behind.length === 0,
  };
}

/**
 * Moves placements in a folder before another one, or to its end: within their own folder one alone
 * has an act of its own, whose words name it.
 */
export function moveAct(
  folder: FolderId,
  placements: readonly Placement[],
  before: string | null,
): Act {
  const [first] = placements;
  const spot = before === null ? null : asId<Placement['id']>(before);
  return first && placements.length === 1 && first.folder === folder
    ? { act: 'move-placement', placement: first.id, before: spot }
    : { act: 'move-to', placements: placements.map(({ id }) => id), folder, before: spot };
}
