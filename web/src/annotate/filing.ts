/** Acts that file plugins. */
import type { Act, NewFolder } from '@clever-drawer/core/acts';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import { asId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';

/** Plugins with the ids of the placements they get. */
export const newPlaces = (plugins: readonly string[]): NewFolder['plugins'] =>
  plugins.map((plugin) => ({ placement: asId(crypto.randomUUID()), plugin: asId(plugin) }));

/** Files plugins at the end of a folder, or before one of its placements. */
export const fileAct = (
  folder: string,
  plugins: readonly string[],
  before: string | null = null,
): Extract<Act, { act: 'file' }> => ({
  act: 'file',
  folder: asId(folder),
  before: before === null ? null : asId(before),
  plugins: newPlaces(plugins),
});

const isFavourites = (folder: Folder): boolean => folder.form === 'favourites';

/** Whether one of the folders that a plugin is in is the favourites. */
export const isAmongFavourites = (folders: readonly Folder[] | undefined): boolean =>
  folders?.some(isFavourites) ?? false;

/** Makes favourites of plugins, or no longer where all are. Null when the cabinet has no favourites. */
export function favouritesAct(
  arrangement: Arrangement,
  plugins: readonly string[],
): Extract<Act, { act: 'take-out' | 'file' }> | null {
  const favourites = arrangement.folders.find(isFavourites);
  if (!favourites) {
    return null;
  }
  const placed = arrangement.placements.get(favourites.id) ?? [];
  const missing = plugins.filter((id) => placed.every(({ plugin }) => plugin !== id));
  return missing.length > 0
    ? fileAct(favourites.id, missing)
    : {
        act: 'take-out',
        placements: placed.filter(({ plugin }) => plugins.includes(plugin)).map(({ id }) => id),
      };
}
