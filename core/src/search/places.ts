/** Where plugins stand in a cabinet: among alike hits, what stands first there comes first. */
import type { Arrangement } from '../arrangement/arrangement.ts';

/**
 * The first place of each plugin when the folders of the cabinet are walked from the front, those
 * below a folder behind what it holds: from 0 to below 1.
 * Ordinary folders in the user's own order; what a smart folder holds shares one place, so that no
 * load moves another plugin.
 */
export function placesIn(
  { below, members, placements }: Pick<Arrangement, 'below' | 'members' | 'placements'>,
  cabinet: string,
): ReadonlyMap<string, number> {
  const first = new Map<string, number>();
  let next = 0;
  const stand = (plugin: string, place: number): void => {
    if (!first.has(plugin)) {
      first.set(plugin, place);
    }
  };
  const walk = (parent: string): void => {
    for (const folder of below.get(parent) ?? []) {
      const own = placements.get(folder.id);
      for (const { plugin } of own ?? []) {
        stand(plugin, next);
        next += 1;
      }
      if (!own) {
        for (const plugin of members.get(folder.id) ?? []) {
          stand(plugin, next);
        }
        next += 1;
      }
      walk(folder.id);
    }
  };
  walk(cabinet);
  for (const [plugin, place] of first) {
    first.set(plugin, place / next);
  }
  return first;
}
