/** Acts that several parts of the File screen make. */
import { asId, type Act, type Arrangement, type CabinetSlot, type FolderId, type NewFolder, type PlannedFolder } from '@clever-drawer/core';

/** Files plugins at the end of a folder, or before one of its placements. */
export const fileAct = (folder: string, plugins: readonly string[], before: string | null = null): Act => ({
  act: 'file', folder: asId(folder), before: before === null ? null : asId(before), plugins: plugins.map((plugin) => ({ placement: asId(crypto.randomUUID()), plugin: asId(plugin) })),
});

/** Makes a favourite of a plugin, or no longer. Null when the cabinet has no favourites. */
export function favouriteAct(arrangement: Arrangement, plugin: string): Act | null {
  const favourites = arrangement.folders.find((f) => f.form === 'favourites');
  if (!favourites) return null;
  const placement = arrangement.placements.get(favourites.id)?.find((p) => p.plugin === plugin);
  return placement ? { act: 'take-out', placements: [placement.id] } : fileAct(favourites.id, [plugin]);
}

/** Makes a cabinet as planned, with new ids for all that is in it. */
export function addCabinetAct(name: string, opensFor: readonly CabinetSlot[], planned: readonly PlannedFolder[]): Extract<Act, { act: 'add-cabinet' }> {
  const favourites = asId<FolderId>(crypto.randomUUID());
  const laidOut = (folders: readonly PlannedFolder[], parent: FolderId | null): NewFolder[] => folders.flatMap((folder) => {
    const id = folder.form === 'favourites' ? favourites : asId<FolderId>(crypto.randomUUID());
    return [{ id, parent, form: folder.form, name: folder.name, rule: folder.rule, plugins: folder.plugins.map((plugin) => ({ placement: asId(crypto.randomUUID()), plugin: asId(plugin) })) }, ...laidOut(folder.below, id)];
  });
  return { act: 'add-cabinet', id: asId(crypto.randomUUID()), favourites, name, opensFor, folders: laidOut(planned, null) };
}

/** Parts of a folder by a fact of its plugins, to become subfolders. */
export const splitAct = (folder: FolderId, parts: readonly { readonly name: string; readonly placements: readonly string[] }[]): Act => ({
  act: 'split-folder', folder, parts: parts.map(({ name, placements }) => ({ id: asId(crypto.randomUUID()), name, placements: placements.map((id) => asId(id)) })),
});
