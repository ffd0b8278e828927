/** Which folders filing by name offers. */
import type { Act } from '@clever-drawer/core/acts';
import { asId, type FolderId } from '@clever-drawer/core/id';
import type { Cabinet, Folder, Placement } from '@clever-drawer/core/order';
import { newPlaces } from './filing.ts';

/** The placement that is moved; none files a reference. */
type Moving = Pick<Placement, 'folder'> | undefined;

/** A smart folder takes plugins by hand, but nothing is moved into it; nor to where it is already. */
function isTarget(folder: Folder, moving: Moving): boolean {
  if (folder.form === 'divider') {
    return false;
  }
  return !moving || (folder.form !== 'smart' && (folder.shortcutTo ?? folder.id) !== moving.folder);
}

/** Those filed in lately first, then all others as they stand. */
export function filingTargets(
  folders: readonly Folder[],
  lately: readonly string[],
  moving: Moving,
): Folder[] {
  const recent = lately
    .map((id) => folders.find((folder) => folder.id === id))
    .filter((folder) => folder !== undefined);
  return [...new Set([...recent, ...folders])].filter((folder) => isTarget(folder, moving));
}

/** Whether a folder of that name, capitals aside, is among those offered. */
export const isNameTaken = (folders: readonly Folder[], name: string): boolean =>
  folders.some((folder) => folder.name.toLowerCase() === name.toLowerCase());

/** Keeps plugins in a smart folder, whatever its rule says. */
export const keepInAct = (folder: Folder, plugins: readonly string[]): Act => ({
  act: 'keep-by-hand',
  folder: folder.id,
  plugins: plugins.map((id) => asId(id)),
  as: 'in',
});

/** A new folder at the end of the cabinet, with the plugins in it. */
export const newFolderAct = (
  id: FolderId,
  cabinet: Cabinet['id'],
  name: string,
  plugins: readonly string[],
): Act => ({
  act: 'add-folder',
  id,
  cabinet,
  parent: null,
  form: 'folder',
  name,
  rule: null,
  before: null,
  plugins: newPlaces(plugins),
});
