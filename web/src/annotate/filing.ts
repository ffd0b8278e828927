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
): Act => ({
  act: 'file',
  folder: asId(folder),
  before: before === null ? null : asId(before),
  plugins: newPlaces(plugins),
});

const isFavourites = (folder: Folder): boolean => folder.form === 'favourites';

/** Whether one of the folders that a plugin is in is the favourites. */
export const isAmongFavourites = (folders: readonly Folder[] | undefined): boolean =>
  folders?.some(isFavourites) ?? false;

/** Makes a favourite of a plugin, or no longer. Null when the cabinet has no favourites. */
export function favouriteAct(arrangement: Arrangement, plugin: string): Act | null {
  const favourites = arrangement.folders.find(isFavourites);
  if (!favourites) {
    return null;
  }
  const placement = arrangement.placements.get(favourites.id)?.find((p) => p.plugin === plugin);
  return placement
    ? { act: 'take-out', placements: [placement.id] }
    : fileAct(favourites.id, [plugin]);
}
