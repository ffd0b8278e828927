/** Plugins that a vendor calls by one word, as a series: what most of them are, the next one probably is. */
import { wordsOf } from '../text/fold.ts';
import { grouped } from '../grouped.ts';
import { isGenericWord } from './generic-words.ts';
import type { SeriesShare } from './evidence.ts';
import { groupOf } from '../taxonomy/tree.ts';

/** A plugin as far as series go. `vendor` is folded; without one it is in no series. */
export interface InSeries {
  readonly name: string;
  readonly vendor: string;
  /** Types it is known to have. */
  readonly types: readonly string[];
  /** Whether the user said so. */
  readonly isTaught: boolean;
}

/** Words that make a series: not of the trade, and long enough not to be an ending. */
const seriesWords = (name: string): string[] => [
  ...new Set(wordsOf(name).filter((word) => word.length > 3 && !isGenericWord(word))),
];

/** Gathers the series once; the answer gives the shares for one plugin among the others. */
export function gatherSeries(plugins: readonly InSeries[]): (plugin: InSeries) => SeriesShare[] {
  const known = plugins.filter((plugin) => plugin.types.length > 0 && plugin.vendor !== '');
  const series = grouped(
    known.flatMap((plugin) =>
      seriesWords(plugin.name).map((word) => [`${plugin.vendor}\n${word}`, plugin] as const),
    ),
  );
  return (plugin) =>
    plugin.vendor === ''
      ? []
      : seriesWords(plugin.name).flatMap((word) =>
          sharesOf(
            word,
            (series.get(`${plugin.vendor}\n${word}`) ?? []).filter((other) => other !== plugin),
          ),
        );
}

/** A type where half of the others have it, else its group. */
function sharesOf(word: string, others: readonly InSeries[]): SeriesShare[] {
  const having = (has: (type: string) => boolean): InSeries[] =>
    others.filter((other) => other.types.some(has));
  return [...new Set(others.flatMap((other) => other.types.map(groupOf)))].map((group) => {
    const inGroup = having((type) => groupOf(type) === group);
    const types = [
      ...new Set(inGroup.flatMap((other) => other.types.filter((type) => groupOf(type) === group))),
    ].sort();
    const type = types.find((one) => having((t) => t === one).length * 2 > others.length) ?? group;
    const held = having((t) => t === type || (type === group && groupOf(t) === group));
    return {
      word,
      type,
      count: held.length,
      of: others.length,
      taught: held.filter((other) => other.isTaught).length,
    };
  });
}
