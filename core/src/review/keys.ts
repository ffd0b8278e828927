/** How one finds: keys for a load over time, and what is slow to find. */
import { grouped } from '../grouped.ts';
import { countBy, monthOf, type PastUse, type StudiedPlugin } from './studied.ts';

/** Loads of a month whose keys were counted. */
export interface KeysOfMonth {
  readonly month: string;
  readonly loads: number;
  /** Means; seconds are null where no time was taken. */
  readonly keys: number;
  readonly seconds: number | null;
  readonly median: number;
}

/** A plugin that takes many keys. */
export interface SlowPlugin {
  readonly plugin: string;
  readonly loads: number;
  readonly keys: number;
  /** What was typed for it most often. */
  readonly typed: string;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** The middle one; of two middle ones their mean. */
function medianOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const half = sorted.length / 2;
  return mean(sorted.slice(Math.ceil(half) - 1, Math.floor(half) + 1));
}

/** Month by month, oldest first; months without a counted load have none. */
export function keysByMonth(uses: readonly PastUse[]): KeysOfMonth[] {
  const byMonth = new Map<string, { keys: number[]; seconds: number[] }>();
  for (const { at, keys, took } of uses) {
    if (keys !== null) {
      const month = monthOf(at);
      const sums = byMonth.get(month) ?? { keys: [], seconds: [] };
      byMonth.set(month, sums);
      sums.keys.push(keys);
      if (took !== null) {
        sums.seconds.push(took / 1000);
      }
    }
  }
  return [...byMonth]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([month, { keys, seconds }]) => ({
      month,
      loads: keys.length,
      keys: mean(keys),
      seconds: seconds.length === 0 ? null : mean(seconds),
      median: medianOf(keys),
    }));
}

/** Letters that stood in front of a load, folded as they were typed, the commonest first. */
export function lettersOf(uses: readonly PastUse[]): { letters: string; times: number }[] {
  const typed = uses.filter((use) => use.typed !== null && use.typed !== '');
  return [...countBy(typed, (use) => (use.typed ?? '').toLowerCase())]
    .map(([letters, times]) => ({ letters, times }))
    .sort((a, b) => b.times - a.times || (a.letters < b.letters ? -1 : 1));
}

/** Keys a load from which one is slow, and how often it must have been loaded (rules of thumb, no source). */
const slowFrom = { keys: 4, loads: 3 } as const;

/** Plugins without a nickname that take many keys, those that cost most keys in all first. */
export function slowOnes(
  plugins: readonly Pick<StudiedPlugin, 'id' | 'hasNickname'>[],
  uses: readonly PastUse[],
): SlowPlugin[] {
  const counted = new Map<string, { loads: number; keys: number }>();
  for (const { plugin, keys } of uses) {
    if (keys !== null) {
      const sums = counted.get(plugin) ?? { loads: 0, keys: 0 };
      counted.set(plugin, sums);
      sums.loads += 1;
      sums.keys += keys;
    }
  }
  const slow = plugins.flatMap(({ id, hasNickname }) => {
    const { loads, keys } = counted.get(id) ?? { loads: 0, keys: 0 };
    const isSlow = !hasNickname && loads >= slowFrom.loads && keys / loads >= slowFrom.keys;
    return isSlow ? [{ plugin: id, loads, keys: keys / loads }] : [];
  });
  const isMeant = new Set(slow.map(({ plugin }) => plugin));
  const typed = grouped(
    uses.filter(({ plugin }) => isMeant.has(plugin)).map((use) => [use.plugin, use] as const),
  );
  return slow
    .map((one) => ({ ...one, typed: lettersOf(typed.get(one.plugin) ?? [])[0]?.letters ?? '' }))
    .sort((a, b) => b.keys * b.loads - a.keys * a.loads || (a.plugin < b.plugin ? -1 : 1));
}
