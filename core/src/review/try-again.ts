/** Three forgotten plugins to try again this week. */
import { isPresent, type Plugin } from '../catalog/plugin.ts';
import type { Usage } from '../loading/warmth.ts';
import { day } from '../time.ts';
import { firstGroup } from './studied.ts';

/** How many are proposed in a week, and from how many days without a load one is forgotten. */
const howMany = 3;
const forgottenFrom = 90;

/** The number of a week: weeks begin on Monday, in UTC. */
export const weekOf = (now: number): number => Math.floor((now / day - 4) / 7);

/** A number from 0 to 1 that is the same for the same text (FNV-1a over UTF-16 units, 32 bits). */
function drawn(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) {
    hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  }
  return (hash >>> 0) / 2 ** 32;
}

/**
 * Plugins to try again, the same all week: not loaded for three months or never, of a group of types
 * that was loaded meanwhile, each of another group where there are enough. Those once loaded go
 * before those that never were; `without` says which are hidden or were dismissed.
 */
export function tryAgainOf<P extends Pick<Plugin, 'id' | 'types' | 'copies' | 'chain'>>(
  plugins: readonly P[],
  usage: ReadonlyMap<string, Pick<Usage, 'lastLoaded'>>,
  now: number,
  without: (plugin: string) => boolean = () => false,
): P[] {
  // Times written alike are in the order of their texts.
  const lately = new Date(now - forgottenFrom * day).toISOString();
  const isOfLate = ({ id }: P): boolean => (usage.get(id)?.lastLoaded ?? '') >= lately;
  const loaded = plugins.filter(({ id }) => usage.has(id));
  const usedGroups = new Set(loaded.filter(isOfLate).map((plugin) => firstGroup(plugin)));
  const week = weekOf(now);
  const candidatesAmong = (some: readonly P[]): Candidate<P>[] =>
    some.flatMap((plugin): Candidate<P>[] => {
      const group = firstGroup(plugin);
      return group === '' ||
        plugin.chain ||
        !usedGroups.has(group) ||
        isOfLate(plugin) ||
        !isPresent(plugin)
        ? []
        : [{ plugin, group, rank: Number(!usage.has(plugin.id)) + drawn(`${week} ${plugin.id}`) }];
    });
  // Mostly there are enough of those once loaded, and the many that never were are not looked at.
  const once = candidatesAmong(loaded);
  const isOut = ({ plugin }: Candidate<P>): boolean => without(plugin.id);
  const firstOfOnce = firstOfGroups(once, isOut);
  if (firstOfOnce.length === howMany) {
    return firstOfOnce.map(({ plugin }) => plugin);
  }
  const candidates = [...once, ...candidatesAmong(plugins.filter(({ id }) => !usage.has(id)))];
  const first = firstOfGroups(candidates, isOut);
  const others =
    first.length === howMany
      ? []
      : candidates.filter((one) => !first.includes(one) && !isOut(one)).sort(byRank);
  return [...first, ...others].slice(0, howMany).map(({ plugin }) => plugin);
}

interface Candidate<P> {
  readonly plugin: P;
  readonly group: string;
  /** The lowest goes first. */
  readonly rank: number;
}

const byRank = (a: { readonly rank: number }, b: { readonly rank: number }): number =>
  a.rank - b.rank;

/**
 * The best of each group that is not out, best first, as many as are proposed. Only of those that
 * would be the best it is asked whether they are out.
 */
function firstOfGroups<P>(
  candidates: readonly Candidate<P>[],
  isOut: (candidate: Candidate<P>) => boolean,
): Candidate<P>[] {
  const best = new Map<string, Candidate<P>>();
  for (const candidate of candidates) {
    if (candidate.rank < (best.get(candidate.group)?.rank ?? Infinity) && !isOut(candidate)) {
      best.set(candidate.group, candidate);
    }
  }
  return [...best.values()].sort(byRank).slice(0, howMany);
}
