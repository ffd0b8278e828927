/** Acts that several parts of the File screen make. */
import type { Act, NewFolder } from '@clever-drawer/core/acts';
import { asId, type CabinetId, type FolderId } from '@clever-drawer/core/id';
import {
  allFolders,
  placementsIn,
  type CabinetSlot,
  type Folder,
  type Order,
} from '@clever-drawer/core/order';
import { planOf, type PlannedFolder } from '@clever-drawer/core/plans';
import { newPlaces } from '../../annotate/filing.ts';

/** Makes a cabinet as planned, with new ids for all that is in it. */
export function addCabinetAct(
  name: string,
  opensFor: readonly CabinetSlot[],
  planned: readonly PlannedFolder[],
): Extract<Act, { act: 'add-cabinet' }> {
  const favourites = asId<FolderId>(crypto.randomUUID());
  return {
    act: 'add-cabinet',
    id: asId(crypto.randomUUID()),
    favourites,
    name,
    opensFor,
    folders: laidOut(planned, null, favourites),
  };
}

/** Planned folders with new ids, those that hold others before what they hold. */
function laidOut(
  folders: readonly PlannedFolder[],
  parent: FolderId | null,
  favourites: FolderId | null,
): NewFolder[] {
  return folders.flatMap((folder) => {
    const id =
      folder.form === 'favourites' && favourites !== null
        ? favourites
        : asId<FolderId>(crypto.randomUUID());
    return [
      {
        id,
        parent,
        form: folder.form,
        name: folder.name,
        rule: folder.rule,
        plugins: newPlaces(folder.plugins),
        ...(folder.smart ? { smart: folder.smart } : {}),
      },
      ...laidOut(folder.below, id, favourites),
    ];
  });
}

/** A copy of a folder, with what it holds and all below it, at the end of a cabinet. */
export const copyFolderAct = (order: Order, folder: Folder, cabinet: CabinetId): Act => ({
  act: 'copy-folder',
  cabinet,
  parent: null,
  folders: laidOut([planOf(order, folder, true)], null, null),
});

/** These favourites for all cabinets, with what the others hold; or (null) each its own again. */
export function shareFavouritesAct(order: Order, favourites: FolderId | null): Act {
  const all = favourites === null ? [] : allFolders(order).filter((f) => f.form === 'favourites');
  return {
    act: 'share-favourites',
    favourites,
    plugins: newPlaces([
      ...new Set(all.flatMap((f) => placementsIn(order, f.id).map((p) => p.plugin as string))),
    ]),
  };
}

/** Parts of a folder by a fact of its plugins, to become subfolders. */
export const splitAct = (
  folder: FolderId,
  parts: readonly { readonly name: string; readonly placements: readonly string[] }[],
): Act => ({
  act: 'split-folder',
  folder,
  parts: parts.map(({ name, placements }) => ({
    id: asId(crypto.randomUUID()),
    name,
    placements: placements.map((id) => asId(id)),
  })),
});
