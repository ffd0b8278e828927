/** Acts on what folders hold: sorting, pinning, merging, splitting, moving from one to another. */
import { failed, type Result } from '../problem.ts';
import type { ActOf } from './act.ts';
import {
  folderAndBelow,
  folderIn,
  foldersBelow,
  placementIn,
  placementsIn,
  plainFolder,
  type Folder,
  type Order,
  type Placement,
} from '../order/records.ts';
import { done, sayPlugins, unknown, type NameOfPlugin, type Performed } from './act-result.ts';
import { standingFor } from './shown-folders.ts';
import { positionsBefore, spread } from '../order/position.ts';

const sortingWords = {
  name: 'by name',
  type: 'by type',
  vendor: 'by vendor',
  use: 'by use',
  lately: 'by the last load',
  newest: 'newest first',
} as const;

export function setFolder(
  order: Order,
  { folder: id, set }: ActOf<'set-folder'>,
): Result<Performed> {
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
  const isSame =
    next.sortedBy === folder.sortedBy &&
    next.isPinned === folder.isPinned &&
    next.notes === folder.notes;
  return done(wordsOfSetting(folder, set), isSame ? {} : { updated: [[folder, next]] });
}

function wordsOfSetting({ name }: Folder, set: ActOf<'set-folder'>['set']): string {
  if (set.sortedBy === null) {
    return `Put ${name} back in your own order`;
  }
  if (set.sortedBy !== undefined) {
    return `Sort ${name} ${sortingWords[set.sortedBy]}`;
  }
  return set.isPinned === undefined
    ? `Note on ${name}`
    : `${set.isPinned ? 'Pin' : 'Unpin'} ${name}`;
}

/** Why plugins cannot be put there; null when they can. */
const holdsNone = (folder: Folder): Result<Performed> | null =>
  folder.form === 'smart' || folder.form === 'divider'
    ? failed({ code: 'holds-no-plugins', at: 'folder', name: folder.name, form: folder.form })
    : null;

/** The placements behind (or before one of) those of a folder; what is there already is taken out instead. */
function putInto(
  order: Order,
  placements: readonly Placement[],
  folder: Folder,
  before: string | null,
): { updated: [Placement, Placement][]; removed: Placement[] } {
  const row = placementsIn(order, folder.id).filter((p) => !placements.includes(p));
  const there = new Set<string>(row.map((p) => p.plugin));
  const moving: Placement[] = [];
  const removed: Placement[] = [];
  for (const placement of placements) {
    if (there.has(placement.plugin)) {
      removed.push(placement);
    } else {
      moving.push(placement);
    }
    there.add(placement.plugin);
  }
  const keys = positionsBefore(row, before, moving.length);
  return {
    removed,
    updated: moving.map((placement, i) => [
      placement,
      { ...placement, folder: folder.id, position: keys[i] ?? '' },
    ]),
  };
}

export function moveTo(
  order: Order,
  act: ActOf<'move-to'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
  const folder = folderIn(order, act.folder);
  const placements = [...new Set(act.placements)].map((id) => placementIn(order, id));
  if (!folder) {
    return unknown('folder', 'folder');
  }
  const refused = holdsNone(folder);
  if (refused) {
    return refused;
  }
  const known = placements.filter((p) => p !== undefined);
  if (known.length < placements.length) {
    return unknown('placement', 'placements');
  }
  return done(
    `Move ${sayPlugins([...new Set(known.map((p) => p.plugin))], nameOf)} to ${folder.name}`,
    putInto(order, known, folder, act.before),
  );
}

export function mergeFolders(order: Order, act: ActOf<'merge-folders'>): Result<Performed> {
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
  const shown = standingFor(order, [from]).map((one): [Folder, Folder] => [
    one,
    { ...one, standsFor: into.id },
  ]);
  return done(`Put all of ${from.name} into ${into.name}`, {
    updated: [...updated, ...moved, ...shown],
    removed: [...removed, from],
  });
}

export function splitFolder(order: Order, act: ActOf<'split-folder'>): Result<Performed> {
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
  const held = new Map(placementsIn(order, folder.id).map((p) => [p.id as string, p]));
  const wanted = act.parts.flatMap((part) => part.placements);
  if (new Set(wanted).size < wanted.length || wanted.some((id) => !held.has(id))) {
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
      const from = held.get(placement);
      if (from) {
        updated.push([from, { ...from, folder: id, position: keys[i] ?? '' }]);
      }
    }
  }
  return done(`Split ${folder.name} into ${act.parts.length} folders`, { added, updated });
}
