/** How the folders of an order stand, whatever is in them. */
import { grouped } from '../grouped.ts';
import type { NamedFolder, RuleWords } from '../rules/language/values.ts';
import { compareNames } from '../text/compare.ts';
import { allFolders, cabinetIn, cabinetsOf, type Folder, type Order } from '../order/records.ts';

/**
 * All folders, row by row in the user's order; in a cabinet sorted by name, those between two
 * dividers by name.
 */
export function foldersInOrder(order: Order): Folder[] {
  const folders = allFolders(order);
  if (cabinetsOf(order).every((cabinet) => cabinet.sortedBy === null)) {
    return folders;
  }
  const rows = grouped(folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const));
  return [...rows.values()].flatMap((row) =>
    row[0] && cabinetIn(order, row[0].cabinet)?.sortedBy === 'name'
      ? byNameBetweenDividers(row)
      : row,
  );
}

function byNameBetweenDividers(row: readonly Folder[]): Folder[] {
  let section = 0;
  const keyed = row.map((folder) => ({
    folder,
    section: folder.form === 'divider' ? (section += 1) : section,
  }));
  const isDivider = ({ folder }: { folder: Folder }): number => (folder.form === 'divider' ? 0 : 1);
  return keyed
    .sort(
      (a, b) =>
        a.section - b.section ||
        isDivider(a) - isDivider(b) ||
        compareNames(a.folder.name, b.folder.name),
    )
    .map(({ folder }) => folder);
}

/** The folders that rules can name, with the cabinet they are in. */
export function ruleWordsOf(
  order: Order,
  folders: readonly Folder[] = allFolders(order),
): RuleWords {
  const byId = new Map(folders.map((folder) => [folder.id as string, folder]));
  const pathOf = (folder: Folder): string[] => {
    const parent = folder.parent === null ? undefined : byId.get(folder.parent);
    return [
      ...(parent ? pathOf(parent) : [cabinetIn(order, folder.cabinet)?.name ?? '']),
      folder.name,
    ];
  };
  return {
    folders: folders
      .filter((folder) => folder.form !== 'divider' && folder.shortcutTo === null)
      .map((folder): NamedFolder => ({ id: folder.id, path: pathOf(folder) })),
  };
}
