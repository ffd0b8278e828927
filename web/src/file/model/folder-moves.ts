/** Where folders stand in the chest, and the acts that move them by key. */
import type { Act } from '@clever-drawer/core/acts';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import type { Cabinet, Folder } from '@clever-drawer/core/order';

type Chest = Pick<Arrangement, 'folders' | 'below'>;

export const folderOf = ({ folders }: Chest, id: string | null): Folder | undefined =>
  folders.find((folder) => folder.id === id);

/** The folders that stand side by side with this one, itself included. */
export const rowOf = ({ below }: Chest, folder: Folder): readonly Folder[] =>
  below.get(folder.parent ?? folder.cabinet) ?? [];

/** The cabinet of the folder where its name decides the order, so that none can be moved by hand. */
export const cabinetByName = (
  cabinets: readonly Pick<Cabinet, 'id' | 'name' | 'sortedBy'>[],
  folder: Folder,
): Pick<Cabinet, 'name'> | undefined =>
  cabinets.find((one) => one.id === folder.cabinet && one.sortedBy === 'name');

const moveBefore = (folder: Folder, parent: Folder['parent'], before: Folder | undefined): Act => ({
  act: 'move-folder',
  folder: folder.id,
  parent,
  before: before?.id ?? null,
});

/** One place along its row; null at the end of it. */
export function shiftAct(chest: Chest, folder: Folder, by: -1 | 1): Act | null {
  const row = rowOf(chest, folder);
  const at = row.indexOf(folder);
  if (row[at + by] === undefined) {
    return null;
  }
  return moveBefore(folder, folder.parent, by < 0 ? row[at - 1] : row[at + 2]);
}

/** Out of the folder it stands in, behind that one; null where it stands in none. */
export function moveOutAct(chest: Chest, folder: Folder): Act | null {
  const parent = folderOf(chest, folder.parent);
  if (!parent) {
    return null;
  }
  const row = rowOf(chest, parent);
  return moveBefore(folder, parent.parent, row[row.indexOf(parent) + 1]);
}

/** The nearest folder in front of it, in its row, that can hold others. */
export function neighbourAbove(chest: Chest, folder: Folder): Folder | undefined {
  const row = rowOf(chest, folder);
  return row
    .slice(0, row.indexOf(folder))
    .reverse()
    .find((one) => one.form === 'folder');
}

/** The open folder with all it stands in, outermost first. */
export function openedPath(chest: Chest, open: string | null): string[] {
  const folder = folderOf(chest, open);
  if (!folder) {
    return [];
  }
  return folder.parent === null ? [folder.id] : [...openedPath(chest, folder.parent), folder.id];
}
