/** Acts on whole cabinets, and copying folders into them. */
import { shortcutsTo } from './shown-folders.ts';
import { failed, type Result } from '../problem.ts';
import type { PluginId } from '../id.ts';
import {
  cabinetIn,
  cabinetSlots,
  cabinetSlotWords,
  cabinetsOf,
  folderIn,
  placementIn,
  placementsIn,
  type Cabinet,
  type CabinetSlot,
  type Folder,
  type Order,
  type Placement,
  allFolders,
  plainFolder,
} from '../order/records.ts';
import { positionBefore, spread } from '../order/position.ts';
import type { ActOf, NewFolder } from './act.ts';
import { done, type NameOfPlugin, type ActResult, unknown } from './act-result.ts';
import { type ActRules, asSaid, noPlugins } from './act-rule.ts';

/** A new cabinet with all that is planned for it; favourites come first, also when nothing is planned. */
function addCabinet(
  order: Order,
  act: ActOf<'add-cabinet'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const title = act.name.trim();
  if (title === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  const favourites: NewFolder = act.folders.find((f) => f.id === act.favourites) ?? {
    id: act.favourites,
    parent: null,
    form: 'favourites',
    name: 'Favourites',
    rule: null,
    plugins: [],
  };
  const folders = [favourites, ...act.folders.filter((f) => f.id !== act.favourites)];
  const placements = folders.flatMap((f) => f.plugins.map((p) => p.placement));
  if (
    cabinetIn(order, act.id) ||
    folders.some((f) => folderIn(order, f.id)) ||
    placements.some((id) => placementIn(order, id))
  ) {
    return failed({ code: 'id-taken', at: 'id' });
  }
  if (
    new Set([...folders.map((f) => f.id), ...placements]).size <
    folders.length + placements.length
  ) {
    return failed({ code: 'id-taken', at: 'folders' });
  }
  if (folders.some((f) => f.plugins.some((p) => nameOf(p.plugin) === undefined))) {
    return unknown('plugin', 'folders');
  }
  const trouble = favouritesTrouble(folders) ?? troubleIn(folders);
  if (trouble !== null) {
    return failed({ code: 'field-invalid', at: 'folders', detail: trouble });
  }
  const cabinet: Cabinet = {
    table: 'cabinet',
    id: act.id,
    name: title,
    opensFor: act.opensFor,
    sortedBy: null,
    position: positionBefore(cabinetsOf(order), null, null),
  };
  return done(`Create the cabinet ${title}`, {
    added: [cabinet, ...recordsOf(act.id, folders)],
    updated: slotsTakenOver(order, act.id, act.opensFor),
  });
}

/** Each kind of slot opens one cabinet: those that had it until now have it no longer. */
const slotsTakenOver = (
  order: Order,
  by: Cabinet['id'],
  slots: readonly CabinetSlot[],
): (readonly [Cabinet, Cabinet])[] =>
  cabinetsOf(order)
    .filter(({ id, opensFor }) => id !== by && opensFor.some((slot) => slots.includes(slot)))
    .map((other) => [
      other,
      { ...other, opensFor: other.opensFor.filter((slot) => !slots.includes(slot)) },
    ]);

const favouritesTrouble = (folders: readonly NewFolder[]): string | null =>
  folders.some((folder, i) => (folder.form === 'favourites') !== (i === 0))
    ? 'A cabinet has favourites once.'
    : null;

function troubleIn(folders: readonly NewFolder[]): string | null {
  const before = new Map<string, NewFolder>();
  for (const folder of folders) {
    if (
      folder.parent !== null &&
      !['folder', 'smart'].includes(before.get(folder.parent)?.form ?? '')
    ) {
      return 'A folder stands before what is inside it.';
    }
    if (folder.plugins.length > 0 && folder.form !== 'folder' && folder.form !== 'favourites') {
      return 'Only folders and favourites hold plugins by hand.';
    }
    if ((folder.form === 'smart') !== (folder.rule !== null)) {
      return 'A smart folder has a rule, others have none.';
    }
    if (new Set(folder.plugins.map((p) => p.plugin)).size < folder.plugins.length) {
      return 'A folder holds a plugin once.';
    }
    before.set(folder.id, folder);
  }
  return null;
}

function recordsOf(cabinet: Cabinet['id'], folders: readonly NewFolder[]): (Folder | Placement)[] {
  const positions = spread(null, null, folders.length);
  return folders.flatMap((folder, i): (Folder | Placement)[] => {
    const { id, parent, form, name, rule, smart } = folder;
    const keys = spread(null, null, folder.plugins.length);
    const placed = folder.plugins.map(
      (p, n): Placement => ({
        table: 'placement',
        id: p.placement,
        folder: id,
        plugin: p.plugin,
        position: keys[n] ?? '',
      }),
    );
    return [
      {
        table: 'folder',
        id,
        cabinet,
        parent,
        form,
        name,
        rule,
        position: positions[i] ?? '',
        ...plainFolder,
        ...(form === 'smart' ? smart : {}),
      },
      ...placed,
    ];
  });
}

/** A whole folder, made elsewhere or copied, at the end of a row. */
function copyFolder(
  order: Order,
  act: ActOf<'copy-folder'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const [root, ...rest] = act.folders;
  const ids = act.folders.flatMap((f) => [f.id, ...f.plugins.map((p) => p.placement)]);
  if (!cabinetIn(order, act.cabinet)) {
    return unknown('cabinet', 'cabinet');
  }
  if (
    act.parent !== null &&
    (folderIn(order, act.parent)?.cabinet !== act.cabinet ||
      folderIn(order, act.parent)?.form === 'divider')
  ) {
    return unknown('folder', 'parent');
  }
  if (!root || root.parent !== null || rest.some((f) => f.parent === null)) {
    return failed({
      code: 'field-invalid',
      at: 'folders',
      detail: 'The first folder holds all others.',
    });
  }
  if (
    ids.some((one) => folderIn(order, one) ?? placementIn(order, one)) ||
    new Set(ids).size < ids.length
  ) {
    return failed({ code: 'id-taken', at: 'folders' });
  }
  if (act.folders.some((f) => f.plugins.some((p) => nameOf(p.plugin) === undefined))) {
    return unknown('plugin', 'folders');
  }
  const trouble = act.folders.some((f) => f.form === 'favourites')
    ? 'Favourites cannot be copied.'
    : troubleIn(act.folders);
  if (trouble !== null) {
    return failed({ code: 'field-invalid', at: 'folders', detail: trouble });
  }
  const row = allFolders(order).filter((f) => f.cabinet === act.cabinet && f.parent === act.parent);
  const position = positionBefore(row, null, null);
  return done(`Copy ${root.name} into ${cabinetIn(order, act.cabinet)?.name ?? ''}`, {
    added: recordsOf(act.cabinet, act.folders).map((record) =>
      record.id === root.id && record.table === 'folder'
        ? { ...record, parent: act.parent, position }
        : record,
    ),
  });
}

function setCabinet(order: Order, { cabinet: id, set }: ActOf<'set-cabinet'>): Result<ActResult> {
  const cabinet = cabinetIn(order, id);
  const title = set.name?.trim();
  if (!cabinet) {
    return unknown('cabinet', 'cabinet');
  }
  if (title === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  const next: Cabinet = { ...cabinet, ...set, name: title ?? cabinet.name };
  const isSame =
    cabinet.name === next.name &&
    cabinet.sortedBy === next.sortedBy &&
    [...cabinet.opensFor].sort().join() === [...next.opensFor].sort().join();
  if (isSame) {
    return done(wordsOfSetting(cabinet, next, set), {});
  }
  const claimed = next.opensFor.filter((slot) => !cabinet.opensFor.includes(slot));
  return done(wordsOfSetting(cabinet, next, set), {
    updated: [[cabinet, next], ...slotsTakenOver(order, id, claimed)],
  });
}

function wordsOfSetting(cabinet: Cabinet, next: Cabinet, set: ActOf<'set-cabinet'>['set']): string {
  if (set.sortedBy === null) {
    return `Put the folders of ${cabinet.name} back in your own order`;
  }
  if (set.sortedBy !== undefined) {
    return `Sort the folders of ${cabinet.name} by name`;
  }
  if (next.name !== cabinet.name) {
    return `Rename ${cabinet.name} to ${next.name}`;
  }
  return next.opensFor.length === 0
    ? `${cabinet.name} opens for no slots`
    : `${cabinet.name} opens for ${next.opensFor.map((slot) => cabinetSlotWords[slot]).join(', ')}`;
}

function moveCabinet(order: Order, act: ActOf<'move-cabinet'>): Result<ActResult> {
  const cabinet = cabinetIn(order, act.cabinet);
  if (!cabinet) {
    return unknown('cabinet', 'cabinet');
  }
  if (act.before === cabinet.id) {
    return done(`Move ${cabinet.name}`, {});
  }
  return done(`Move ${cabinet.name}`, {
    updated: [
      [
        cabinet,
        { ...cabinet, position: positionBefore(cabinetsOf(order), act.before, cabinet.id) },
      ],
    ],
  });
}

function removeCabinet(order: Order, act: ActOf<'remove-cabinet'>): Result<ActResult> {
  const cabinet = cabinetIn(order, act.cabinet);
  if (!cabinet) {
    return unknown('cabinet', 'cabinet');
  }
  if (cabinetsOf(order).length === 1) {
    return failed({ code: 'last-cabinet', at: 'cabinet', name: cabinet.name });
  }
  const folders = allFolders(order).filter((f) => f.cabinet === cabinet.id);
  const placements = folders.flatMap((f) => placementsIn(order, f.id));
  const shown = shortcutsTo(order, folders).filter((f) => f.cabinet !== cabinet.id);
  const shared = shown.filter((f) => f.form === 'favourites');
  const heir = handOn(order, shared, placements);
  return done(`Remove the cabinet ${cabinet.name}`, {
    updated: [...heir.updated, ...slotsGivenBack(order, cabinet)],
    removed: [
      ...heir.removed,
      ...placements.filter((p) => !heir.updated.some(([from]) => from.id === p.id)),
      ...shown.filter((f) => f.form !== 'favourites'),
      ...childrenFirst(folders),
      cabinet,
    ],
  });
}

/** What opened a cabinet that goes opens the first of the others, so that no kind of slot opens none. */
function slotsGivenBack(order: Order, gone: Cabinet): (readonly [Cabinet, Cabinet])[] {
  const first = cabinetsOf(order).find(({ id }) => id !== gone.id);
  if (!first || gone.opensFor.every((slot) => first.opensFor.includes(slot))) {
    return [];
  }
  const opensFor = cabinetSlots.filter(
    (slot) => first.opensFor.includes(slot) || gone.opensFor.includes(slot),
  );
  return [[first, { ...first, opensFor }]];
}

/** Shared favourites outlive the cabinet they were in: the next one's become theirs. */
function handOn(
  order: Order,
  shared: readonly Folder[],
  placements: readonly Placement[],
): { updated: [Folder | Placement, Folder | Placement][]; removed: Placement[] } {
  const heir = shared[0];
  if (!heir) {
    return { updated: [], removed: [] };
  }
  const moved = placements
    .filter((p) => p.folder === heir.shortcutTo)
    .map((p): [Placement, Placement] => [p, { ...p, folder: heir.id }]);
  return {
    updated: [
      ...shared.map((f): [Folder, Folder] => [
        f,
        { ...f, shortcutTo: f === heir ? null : heir.id },
      ]),
      ...moved,
    ],
    removed: placementsIn(order, heir.id),
  };
}

/** Folders so that none goes before what is inside it. */
function childrenFirst(folders: readonly Folder[]): Folder[] {
  const depth = (folder: Folder): number => {
    const parent = folders.find((f) => f.id === folder.parent);
    return parent ? depth(parent) + 1 : 0;
  };
  return [...folders].sort((a, b) => depth(b) - depth(a));
}

const pluginsInFolders = (folders: readonly NewFolder[]): PluginId[] =>
  folders.flatMap((folder) => folder.plugins.map((entry) => entry.plugin));

/** Acts on cabinets, by name. */
export const cabinetActs = {
  'add-cabinet': {
    plugins: (act) => pluginsInFolders(act.folders),
    resolve: asSaid,
    perform: addCabinet,
  },
  'copy-folder': {
    plugins: (act) => pluginsInFolders(act.folders),
    resolve: asSaid,
    perform: copyFolder,
  },
  'set-cabinet': { plugins: noPlugins, resolve: asSaid, perform: setCabinet },
  'move-cabinet': { plugins: noPlugins, resolve: asSaid, perform: moveCabinet },
  'remove-cabinet': { plugins: noPlugins, resolve: asSaid, perform: removeCabinet },
} satisfies ActRules<
  'add-cabinet' | 'copy-folder' | 'set-cabinet' | 'move-cabinet' | 'remove-cabinet'
>;
