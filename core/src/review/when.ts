/** What was used when, month by month. */
import { grouped } from '../grouped.ts';
import { firstGroup, monthOf, monthsBetween, type ReviewMaterial } from './studied.ts';

/** Loads of one row in one month. */
export interface MonthCell {
  readonly row: string;
  readonly month: string;
  readonly loads: number;
  /** Plugins that were loaded, each once. */
  readonly plugins: readonly string[];
}

/** Rows against months, without gaps between the first and the last month. */
export interface Months {
  readonly months: readonly string[];
  /** The one with most loads first. */
  readonly rows: readonly string[];
  readonly cells: readonly MonthCell[];
}

/** What the rows are: groups of types, or sorts of tracks. */
export type MonthRows = 'group' | 'track';

/** Loads by month and by group of types or sort of track. */
export function monthsOf(
  { plugins, uses }: Pick<ReviewMaterial, 'plugins' | 'uses'>,
  by: MonthRows,
): Months {
  const groups = new Map(plugins.map((plugin) => [plugin.id, firstGroup(plugin)]));
  const rowOf = (use: (typeof uses)[number]): string =>
    by === 'track' ? use.track : (groups.get(use.plugin) ?? '');
  const cells = [...grouped(uses.map((use) => [rowOf(use), use] as const))].flatMap(
    ([row, inRow]) =>
      [...grouped(inRow.map(({ at, plugin }) => [monthOf(at), plugin] as const))].map(
        ([month, loaded]): MonthCell => ({
          month,
          row,
          loads: loaded.length,
          plugins: [...new Set(loaded)],
        }),
      ),
  );
  const totals = new Map<string, number>();
  for (const { row, loads } of cells) {
    totals.set(row, (totals.get(row) ?? 0) + loads);
  }
  const seen = cells.map(({ month }) => month).sort();
  return {
    months: monthsBetween(seen[0] ?? '', seen.at(-1) ?? ''),
    rows: [...totals].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1)).map(([row]) => row),
    cells,
  };
}
