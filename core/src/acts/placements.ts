/** Acts on what is filed: into folders, out of them, within them and from one to another. */
import { applyChange } from '../change.ts';
import { failed, type Result } from '../problem.ts';
import type { PluginId } from '../id.ts';
import {
  folderIn,
  resolveShortcut,
  placementIn,
  placementsIn,
  type Folder,
  type Order,
  type Placement,
  type OrderRecord,
} from '../order/records.ts';
import { positionsBefore, positionBefore } from '../order/position.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, sayPlugins, unknown } from './act-result.ts';
import { type ActRules, asSaid, withShortcutResolved } from './act-rule.ts';

/** Why plugins cannot be put there; null when they can. */
export const holdsNone = (folder: Folder): Result<ActResult> | null =>
  folder.form === 'smart' || folder.form === 'divider'
    ? failed({ code: 'holds-no-plugins', at: 'folder', name: folder.name, form: folder.form })
    : null;

/**
 * Files plugins in a folder, before one of its placements or (null) at its end; those that are
 * there already are passed over.
 */
export function file(order: Order, act: ActOf<'file'>, nameOf: NameOfPlugin): Result<ActResult> {
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
): Result<ActResult> {
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

function takeOut(order: Order, act: ActOf<'take-out'>, nameOf: NameOfPlugin): Result<ActResult> {
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
    `Remove ${sayPlugins([...new Set(placements.map((p) => p.plugin))], nameOf)} from ${from}`,
    { removed: placements },
  );
}

function movePlacement(
  order: Order,
  act: ActOf<'move-placement'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
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

/**
 * The placements behind (or before one of) those of a folder; what is there already is taken out
 * instead. Before one of themselves is before the next one that is not among them.
 */
export function putInto(
  order: Order,
  placements: readonly Placement[],
  folder: Folder,
  before: string | null,
): { updated: [Placement, Placement][]; removed: Placement[] } {
  const whole = placementsIn(order, folder.id);
  const row = whole.filter((p) => !placements.includes(p));
  const from = before === null ? -1 : whole.findIndex(({ id }) => id === before);
  const spot = from < 0 ? null : (whole.slice(from).find((p) => row.includes(p))?.id ?? null);
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
  const keys = positionsBefore(row, spot, moving.length);
  return {
    removed,
    updated: moving.map((placement, i) => [
      placement,
      { ...placement, folder: folder.id, position: keys[i] ?? '' },
    ]),
  };
}

function moveTo(order: Order, act: ActOf<'move-to'>, nameOf: NameOfPlugin): Result<ActResult> {
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
  const isWithin = known.every((placement) => placement.folder === folder.id);
  return done(
    `Move ${sayPlugins([...new Set(known.map((p) => p.plugin))], nameOf)} ${isWithin ? 'within' : 'to'} ${folder.name}`,
    putInto(order, known, folder, act.before),
  );
}

/** The plugins that stand behind placements. */
const pluginsBehind = (order: Order, placements: readonly string[]): PluginId[] =>
  placements.flatMap((id) => placementIn(order, id)?.plugin ?? []);

/** Acts on placements, by name. */
export const placementActs = {
  file: {
    plugins: (act) => act.plugins.map((entry) => entry.plugin),
    resolve: withShortcutResolved,
    perform: file,
  },
  'file-each': {
    plugins: (act) => act.entries.flatMap((entry) => entry.plugins.map((one) => one.plugin)),
    resolve: (act, order) => ({
      ...act,
      entries: act.entries.map((entry) => ({
        ...entry,
        folder: resolveShortcut(order, entry.folder),
      })),
    }),
    perform: fileEach,
  },
  'take-out': {
    plugins: (act, order) => pluginsBehind(order, act.placements),
    resolve: asSaid,
    perform: takeOut,
  },
  'move-placement': {
    plugins: (act, order) => pluginsBehind(order, [act.placement]),
    resolve: asSaid,
    perform: movePlacement,
  },
  'move-to': {
    plugins: (act, order) => pluginsBehind(order, act.placements),
    resolve: withShortcutResolved,
    perform: moveTo,
  },
} satisfies ActRules<'file' | 'file-each' | 'take-out' | 'move-placement' | 'move-to'>;
