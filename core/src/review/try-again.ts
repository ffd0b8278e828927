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
  const lately = now - forgottenFrom * day;
  const lastOf = (id: string): number => {
    const use = usage.get(id);
    return use ? Date.parse(use.lastLoaded) : 0;
  };
  const usedGroups = new Set(
    plugins.filter(({ id }) => lastOf(id) >= lately).map((plugin) => firstGroup(plugin)),
  );
  const week = weekOf(now);
  const candidates = plugins
    .filter(
      (plugin) =>
        !plugin.chain &&
        firstGroup(plugin) !== '' &&
        usedGroups.has(firstGroup(plugin)) &&
        lastOf(plugin.id) < lately &&
        isPresent(plugin) &&
        !without(plugin.id),
    )
    .map((plugin) => ({
      plugin,
      rank: Number(!usage.has(plugin.id)) + drawn(`${week} ${plugin.id}`),
    }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ plugin }) => plugin);
  const taken = new Set<string>();
  const isFirst = (plugin: P): boolean => {
    const group = firstGroup(plugin);
    return !taken.has(group) && Boolean(taken.add(group));
  };
  const first = candidates.filter(isFirst);
  return [...first, ...candidates.filter((plugin) => !first.includes(plugin))].slice(0, howMany);
}
