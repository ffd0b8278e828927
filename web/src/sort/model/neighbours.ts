/** What stands where an answer would put a plugin: others of that type, and the folder most of them are in. */
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Folder } from '@clever-drawer/core/order';
import { groupOf } from '@clever-drawer/core/taxonomy';

/** So many are named; the rest is counted. */
const named = 8;

export interface Neighbours {
  /** Most used first. */
  readonly plugins: readonly Plugin[];
  readonly count: number;
  /** The folder that holds most of them, and how many; null where none holds two. */
  readonly folder: { readonly name: string; readonly count: number } | null;
}

/** `type` is a type or a group of the tree; loads count how often a plugin was loaded. */
export function neighboursOf(
  type: string,
  asked: ReadonlySet<string>,
  plugins: readonly Plugin[],
  loads: (plugin: string) => number,
  foldersOf: ReadonlyMap<string, readonly Folder[]>,
): Neighbours {
  const alike = plugins.filter(
    ({ id, types }) => !asked.has(id) && types.some((one) => one === type || groupOf(one) === type),
  );
  const counts = new Map<string, number>();
  for (const { id } of alike) {
    for (const { name } of (foldersOf.get(id) ?? []).filter(({ form }) => form === 'folder')) {
      counts.set(name, (counts.get(name) ?? 0) + 1);
    }
  }
  const most = [...counts].reduce<readonly [string, number]>(
    (best, one) => (one[1] > best[1] ? one : best),
    ['', 1],
  );
  const byLoads = [...alike].sort((a, b) => loads(b.id) - loads(a.id));
  return {
    plugins: byLoads.slice(0, named),
    count: alike.length,
    folder: most[1] > 1 ? { name: most[0], count: most[1] } : null,
  };
}
