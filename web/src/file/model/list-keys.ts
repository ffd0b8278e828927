/** Where keys lead in the list of plugins. */
import type { Row } from '@clever-drawer/core/search';

/** A bare list, or cards with pictures side by side. */
export type View = 'list' | 'pictures';

/**
 * By how many rows each key moves. `columns` cards stand side by side; `pageRows` rows of them are
 * in view, of which one stays; of `count` rows in all.
 */
export function listSteps(
  view: View,
  columns: number,
  pageRows: number,
  count: number,
): Readonly<Record<string, number>> {
  const page = Math.max(1, pageRows - 1) * columns;
  return {
    ArrowDown: columns,
    ArrowUp: -columns,
    PageDown: page,
    PageUp: -page,
    Home: -count,
    End: count,
    ...(view === 'pictures' ? { ArrowRight: 1, ArrowLeft: -1 } : {}),
  };
}

/** The row a step leads to; with none chosen (`at` below 0), the first or the last. */
export function rowAfter(at: number, step: number, count: number): number {
  if (at < 0) {
    return step > 0 ? 0 : count - 1;
  }
  return Math.max(0, Math.min(count - 1, at + step));
}

/** The plugins from one row to another, both included; only that one when there is none to begin with. */
export const between = (rows: readonly Row[], from: number, to: number): string[] =>
  rows
    .slice(Math.max(0, Math.min(from < 0 ? to : from, to)), Math.max(from, to) + 1)
    .map((row) => row.plugin.id);
