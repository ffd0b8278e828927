/** Acts on folders: made, named, moved, removed, sorted, merged, split. */
import { shortcutsTo } from './shown-folders.ts';
import { file, holdsNone, putInto } from './placements.ts';
import { applyChange, isSameValue } from '../change.ts';
import { failed, type Problem, type Result } from '../problem.ts';
import {
  cabinetIn,
  folderIn,
  foldersBelow,
  resolveShortcut,
  type Folder,
  type Order,
  type Placement,
  folderAndBelow,
  placementsIn,
  plainFolder,
} from '../order/records.ts';
import { positionBefore, positionsBefore, spread } from '../order/position.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, sayPlugins, unknown } from './act-result.ts';
import { type ActRules, asSaid, noPlugins, withShortcutResolved } from './act-rule.ts';
import { circleTrouble } from './smart-folders.ts';

/** Why a folder cannot stand below that parent; null when it can. */
function parentTrouble(order: Order, cabinet: string, parent: string | null): Problem | null {
  if (parent === null) {
    return null;
  }
  const folder = folderIn(order, parent);
  if (!folder || folder.cabinet !== cabinet) {
    return { code: 'unknown-record', at: 'parent', what: 'folder' };
  }
  return folder.form === 'divider'
    ? { code: 'holds-no-plugins', at: 'parent', name: folder.name, form: 'divider' }
    : null;
}

