/** What folders below a folder hold. */
import type { Arrangement } from '@clever-drawer/core/arrangement';

/** How many plugins are in the folders below a folder and not in itself. */
export function countBelow(
  { below, members }: Pick<Arrangement, 'below' | 'members'>,
  folder: string,
): number {
  const own = new Set<string>(members.get(folder));
  const found = new Set<string>();
  const gather = (parent: string): void => {
    for (const { id } of below.get(parent) ?? []) {
      for (const plugin of members.get(id) ?? []) {
        found.add(plugin);
      }
      gather(id);
    }
  };
  gather(folder);
  return [...found].filter((plugin) => !own.has(plugin)).length;
}
