/** From an act to the change it makes, in words too. Nothing is written here. */
import { addChain, removeChain } from './chains.ts';
import { applyChange } from '../change.ts';
import { failed, type Problem, type Result } from '../problem.ts';
import type { Act, ActOf } from './act.ts';
import type { FolderId } from '../id.ts';
import {
  cabinetIn,
  folderAndBelow,
  folderIn,
  foldersBelow,
  meantBy,
  namingIn,
  placementIn,
  placementsIn,
  plainFolder,
  type Folder,
  type Naming,
  type Order,
  type OrderRecord,
  type Placement,
} from '../order/records.ts';
import { answer, join, keepApart, part, prefer, spell, tag } from './answers.ts';
import { addCabinet, copyFolder, moveCabinet, removeCabinet, setCabinet } from './cabinets.ts';
import { shareFavourites, showFolder, standingFor } from './shown-folders.ts';
import { mergeFolders, moveTo, setFolder, splitFolder } from './folders.ts';
import { circleTrouble, keepByHand, setRule, settle } from './smart-folders.ts';
import { done, sayPlugins, unknown, type NameOfPlugin, type Performed } from './act-result.ts';
import { positionBefore, positionsBefore } from '../order/position.ts';

/** The act with each folder that only stands for one of another cabinet replaced by that one. */
function meant(order: Order, act: Act): Act {
  const real = <I extends FolderId | null>(id: I): I =>
    id === null ? id : (meantBy(order, id) as I);
  if (act.act === 'add-folder') {
    const parent = real(act.parent);
    return {
      ...act,
      parent,
      cabinet: parent === null ? act.cabinet : (folderIn(order, parent)?.cabinet ?? act.cabinet),
    };
  }
  if (act.act === 'move-folder') {
    return { ...act, parent: real(act.parent) };
  }
  if (act.act === 'merge-folders') {
    return { ...act, into: real(act.into) };
  }
  if (act.act === 'file-each') {
    return {
      ...act,
      entries: act.entries.map((entry) => ({ ...entry, folder: real(entry.folder) })),
    };
  }
  // Where it stands, how it is sorted and that it goes is said of the one that is shown, not of the folder it stands for.
  return 'folder' in act && act.act !== 'set-folder' && act.act !== 'remove-folder'
    ? { ...act, folder: real(act.folder) }
    : act;
}

/** Works out the change of one act on one state of the order. */
export function perform(order: Order, wanted: Act, nameOf: NameOfPlugin): Result<Performed> {
  const act = meant(order, wanted);
  switch (act.act) {
    case 'add-cabinet':
      return addCabinet(order, act, nameOf);
    case 'add-folder':
      return addFolder(order, act, nameOf);
    case 'rename-folder':
      return renameFolder(order, act);
    case 'move-folder':
      return moveFolder(order, act);
    case 'remove-folder':
      return removeFolder(order, act);
    case 'set-rule':
      return setRule(order, act);
    case 'keep-by-hand':
      return keepByHand(order, act, nameOf);
    case 'settle':
      return settle(order, act, nameOf);
    case 'file':
      return file(order, act, nameOf);
    case 'file-each':
      return fileEach(order, act, nameOf);
    case 'take-out':
      return takeOut(order, act, nameOf);
    case 'move-placement':
      return movePlacement(order, act, nameOf);
    case 'name':
      return name(order, act, nameOf);
    case 'add-chain':
      return addChain(order, act, nameOf);
    case 'remove-chain':
      return removeChain(order, act);
    case 'answer':
      return answer(order, act, nameOf);
    case 'tag':
      return tag(order, act, nameOf);
    case 'join':
      return join(order, act, nameOf);
    case 'part':
      return part(order, act, nameOf);
    case 'keep-apart':
      return keepApart(order, act, nameOf);
    case 'spell':
      return spell(order, act);
    case 'prefer':
      return prefer(order, act);
    case 'set-cabinet':
      return setCabinet(order, act);
    case 'move-cabinet':
      return moveCabinet(order, act);
    case 'remove-cabinet':
      return removeCabinet(order, act);
    case 'set-folder':
      return setFolder(order, act);
    case 'merge-folders':
      return mergeFolders(order, act);
    case 'split-folder':
      return splitFolder(order, act);
    case 'copy-folder':
      return copyFolder(order, act, nameOf);
    case 'show-folder':
      return showFolder(order, act);
    case 'share-favourites':
      return shareFavourites(order, act, nameOf);
    case 'move-to':
      return moveTo(order, act, nameOf);
    default:
      return act satisfies never;
  }
}

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
): Result<Performed> {
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
    return done(`Make the ${what} ${title}`, { added: [folder] });
  }
  const filed = file(made, { act: 'file', folder: folder.id, before: null, plugins }, nameOf);
  return filed.ok
    ? done(
        `Make the folder ${title} with ${sayPlugins(
          plugins.map((p) => p.plugin),
          nameOf,
        )}`,
        { added: [folder, ...filed.value.change.added] },
      )
    : filed;
}

