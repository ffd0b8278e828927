/** How one finds: keys for a load over time, and what is slow to find. */
import { grouped } from '../grouped.ts';
import { monthOf, monthsBetween, type PastUse, type StudiedPlugin } from './studied.ts';

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

const counted = (uses: readonly PastUse[]): (PastUse & { readonly keys: number })[] =>
  uses.flatMap((use) => (use.keys === null ? [] : [{ ...use, keys: use.keys }]));

/** Month by month, oldest first; months without a counted load have none. */
export function keysByMonth(uses: readonly PastUse[]): KeysOfMonth[] {
  const byMonth = grouped(counted(uses).map((use) => [monthOf(use.at), use]));
  const months = [...byMonth.keys()].sort();
  return monthsBetween(months[0] ?? '', months.at(-1) ?? '').flatMap((month) => {
    const held = byMonth.get(month);
    if (!held) {
      return [];
    }
    const times = held.flatMap(({ took }) => (took === null ? [] : [took / 1000]));
    const keys = held.map((use) => use.keys);
    return [
      {
        month,
        loads: held.length,
        keys: mean(keys),
        seconds: times.length === 0 ? null : mean(times),
        median: medianOf(keys),
      },
    ];
  });
}

/** Letters that stood in front of a load, folded as they were typed, the commonest first. */
export function lettersOf(uses: readonly PastUse[]): { letters: string; times: number }[] {
  const typed = uses.flatMap((use) => (use.typed ? [[use.typed.toLowerCase(), use] as const] : []));
  return [...grouped(typed)]
    .map(([letters, held]) => ({ letters, times: held.length }))
    .sort((a, b) => b.times - a.times || (a.letters < b.letters ? -1 : 1));
}

/** Keys a load from which one is slow, and how often it must have been loaded (rules of thumb, no source). */
const slowFrom = { keys: 4, loads: 3 } as const;

/** Plugins without a nickname that take many keys, those that cost most keys in all first. */
export function slowOnes(
  plugins: readonly Pick<StudiedPlugin, 'id' | 'hasNickname'>[],
  uses: readonly PastUse[],
): SlowPlugin[] {
  const byPlugin = grouped(counted(uses).map((use) => [use.plugin, use]));
  return plugins
    .filter(({ hasNickname }) => !hasNickname)
    .flatMap(({ id }): SlowPlugin[] => {
      const held = byPlugin.get(id) ?? [];
      const keys = held.length === 0 ? 0 : mean(held.map((use) => use.keys));
      return held.length < slowFrom.loads || keys < slowFrom.keys
        ? []
        : [{ plugin: id, loads: held.length, keys, typed: lettersOf(held)[0]?.letters ?? '' }];
    })
    .sort((a, b) => b.keys * b.loads - a.keys * a.loads || (a.plugin < b.plugin ? -1 : 1));
}
