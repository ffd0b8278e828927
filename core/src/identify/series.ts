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

/** How many have something, and how many of them because the user said so. */
interface Count {
  readonly count: number;
  readonly taught: number;
}

/** What the plugins of one series are, counted. */
interface Tally {
  readonly of: number;
  /** By type, and by group. */
  readonly counts: ReadonlyMap<string, Count>;
}

/**
 * Gathers the series once; the answer gives the shares for one plugin among the others. Each series
 * is counted once, and who asks is taken out of the count: a series may have thousands.
 */
export function gatherSeries(plugins: readonly InSeries[]): (plugin: InSeries) => SeriesShare[] {
  const known = new Set(
    plugins.filter((plugin) => plugin.types.length > 0 && plugin.vendor !== ''),
  );
  const series = grouped(
    [...known].flatMap((plugin) =>
      seriesWords(plugin.name).map((word) => [`${plugin.vendor}\n${word}`, plugin] as const),
    ),
  );
  const tallies = new Map([...series].map(([key, members]) => [key, tallyOf(members)]));
  return (plugin) =>
    plugin.vendor === ''
      ? []
      : seriesWords(plugin.name).flatMap((word) => {
          const tally = tallies.get(`${plugin.vendor}\n${word}`);
          return tally ? sharesOf(word, tally, known.has(plugin) ? plugin : null) : [];
        });
}

/** What a plugin counts for: its types and their groups, each once. */
const countedAs = ({ types }: InSeries): Set<string> =>
  new Set(types.flatMap((type) => [type, groupOf(type)]));

function tallyOf(members: readonly InSeries[]): Tally {
  const counts = new Map<string, Count>();
  for (const member of members) {
    for (const what of countedAs(member)) {
      const { count, taught } = counts.get(what) ?? { count: 0, taught: 0 };
      counts.set(what, { count: count + 1, taught: taught + (member.isTaught ? 1 : 0) });
    }
  }
  return { of: members.length, counts };
}

/** A type where half of the others have it, else its group. */
function sharesOf(word: string, tally: Tally, self: InSeries | null): SeriesShare[] {
  const own = self ? countedAs(self) : new Set<string>();
  const of = tally.of - (self ? 1 : 0);
  const others = (what: string): Count => {
    const { count, taught } = tally.counts.get(what) ?? { count: 0, taught: 0 };
    const isOwn = own.has(what);
    return { count: count - (isOwn ? 1 : 0), taught: taught - (isOwn && self?.isTaught ? 1 : 0) };
  };
  const found = [...tally.counts.keys()].filter((what) => others(what).count > 0).sort();
  return found
    .filter((what) => groupOf(what) === what)
    .map((group) => {
      const most = found.find(
        (what) => what !== group && groupOf(what) === group && others(what).count * 2 > of,
      );
      const type = most ?? group;
      return { word, type, of, ...others(type) };
    });
}
