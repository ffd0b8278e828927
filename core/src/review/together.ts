/**
 * What goes with what: which plugin is loaded after which, by the measures of association rules
 * (Agrawal, Imieliński and Swami, 1993; lift as in Tan, Steinbach and Kumar, Introduction to Data
 * Mining, chapter on association analysis; both from memory), and rows that come again.
 */
import { grouped } from '../grouped.ts';
import { countBy, type PastUse } from './studied.ts';

/** How often things occur: both together, each by itself, out of how many occasions. */
export interface Occurrences {
  readonly both: number;
  readonly first: number;
  readonly second: number;
  readonly total: number;
}

/**
 * `support` is the share of occasions on which both occur, `confidence` the share of those with the
 * first on which the second occurs, `lift` how many times likelier the second is with the first than
 * at all (1: no matter).
 */
export interface Association {
  readonly support: number;
  readonly confidence: number;
  readonly lift: number;
}

/** The measures of one rule “first, then second”. */
export function associationOf({ both, first, second, total }: Occurrences): Association {
  const confidence = first === 0 ? 0 : both / first;
  return {
    support: total === 0 ? 0 : both / total,
    confidence,
    lift: second === 0 || total === 0 ? 0 : confidence / (second / total),
  };
}

/** One plugin loaded right after another. */
export interface LoadedAfter extends Association {
  readonly before: string;
  readonly after: string;
  readonly times: number;
}

/**
 * Pairs of neighbours that came at least `least` times, the commonest first. An occasion is a load
 * into the slot behind another plugin.
 */
export function pairsOf(uses: readonly PastUse[], least = 3): LoadedAfter[] {
  const behind = uses.flatMap(({ after, plugin }) =>
    after === null || after === plugin ? [] : [[after, plugin] as const],
  );
  const second = countBy(behind, ([, after]) => after);
  return [...grouped(behind)]
    .flatMap(([before, afters]) =>
      [...countBy(afters, (after) => after)]
        .filter(([, times]) => times >= least)
        .map(([after, times]): LoadedAfter => {
          const counts = {
            both: times,
            first: afters.length,
            second: second.get(after) ?? 0,
            total: behind.length,
          };
          return { before, after, times, ...associationOf(counts) };
        }),
    )
    .sort((a, b) => b.times - a.times || b.lift - a.lift || (a.before < b.before ? -1 : 1));
}

/** Loads one behind the other are of one go when no longer apart than this (common practice, no source). */
const together = 30 * 60_000;

/** Oldest first; what comes so already is not sorted again. */
const inOrder = (uses: readonly PastUse[]): readonly PastUse[] =>
  uses.every(({ at }, n) => n === 0 || at >= (uses[n - 1]?.at ?? 0))
    ? uses
    : uses.toSorted((a, b) => a.at - b.at);

/** Loads that were made in one go, each behind the one before it. */
export function runsOf(uses: readonly PastUse[]): string[][] {
  // Of each track: the runs by the plugin at their end.
  const ends = new Map<string, Map<string, { run: string[]; at: number }>>();
  const runs: string[][] = [];
  for (const { plugin, after, track, at } of inOrder(uses)) {
    const open = ends.get(track) ?? new Map<string, { run: string[]; at: number }>();
    ends.set(track, open);
    const end = after === null ? undefined : open.get(after);
    const continued = end && at - end.at <= together ? end.run : null;
    const run = continued ?? [];
    if (continued && after !== null) {
      open.delete(after);
    } else {
      runs.push(run);
    }
    run.push(plugin);
    open.set(plugin, { run, at });
  }
  return runs;
}

/** A row of plugins that came again. */
export interface Recurring {
  readonly plugins: readonly string[];
  readonly times: number;
}

/** The longest row that is looked for. */
const longest = 5;

/**
 * Rows of two or more different plugins that stood in at least `least` runs; none that only ever
 * stood within a longer one. The most loads that a chain would have saved first.
 */
export function recurringOf(uses: readonly PastUse[], least = 3): Recurring[] {
  const seen = new Map<string, number>();
  for (const run of runsOf(uses)) {
    for (const row of rowsWithin(run)) {
      seen.set(row, (seen.get(row) ?? 0) + 1);
    }
  }
  const often = [...seen].filter(([, times]) => times >= least);
  const counts = new Map(often);
  const swallowed = new Set(
    often.flatMap(([row, times]) => {
      const ids = row.split(' ');
      const parts = ids.length > 2 ? [ids.slice(1).join(' '), ids.slice(0, -1).join(' ')] : [];
      return parts.filter((part) => counts.get(part) === times);
    }),
  );
  const saved = ({ plugins, times }: Recurring): number => (plugins.length - 1) * times;
  return often
    .filter(([row]) => !swallowed.has(row))
    .map(([row, times]): Recurring => ({ plugins: row.split(' '), times }))
    .sort(
      (a, b) =>
        saved(b) - saved(a) || b.times - a.times || (a.plugins.join() < b.plugins.join() ? -1 : 1),
    );
}

/** Each row of neighbours in a run once, of two to five different plugins. */
function rowsWithin(run: readonly string[]): Set<string> {
  const rows = new Set<string>();
  for (let from = 0; from < run.length; from += 1) {
    for (let to = from + 2; to <= Math.min(run.length, from + longest); to += 1) {
      const row = run.slice(from, to);
      if (new Set(row).size === row.length) {
        rows.add(row.join(' '));
      }
    }
  }
  return rows;
}