function addFolder(
  order: Order,
  act: ActOf<'add-folder'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const title = act.name.trim();
  if (title === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  if (!cabinetIn(order, act.cabinet)) {
    return unknown('cabinet', 'cabinet');
  }
  if (folderIn(order, act.id)) {
    return failed({ code: 'id-taken', at: 'id' });
  }
  const trouble = parentTrouble(order, act.cabinet, act.parent);
  if (trouble) {
    return failed(trouble);
  }
  if (act.form === 'smart' && act.rule === null) {
    return failed({ code: 'rule-empty', at: 'rule' });
  }
  const folder: Folder = {
    table: 'folder',
    id: act.id,
    cabinet: act.cabinet,
    parent: act.parent,
    form: act.form,
    name: title,
    position: positionBefore(foldersBelow(order, act.cabinet, act.parent), act.before, null),
    rule: act.form === 'smart' ? act.rule : null,
    ...plainFolder,
    ...(act.form === 'smart' ? act.smart : {}),
  };
  const circle = circleTrouble(applyChange(order, { added: [folder], updated: [], removed: [] }), [
    folder,
  ]);
  if (circle) {
    return failed(circle);
  }
  const what = { folder: 'folder', smart: 'smart folder', divider: 'divider' }[act.form];
  const plugins = act.plugins ?? [];
  const made = applyChange(order, { added: [folder], updated: [], removed: [] });
  if (plugins.length === 0) {
    return done(`Create the ${what} ${title}`, { added: [folder] });
  }
  const filed = file(made, { act: 'file', folder: folder.id, before: null, plugins }, nameOf);
  return filed.ok
    ? done(
        `Create the folder ${title} with ${sayPlugins(
          plugins.map((p) => p.plugin),
          nameOf,
        )}`,
        { added: [folder, ...filed.value.change.added] },
      )
    : filed;
}

function renameFolder(order: Order, act: ActOf<'rename-folder'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  const title = act.name.trim();
  if (!folder) {
    return unknown('folder', 'folder');
  }
  if (title === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  if (folder.form === 'favourites') {
    return failed({ code: 'stays', at: 'folder', name: folder.name });
  }
  const words = `Rename ${folder.name} to ${title}`;
  return folder.name === title
    ? done(words, {})
    : done(words, { updated: [[folder, { ...folder, name: title }]] });
}

function moveFolder(order: Order, act: ActOf<'move-folder'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  const trouble = parentTrouble(order, folder.cabinet, act.parent);
  if (trouble) {
    return failed(trouble);
  }
  if (folderAndBelow(order, folder).some((f) => f.id === act.parent)) {
    return failed({ code: 'inside-itself', at: 'parent', name: folder.name });
  }
  if (folder.form === 'favourites' && act.parent !== null) {
    return failed({ code: 'stays', at: 'folder', name: folder.name });
  }
  const row = foldersBelow(order, folder.cabinet, act.parent);
  if (act.before === folder.id) {
    return done(`Move ${folder.name}`, {});
  }
  const moved: Folder = {
    ...folder,
    parent: act.parent,
    position: positionBefore(row, act.before, folder.id),
  };
  const change = { added: [], updated: [[folder, moved] as const], removed: [] };
  const circle =
    act.parent === folder.parent
      ? null
      : circleTrouble(applyChange(order, change), folderAndBelow(order, folder));
  return circle ? failed(circle) : done(`Move ${folder.name}`, change);
}

function removeFolder(order: Order, act: ActOf<'remove-folder'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  if (folder.form === 'favourites') {
    return failed({ code: 'stays', at: 'folder', name: folder.name });
  }
  const folders = folderAndBelow(order, folder);
  const shown = shortcutsTo(order, folders);
  const placements = folders.flatMap((f) => placementsIn(order, f.id));
  return done(`Remove the ${folder.form === 'divider' ? 'divider' : 'folder'} ${folder.name}`, {
    removed: [...placements, ...shown, ...folders.reverse()],
  });
}

const sortingWords = {
  name: 'by name',
  type: 'by type',
  vendor: 'by vendor',
  use: 'by use',
  lately: 'by the last load',
  newest: 'newest first',
} as const;

function setFolder(order: Order, { folder: id, set }: ActOf<'set-folder'>): Result<ActResult> {
  const folder = folderIn(order, id);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  const next: Folder = {
    ...plainFolder,
    ...folder,
    ...set,
    ...(set.notes === undefined ? {} : { notes: set.notes.trim() }),
  };
  const isSame = isSameValue(next, { ...plainFolder, ...folder });
  return done(wordsOfSetting(folder, set), isSame ? {} : { updated: [[folder, next]] });
}

function wordsOfSetting({ name }: Folder, set: ActOf<'set-folder'>['set']): string {
  if (set.sortedBy === null) {
    return `Sort ${name} in your own order`;
  }
  if (set.sortedBy !== undefined) {
    return `Sort ${name} ${sortingWords[set.sortedBy]}`;
  }
  if (set.firstFormat !== undefined) {
    return set.firstFormat === null
      ? `Use the usual copies in ${name}`
      : `Use ${set.firstFormat} copies first in ${name}`;
  }
  if (set.firstCopies !== undefined) {
    return `Choose the copies that ${name} holds`;
  }
  return set.isPinned === undefined
    ? `Note on ${name}`
    : `${set.isPinned ? 'Pin' : 'Unpin'} ${name}`;
}

function mergeFolders(order: Order, act: ActOf<'merge-folders'>): Result<ActResult> {
  const from = folderIn(order, act.from);
  const into = folderIn(order, act.into);
  if (!from || !into) {
    return unknown('folder', from ? 'into' : 'from');
  }
  const refused = holdsNone(from) ?? holdsNone(into);
  if (refused) {
    return refused;
  }
  if (from.form === 'favourites') {
    return failed({ code: 'stays', at: 'from', name: from.name });
  }
  if (folderAndBelow(order, from).some((f) => f.id === into.id) || from.cabinet !== into.cabinet) {
    return failed({ code: 'inside-itself', at: 'into', name: from.name });
  }
  const below = foldersBelow(order, from.cabinet, from.id);
  const row = foldersBelow(order, into.cabinet, into.id);
  const keys = positionsBefore(row, null, below.length);
  const { updated, removed } = putInto(order, placementsIn(order, from.id), into, null);
  const moved = below.map((folder, i): [Folder, Folder] => [
    folder,
    { ...folder, parent: into.id, position: keys[i] ?? '' },
  ]);
  const shown = shortcutsTo(order, [from]).map((one): [Folder, Folder] => [
    one,
    { ...one, shortcutTo: into.id },
  ]);
  return done(`Merge ${from.name} into ${into.name}`, {
    updated: [...updated, ...moved, ...shown],
    removed: [...removed, from],
  });
}

function splitFolder(order: Order, act: ActOf<'split-folder'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  const refused =
    holdsNone(folder) ??
    (folder.form === 'favourites'
      ? failed({ code: 'stays', at: 'folder', name: folder.name })
      : null);
  if (refused) {
    return refused;
  }
  if (act.parts.some((part) => folderIn(order, part.id))) {
    return failed({ code: 'id-taken', at: 'parts' });
  }
  const placementById = new Map(placementsIn(order, folder.id).map((p) => [p.id as string, p]));
  const wanted = act.parts.flatMap((part) => part.placements);
  if (new Set(wanted).size < wanted.length || wanted.some((id) => !placementById.has(id))) {
    return unknown('placement', 'parts');
  }
  const positions = positionsBefore(
    foldersBelow(order, folder.cabinet, folder.id),
    null,
    act.parts.length,
  );
  const added: Folder[] = [];
  const updated: [Placement, Placement][] = [];
  for (const [n, { id, name, placements }] of act.parts.entries()) {
    if (name.trim() === '') {
      return failed({ code: 'name-empty', at: 'parts' });
    }
    added.push({
      table: 'folder',
      id,
      cabinet: folder.cabinet,
      parent: folder.id,
      form: 'folder',
      name: name.trim(),
      rule: null,
      position: positions[n] ?? '',
      ...plainFolder,
    });
    const keys = spread(null, null, placements.length);
    for (const [i, placement] of placements.entries()) {
      const from = placementById.get(placement);
      if (from) {
        updated.push([from, { ...from, folder: id, position: keys[i] ?? '' }]);
      }
    }
  }
  return done(`Split ${folder.name} into ${act.parts.length} folders`, { added, updated });
}

/** Acts on folders, by name. */
export const folderActs = {
  'add-folder': {
    plugins: (act) => (act.plugins ?? []).map((entry) => entry.plugin),
    resolve: (act, order) => {
      const parent = act.parent === null ? null : resolveShortcut(order, act.parent);
      const cabinet = parent === null ? undefined : folderIn(order, parent)?.cabinet;
      return { ...act, parent, cabinet: cabinet ?? act.cabinet };
    },
    perform: addFolder,
  },
  'rename-folder': { plugins: noPlugins, resolve: withShortcutResolved, perform: renameFolder },
  'move-folder': {
    plugins: noPlugins,
    resolve: (act, order) => ({
      ...withShortcutResolved(act, order),
      parent: act.parent === null ? null : resolveShortcut(order, act.parent),
    }),
    perform: moveFolder,
  },
  // That it goes and how it is sorted is said of the one that is shown, not of the folder it stands for.
  'remove-folder': { plugins: noPlugins, resolve: asSaid, perform: removeFolder },
  'set-folder': { plugins: noPlugins, resolve: asSaid, perform: setFolder },
  'merge-folders': {
    plugins: noPlugins,
    resolve: (act, order) => ({ ...act, into: resolveShortcut(order, act.into) }),
    perform: mergeFolders,
  },
  'split-folder': { plugins: noPlugins, resolve: withShortcutResolved, perform: splitFolder },
} satisfies ActRules<
  | 'add-folder'
  | 'rename-folder'
  | 'move-folder'
  | 'remove-folder'
  | 'set-folder'
  | 'merge-folders'
  | 'split-folder'
>;
