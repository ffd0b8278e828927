/** Which cabinets and folders of a document are which of here. */
import { foldersBelow, type Cabinet, type Folder, type Order } from '../order/records.ts';
import { cabinetIn, cabinetsOf, folderIn } from '../order/records.ts';
import { fold } from '../text/fold.ts';
import type { CabinetId, FolderId } from '../id.ts';
import type { DocumentCabinet, DocumentFolder, OrderDocument } from './document.ts';

/** The ids of here by those of the document; what is new has none. */
export interface FoldersHere {
  readonly cabinets: ReadonlyMap<string, CabinetId>;
  readonly folders: ReadonlyMap<string, FolderId>;
}

/**
 * A cabinet or folder is the one with its id, else the one of its name in the same place (a folder of
 * the same form), each once. The favourites of a cabinet are the favourites.
 */
export function matchFolders(order: Order, document: OrderDocument): FoldersHere {
  const cabinets = new Map<string, CabinetId>();
  const folders = new Map<string, FolderId>();
  const takenFolders = new Set<string>();
  const free = namedOnce(cabinetsOf(order), document.cabinets);
  for (const cabinet of document.cabinets) {
    const same: Cabinet | undefined = cabinetIn(order, cabinet.id) ?? free.get(cabinet.id);
    if (same) {
      cabinets.set(cabinet.id, same.id);
    }
  }
  const walk = (
    below: readonly DocumentFolder[],
    cabinet: CabinetId | undefined,
    parent: FolderId | null | undefined,
  ): void => {
    const here =
      cabinet === undefined || parent === undefined ? [] : foldersBelow(order, cabinet, parent);
    for (const folder of below) {
      const same = sameFolder(order, folder, here, takenFolders);
      if (same) {
        takenFolders.add(same.id);
        folders.set(folder.id, same.id);
      }
      walk(folder.folders ?? [], cabinet, same?.id);
    }
  };
  for (const cabinet of document.cabinets) {
    walk(cabinet.folders, cabinets.get(cabinet.id), null);
  }
  return { cabinets, folders };
}

/** Cabinets by name, for those of the document whose id is not here; none is taken twice. */
function namedOnce(
  here: readonly Cabinet[],
  wanted: readonly DocumentCabinet[],
): Map<string, Cabinet> {
  const ids = new Set(wanted.map(({ id }) => id));
  const free = here.filter(({ id }) => !ids.has(id));
  const found = new Map<string, Cabinet>();
  for (const { id, name } of wanted) {
    const at = here.some((one) => one.id === id)
      ? -1
      : free.findIndex((one) => fold(one.name) === fold(name));
    const [same] = at < 0 ? [] : free.splice(at, 1);
    if (same) {
      found.set(id, same);
    }
  }
  return found;
}

function sameFolder(
  order: Order,
  folder: DocumentFolder,
  here: readonly Folder[],
  taken: ReadonlySet<string>,
): Folder | undefined {
  const isAlike = (one: Folder): boolean =>
    one.form === folder.form &&
    (one.form === 'favourites' || fold(one.name) === fold(folder.name)) &&
    (one.shortcutTo === null) === (folder.shows === undefined);
  const byId = folderIn(order, folder.id);
  if (byId && !taken.has(byId.id) && byId.form === folder.form) {
    return byId;
  }
  return here.find((one) => !taken.has(one.id) && isAlike(one));
}
