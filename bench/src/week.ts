/**
 * Keys for a load on real names after a week of habit: five days of twenty loads, then twenty more
 * that are counted, each letter and the key that takes the hit (Enter, or a figure for the others).
 */
import type { Plugin } from '@clever-drawer/core/catalog';
import { entryOf, Finder, habitsOf, noUse } from '@clever-drawer/core/search';
import { growing, writeStored, shuffle, zipfDraws, type Remembered } from './habit.ts';
import { percentile } from './measure.ts';

const weekLoads = 100;
const countedLoads = 20;
const weeks = 50;
/** Enter takes the first hit, a figure each of the next (web/src/load). */
const takenByOneKey = 9;

interface Week {
  /** Keys of each counted load of all weeks. */
  readonly keys: readonly number[];
  /** Loads for which no letter was typed: the plugin stood among the likely ones. */
  readonly withoutLetters: number;
}

/** What somebody types who only goes on with the plugin's name until it is shown. */
function typedUntilShown(finder: Finder, plugin: Plugin, use: Parameters<typeof habitsOf>[0]) {
  const habits = habitsOf(use);
  const texts = ['', ...growing(plugin.name.toLowerCase())];
  const isShown = (query: string): boolean =>
    finder.find(query, habits, takenByOneKey).hits.some((hit) => hit.plugin.id === plugin.id);
  return texts.find(isShown) ?? null;
}

/** Counts keys in weeks that differ by what is loaded; plugins by Zipf's law, the same in each run. */
export function afterAWeek(plugins: readonly Plugin[]): Week {
  const finder = new Finder(plugins.map((plugin) => entryOf(plugin)));
  const keys: number[] = [];
  let withoutLetters = 0;
  for (let week = 0; week < weeks; week += 1) {
    const loaded = shuffle(plugins, week);
    const draw = zipfDraws(loaded.length, week + 1);
    const known: Remembered = { warmth: new Map(), chosen: new Map() };
    for (let load = 0; load < weekLoads + countedLoads; load += 1) {
      const plugin = loaded[draw()] as Plugin;
      const typed = typedUntilShown(finder, plugin, { ...noUse, ...known });
      const letters = typed ?? plugin.name.toLowerCase();
      if (load >= weekLoads) {
        // What is never shown among the first costs walking down to it: five keys.
        keys.push(letters.length + (typed === null ? 5 : 1));
        withoutLetters += letters === '' ? 1 : 0;
      }
      writeStored(known, letters, plugin.id);
    }
  }
  return { keys, withoutLetters };
}

/** The figures as lines of a table. */
export function weekTable({ keys, withoutLetters }: Week): string {
  const mean = keys.reduce((sum, one) => sum + one, 0) / keys.length;
  const share = (100 * withoutLetters) / keys.length;
  return [
    '| keys a load after a week | mean | median | 95th | loads without a letter |',
    '| --- | ---: | ---: | ---: | ---: |',
    `| ${keys.length} loads in ${weeks} weeks | ${mean.toFixed(2)} | ${percentile(keys, 0.5)} | ${percentile(keys, 0.95)} | ${share.toFixed(0)} % |`,
  ].join('\n');
}
