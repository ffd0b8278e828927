/** What stands where in one cabinet: the order and the catalog together, worked out once for each state of the two. */
import { compareBy, type Warmth } from '../catalog/compare-plugins.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../fold.ts';
import { grouped } from '../grouped.ts';
import type { CabinetId, FolderId, PluginId } from '../id.ts';
import { createStable } from '../stable.ts';
import { candidateOf, compileRule, type Candidate } from '../rules/rule.ts';
import { allFolders, allNamings, allPlacements, cabinetIn, cabinetsOf, type Folder, type Naming, type Order, type Placement } from './order.ts';

export interface Arrangement {
  readonly folders: readonly Folder[];
  readonly namings: ReadonlyMap<string, Naming>;
  /** Folders and dividers below a folder, or `cabinet id` at the top, in order. */
  readonly below: ReadonlyMap<string, readonly Folder[]>;
  /** Placements of ordinary folders, in order. */
  readonly placements: ReadonlyMap<string, readonly Placement[]>;
  /** Plugins of every folder, smart ones too, in order. */
  readonly members: ReadonlyMap<string, readonly PluginId[]>;
  /** Why a smart folder holds a plugin, by `folder/plugin`. */
  readonly because: ReadonlyMap<string, string>;
  /** Folders a plugin is in, smart ones too, by plugin. Those that are in none are not there. */
  readonly foldersOf: ReadonlyMap<string, readonly Folder[]>;
}

const noWarmth: Warmth = new Map();

/** Arranges one cabinet (or, with null, all) again and again; the words of a plugin's names are taken apart once for all times. */
export function createArranger(): (order: Order, plugins: readonly Plugin[], cabinet?: string | null, usage?: Warmth) => Arrangement {
  const known = new WeakMap<Plugin, { nickname: string | null; candidate: Candidate }>();
  const prepare = (plugin: Plugin, nickname: string | null): Candidate => {
    const before = known.get(plugin);
    if (before?.nickname === nickname) return before.candidate;
    const candidate = candidateOf(plugin.name, nickname);
    known.set(plugin, { nickname, candidate });
    return candidate;
  };
  const stableNamings = createStable<string, Naming>();
  return (order, plugins, cabinet = null, usage = noWarmth) =>
    arrange(order, plugins, prepare, cabinet, usage, stableNamings(new Map(allNamings(order).map((naming) => [naming.id as string, naming]))));
}

type Prepare = (plugin: Plugin, nickname: string | null) => Candidate;

function arrange(order: Order, plugins: readonly Plugin[], prepare: Prepare, cabinet: string | null, usage: Warmth, namings: ReadonlyMap<string, Naming>): Arrangement {
  const everywhere = standing(order), folders = pinnedFirst(cabinet === null ? everywhere.filter((folder) => (folder.standsFor ?? null) === null) : shownIn(everywhere, cabinet));
  const below = grouped(folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const));
  const placements = grouped(allPlacements(order).map((placement) => [placement.folder, placement] as const));
  for (const { id, standsFor } of folders) { const held = standsFor ? placements.get(standsFor) : undefined; if (held) placements.set(id, held); else if (standsFor) placements.delete(id); }
  const because = new Map<string, string>();
  const members = new Map<string, PluginId[]>();
  for (const { id } of folders) { const list = placements.get(id); if (list) members.set(id, list.map((p) => p.plugin)); }
  fillSmartFolders(folders, members, because, plugins, (plugin) => prepare(plugin, namings.get(plugin.id)?.nickname ?? null));
  sortMembers(folders, members, plugins, namings, usage);
  const foldersOf = new Map<string, Folder[]>();
  for (const folder of folders)
    for (const plugin of members.get(folder.id) ?? []) { const known = foldersOf.get(plugin); if (known) known.push(folder); else foldersOf.set(plugin, [folder]); }
  return { folders, namings, below, placements, members, because, foldersOf };
}

