/** Where some placements stand in their folder. */
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
