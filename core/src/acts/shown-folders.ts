/** Acts on folders that stand for one of another cabinet. */
import { failed, type Result } from '../problem.ts';
import {
  allFolders,
  cabinetIn,
  folderIn,
  foldersBelow,
  placementIn,
  placementsIn,
  type Folder,
  type Order,
  type Placement,
  plainFolder,
} from '../order/records.ts';
import { positionBefore, positionsBefore } from '../order/position.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, unknown } from './act-result.ts';
import { type ActRules, asSaid, noPlugins, withShortcutResolved } from './act-rule.ts';

/** The folders, in whatever cabinet, that stand for one of these. */
export const shortcutsTo = (order: Order, folders: readonly Folder[]): Folder[] =>
  allFolders(order).filter(
    (one) => one.shortcutTo !== null && folders.some((f) => f.id === one.shortcutTo),
  );

function showFolder(order: Order, act: ActOf<'show-folder'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  const cabinet = cabinetIn(order, act.cabinet);
  if (!folder || !cabinet) {
    return unknown(folder ? 'cabinet' : 'folder', folder ? 'cabinet' : 'folder');
  }
  if (folder.form === 'favourites' || folder.form === 'divider') {
    return failed({ code: 'stays', at: 'folder', name: folder.name });
  }
  if (
    folder.cabinet === cabinet.id ||
    allFolders(order).some((f) => f.cabinet === cabinet.id && f.shortcutTo === folder.id)
  ) {
    return failed({
      code: 'shown-already',
      at: 'cabinet',
      name: folder.name,
      cabinet: cabinet.name,
    });
  }
  if (folderIn(order, act.id)) {
    return failed({ code: 'id-taken', at: 'id' });
  }
  const position = positionBefore(foldersBelow(order, cabinet.id, null), act.before, null);
  const shown: Folder = {
    table: 'folder',
    id: act.id,
    cabinet: cabinet.id,
    parent: null,
    form: folder.form,
    name: folder.name,
    rule: folder.rule,
    position,
    ...plainFolder,
    shortcutTo: folder.id,
  };
  return done(`Show ${folder.name} in ${cabinet.name} too`, { added: [shown] });
}

function shareFavourites(
  order: Order,
  act: ActOf<'share-favourites'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const all = allFolders(order).filter((f) => f.form === 'favourites');
  if (act.favourites === null) {
    return done('Give each cabinet its own favourites', {
      updated: all
        .filter((f) => f.shortcutTo !== null)
        .map((f): [Folder, Folder] => [f, { ...f, shortcutTo: null }]),
    });
  }
  const one = all.find((f) => f.id === act.favourites && f.shortcutTo === null);
  if (!one) {
    return unknown('folder', 'favourites');
  }
  const row = placementsIn(order, one.id);
  const present = new Set<string>(row.map((p) => p.plugin));
  const fresh = act.plugins.filter((p) => !present.has(p.plugin));
  if (fresh.some((p) => nameOf(p.plugin) === undefined)) {
    return unknown('plugin', 'plugins');
  }
  if (
    fresh.some((p) => placementIn(order, p.placement)) ||
    new Set(fresh.map((p) => p.plugin)).size < fresh.length ||
    new Set(fresh.map((p) => p.placement)).size < fresh.length
  ) {
    return failed({ code: 'id-taken', at: 'plugins' });
  }
  const keys = positionsBefore(row, null, fresh.length);
  return done('Share the favourites among all cabinets', {
    added: fresh.map(
      (p, i): Placement => ({
        table: 'placement',
        id: p.placement,
        folder: one.id,
        plugin: p.plugin,
        position: keys[i] ?? '',
      }),
    ),
    updated: all
      .filter((f) => f !== one && f.shortcutTo !== one.id)
      .map((f): [Folder, Folder] => [f, { ...f, shortcutTo: one.id }]),
  });
}

/** Acts on folders that are shown elsewhere, by name. */
export const shownFolderActs = {
  'show-folder': { plugins: noPlugins, resolve: withShortcutResolved, perform: showFolder },
  'share-favourites': {
    plugins: (act) => act.plugins.map((entry) => entry.plugin),
    resolve: asSaid,
    perform: shareFavourites,
  },
} satisfies ActRules<'show-folder' | 'share-favourites'>;
