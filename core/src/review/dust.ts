/** What gathers dust: how long since each plugin was loaded, against how often it was. */
import { isPresent } from '../catalog/plugin.ts';
import { day } from '../time.ts';
import { grouped } from '../grouped.ts';
import { lastLoads, loadsOf, type ReviewMaterial } from './studied.ts';

/** Ages in days, each up to and without its `below`; the last one is never. */
export const dustAges = [
  { name: 'this week', below: 7 },
  { name: '1 to 4 weeks', below: 28 },
  { name: '1 to 3 months', below: 91 },
  { name: '3 to 6 months', below: 182 },
  { name: '6 to 12 months', below: 365 },
  { name: 'over a year', below: Infinity },
  { name: 'never', below: null },
] as const;

/** Loads, each from its `least` on; a step is twice the one below it. */
export const dustLoads = [0, 1, 2, 4, 8, 16, 32, 64] as const;

/** Plugins of one age and about as many loads: indices into `dustAges` and `dustLoads`. */
export interface DustMark {
  readonly age: number;
  readonly loads: number;
  readonly plugins: readonly string[];
}

const ageAt = (days: number | null): number =>
  days === null
    ? dustAges.length - 1
    : dustAges.findIndex(({ below }) => below !== null && days < below);

/** Plugins that can be loaded, by how long they were not and how often they were; times as of `now`. */
export function dustOf(
  { plugins, uses }: Pick<ReviewMaterial, 'plugins' | 'uses'>,
  now: number,
): DustMark[] {
  const last = lastLoads(uses);
  const loads = loadsOf(uses);
  const marks = grouped(
    plugins.filter(isPresent).map(({ id }) => {
      const at = last.get(id);
      const days = at === undefined ? null : Math.max(0, (now - at) / day);
      const often = dustLoads.findLastIndex((least) => (loads.get(id) ?? 0) >= least);
      return [`${ageAt(days)} ${often}`, id];
    }),
  );
  return [...marks].map(([key, ids]) => {
    const [age = 0, often = 0] = key.split(' ').map(Number);
    return { age, loads: often, plugins: ids };
  });
}
