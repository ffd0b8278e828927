/** What came, went and was updated, month by month. */
import { grouped } from '../grouped.ts';
import { monthOf, monthsBetween, type Coming } from './studied.ts';

/** One month: the plugins of each kind, each once. */
export type ComingMonth = Readonly<Record<Coming['what'], readonly string[]>> & {
  readonly month: string;
};

/** Month by month without gaps, oldest first. */
export function comingsByMonth(comings: readonly Coming[]): ComingMonth[] {
  const byMonth = grouped(comings.map((one) => [monthOf(one.at), one]));
  const months = [...byMonth.keys()].sort();
  return monthsBetween(months[0] ?? '', months.at(-1) ?? '').map((month) => {
    const of = (what: Coming['what']): string[] => [
      ...new Set(
        (byMonth.get(month) ?? []).filter((one) => one.what === what).map(({ plugin }) => plugin),
      ),
    ];
    return { month, came: of('came'), updated: of('updated'), went: of('went') };
  });
}