/** The folders of a cabinet, and below each that stands for one of another cabinet what lies below that one. */
function shownIn(everywhere: readonly Folder[], cabinet: string): Folder[] {
  const below = grouped(everywhere.flatMap((folder) => (folder.parent === null ? [] : [[folder.parent as string, folder] as const])));
  const lowerOf = (real: Folder, parent: FolderId, at: CabinetId): Folder[] => (below.get(real.id) ?? []).flatMap((lower) => [{ ...lower, parent, cabinet: at }, ...lowerOf(lower, lower.id, at)]);
  return everywhere.filter((folder) => folder.cabinet === cabinet).flatMap((folder) => {
    const real = folder.standsFor ? everywhere.find((one) => one.id === folder.standsFor) : undefined;
    return real ? [{ ...folder, name: real.name, form: real.form, rule: real.rule, notes: real.notes }, ...lowerOf(real, folder.id, folder.cabinet)] : [folder];
  });
}

/** All folders, row by row in the user's order; in a cabinet sorted by name, those between two dividers by name. */
function standing(order: Order): Folder[] {
  const folders = allFolders(order);
  if (cabinetsOf(order).every((cabinet) => cabinet.sortedBy === null)) return folders;
  const rows = grouped(folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const));
  return [...rows.values()].flatMap((row) => (row[0] && cabinetIn(order, row[0].cabinet)?.sortedBy === 'name' ? byNameBetweenDividers(row) : row));
}

function byNameBetweenDividers(row: readonly Folder[]): Folder[] {
  let section = 0;
  const keyed = row.map((folder) => ({ folder, section: folder.form === 'divider' ? (section += 1) : section }));
  const isDivider = ({ folder }: { folder: Folder }): number => (folder.form === 'divider' ? 0 : 1);
  return keyed.sort((a, b) => a.section - b.section || isDivider(a) - isDivider(b) || compareNames(a.folder.name, b.folder.name)).map(({ folder }) => folder);
}

/** Favourites stay first, then what is pinned; the rest in the user's order. */
const pinnedFirst = (folders: readonly Folder[]): Folder[] => [...folders.filter((f) => f.form === 'favourites'), ...folders.filter((f) => f.form !== 'favourites' && f.isPinned), ...folders.filter((f) => f.form !== 'favourites' && !f.isPinned)];

/** Puts what sorted folders hold in the order of their fact; equal ones by name. The user's own order stays in the placements. */
function sortMembers(folders: readonly Folder[], members: Map<string, PluginId[]>, plugins: readonly Plugin[], namings: ReadonlyMap<string, Naming>, usage: Warmth): void {
  const sorted = folders.filter((folder) => folder.sortedBy);
  if (sorted.length === 0) return;
  const byId = new Map(plugins.map((plugin) => [plugin.id, plugin])), nameOf = (plugin: Plugin): string => namings.get(plugin.id)?.nickname ?? plugin.name;
  for (const { id, sortedBy } of sorted) {
    const held = (members.get(id) ?? []).flatMap((plugin) => byId.get(plugin) ?? []);
    if (!sortedBy) continue;
    const compare = compareBy(sortedBy, usage);
    members.set(id, held.sort((a, b) => compare(a, b) || compareNames(nameOf(a), nameOf(b)) || (a.id < b.id ? -1 : 1)).map((plugin) => plugin.id));
  }
}

function fillSmartFolders(folders: readonly Folder[], members: Map<string, PluginId[]>, because: Map<string, string>, plugins: readonly Plugin[], prepare: (plugin: Plugin) => Candidate): void {
  const smart = folders.flatMap((folder) => (folder.rule === null ? [] : [{ id: folder.id, takes: compileRule(folder.rule), held: [] as PluginId[] }]));
  if (smart.length === 0) return;
  for (const plugin of plugins) {
    const candidate = prepare(plugin);
    for (const { id, takes, held } of smart) {
      const reason = takes(candidate);
      if (reason === null) continue;
      held.push(plugin.id);
      because.set(`${id}/${plugin.id}`, reason);
    }
  }
  for (const { id, held } of smart) members.set(id satisfies FolderId, held);
}