function renameFolder(order: Order, act: ActOf<'rename-folder'>): Result<Performed> {
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

function moveFolder(order: Order, act: ActOf<'move-folder'>): Result<Performed> {
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

function removeFolder(order: Order, act: ActOf<'remove-folder'>): Result<Performed> {
  const folder = folderIn(order, act.folder);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  if (folder.form === 'favourites') {
    return failed({ code: 'stays', at: 'folder', name: folder.name });
  }
  const folders = folderAndBelow(order, folder);
  const shown = standingFor(order, folders);
  const placements = folders.flatMap((f) => placementsIn(order, f.id));
  return done(`Remove the ${folder.form === 'divider' ? 'divider' : 'folder'} ${folder.name}`, {
    removed: [...placements, ...shown, ...folders.reverse()],
  });
}

function file(order: Order, act: ActOf<'file'>, nameOf: NameOfPlugin): Result<Performed> {
  const folder = folderIn(order, act.folder);
  if (!folder) {
    return unknown('folder', 'folder');
  }
  if (folder.form === 'smart' || folder.form === 'divider') {
    return failed({ code: 'holds-no-plugins', at: 'folder', name: folder.name, form: folder.form });
  }
  const row = placementsIn(order, folder.id);
  const there = new Set<string>(row.map((p) => p.plugin));
  const fresh: { placement: Placement['id']; plugin: Placement['plugin'] }[] = [];
  for (const entry of act.plugins) {
    if (nameOf(entry.plugin) === undefined) {
      return unknown('plugin', 'plugins');
    }
    if (there.has(entry.plugin)) {
      continue;
    }
    if (placementIn(order, entry.placement)) {
      return failed({ code: 'id-taken', at: 'plugins' });
    }
    fresh.push(entry);
    there.add(entry.plugin);
  }
  if (fresh.length === 0) {
    return failed({ code: 'already-there', at: 'plugins', name: folder.name });
  }
  const keys = positionsBefore(row, act.before, fresh.length);
  const added = fresh.map(
    (entry, i): Placement => ({
      table: 'placement',
      id: entry.placement,
      folder: folder.id,
      plugin: entry.plugin,
      position: keys[i] ?? '',
    }),
  );
  return done(
    `File ${sayPlugins(
      fresh.map((e) => e.plugin),
      nameOf,
    )} in ${folder.name}`,
    { added },
  );
}

function fileEach(
  order: Order,
  { entries }: ActOf<'file-each'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
  const added: OrderRecord[] = [];
  let now = order;
  for (const entry of entries) {
    const filed = file(now, { act: 'file', before: null, ...entry }, nameOf);
    if (!filed.ok) {
      return filed;
    }
    added.push(...filed.value.change.added);
    now = applyChange(now, filed.value.change);
  }
  return done(
    `File ${sayPlugins(
      entries.flatMap((entry) => entry.plugins.map((one) => one.plugin)),
      nameOf,
    )} in ${entries.length === 1 ? 'a folder' : `${entries.length} folders`}`,
    { added },
  );
}

function takeOut(order: Order, act: ActOf<'take-out'>, nameOf: NameOfPlugin): Result<Performed> {
  const placements: Placement[] = [];
  for (const id of new Set(act.placements)) {
    const placement = placementIn(order, id);
    if (!placement) {
      return unknown('placement', 'placements');
    }
    placements.push(placement);
  }
  const folders = [...new Set(placements.map((p) => p.folder))];
  const from =
    folders.length === 1
      ? (folderIn(order, folders[0] ?? '')?.name ?? 'a folder')
      : `${folders.length} folders`;
  return done(
    `Take ${sayPlugins([...new Set(placements.map((p) => p.plugin))], nameOf)} out of ${from}`,
    { removed: placements },
  );
}

function movePlacement(
  order: Order,
  act: ActOf<'move-placement'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
  const placement = placementIn(order, act.placement);
  if (!placement) {
    return unknown('placement', 'placement');
  }
  const words = `Move ${nameOf(placement.plugin) ?? 'a plugin'} within ${folderIn(order, placement.folder)?.name ?? 'a folder'}`;
  if (act.before === placement.id) {
    return done(words, {});
  }
  const moved: Placement = {
    ...placement,
    position: positionBefore(placementsIn(order, placement.folder), act.before, placement.id),
  };
  return done(words, { updated: [[placement, moved]] });
}

const orNull = (text: string | null): string | null =>
  text === null || text.trim() === '' ? null : text.trim();

function name(order: Order, act: ActOf<'name'>, nameOf: NameOfPlugin): Result<Performed> {
  const original = nameOf(act.plugin);
  if (original === undefined) {
    return unknown('plugin', 'plugin');
  }
  const before = namingIn(order, act.plugin);
  const naming: Naming = {
    table: 'naming',
    id: act.plugin,
    nickname: orNull(act.nickname),
    slotLabel: orNull(act.slotLabel),
  };
  const isBare = naming.nickname === null && naming.slotLabel === null;
  const words =
    naming.nickname === null ? `Name ${original}` : `Call ${original} ${naming.nickname}`;
  if (!before) {
    return done(words, isBare ? {} : { added: [naming] });
  }
  if (before.nickname === naming.nickname && before.slotLabel === naming.slotLabel) {
    return done(words, {});
  }
  return done(words, isBare ? { removed: [before] } : { updated: [[before, naming]] });
}
