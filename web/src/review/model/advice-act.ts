/** What a piece of advice does when it is followed, as an act of the order. */
import type { Act, NewFolder } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import { grouped } from '@clever-drawer/core/grouped';
import { asId, type CopyId, type FolderId } from '@clever-drawer/core/id';
import { allFolders, type Cabinet, type Order } from '@clever-drawer/core/order';
import { toTryAgain, type Advice } from '@clever-drawer/core/review';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { fileAct, newPlaces } from '../../annotate/filing.ts';
import * as texts from '../texts.ts';

/** What is known where it is done. */
export interface AdviceHere {
  readonly order: Order;
  readonly cabinet: Cabinet | undefined;
  readonly pluginById: ReadonlyMap<string, Plugin>;
}

/** What a new folder of plugins loaded every week is called. */
export const weeklyFolder = texts.loadedEveryWeek;
/** What the new cabinet is called. */
export const usedCabinetName = texts.whatIReallyUse;

const addFolderAct = (cabinet: Cabinet, name: string, plugins: readonly string[]): Act => ({
  act: 'add-folder',
  id: asId(crypto.randomUUID()),
  cabinet: cabinet.id,
  parent: null,
  form: 'folder',
  name,
  rule: null,
  before: null,
  plugins: newPlaces(plugins),
});

/** Plugins one behind the other under a name; of the kind of the first. */
export const chainAct = (
  name: string,
  plugins: readonly string[],
  pluginById: AdviceHere['pluginById'],
): Act => ({
  act: 'add-chain',
  id: asId(crypto.randomUUID()),
  name,
  kind: pluginById.get(plugins[0] ?? '')?.kind ?? 'effect',
  plugins: plugins.map((id) => asId<Plugin['id']>(id)),
});

/** A cabinet with a folder for each group of types, in the order in which they are used. */
function usedCabinet(plugins: readonly Plugin[]): Act {
  const favourites = asId<FolderId>(crypto.randomUUID());
  const groups = grouped(plugins.map((plugin) => [groupOf(plugin.types[0] ?? ''), plugin]));
  const folder = (
    id: FolderId,
    form: NewFolder['form'],
    name: string,
    inside: string[],
  ): NewFolder => ({
    id,
    parent: null,
    form,
    name,
    rule: null,
    plugins: newPlaces(inside),
  });
  return {
    act: 'add-cabinet',
    id: asId(crypto.randomUUID()),
    favourites,
    name: usedCabinetName,
    opensFor: [],
    folders: [
      folder(favourites, 'favourites', texts.favourites, []),
      ...[...groups].map(([group, inside]) =>
        folder(
          asId<FolderId>(crypto.randomUUID()),
          'folder',
          group === '' ? texts.other : typeName(group),
          inside.map(({ id }) => id),
        ),
      ),
    ],
  };
}

/**
 * The act; null where advice is followed otherwise (names are given one by one), or nothing can be
 * done here. `name` is what a chain is to be called.
 */
export function adviceAct(
  { kind, plugins, folders, copies }: Advice,
  { order, cabinet, pluginById }: AdviceHere,
  name = '',
): Act | null {
  const ids = plugins.map((id) => asId<Plugin['id']>(id));
  const known = plugins.flatMap((id) => pluginById.get(id) ?? []);
  const intoFolder = (title: string): Act | null => {
    const there = allFolders(order).find(
      (folder) =>
        folder.name === title && folder.form === 'folder' && folder.cabinet === cabinet?.id,
    );
    if (there) {
      return fileAct(there.id, plugins);
    }
    return cabinet ? addFolderAct(cabinet, title, plugins) : null;
  };
  const [first = '', second = ''] = folders;
  switch (kind) {
    case 'file-used':
      return intoFolder(weeklyFolder);
    case 'try-again':
      return intoFolder(toTryAgain);
    case 'hide-unused':
    case 'doubles':
      return { act: 'answer', say: [{ plugins: ids, set: { isHidden: true } }] };
    case 'keep-chain':
      return chainAct(name, plugins, pluginById);
    case 'reorder':
      return { act: 'set-folder', folder: asId(first), set: { sortedBy: 'use' } };
    case 'merge':
      return { act: 'merge-folders', from: asId(first), into: asId(second) };
    case 'used-cabinet':
      return usedCabinet(known);
    case 'retire':
      return { act: 'set-aside', copies: copies.map(({ copy }) => asId<CopyId>(copy)) };
    case 'name-slow':
    case 'trials':
      return null;
  }
}
