/** What stands where: the order and the catalog together, worked out once for each state of the two. */
import type { Plugin } from '../catalog/plugin.ts';
import type { FolderId, PluginId } from '../id.ts';
import { candidateOf, compileRule, type Candidate } from '../rules/rule.ts';
import { allFolders, allNamings, allPlacements, type Folder, type Naming, type Order, type Placement } from './order.ts';

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

/** Arranges again and again; the words of a plugin's names are taken apart once for all times. */
export function createArranger(): (order: Order, plugins: readonly Plugin[]) => Arrangement {
  const known = new WeakMap<Plugin, { nickname: string | null; candidate: Candidate }>();
  const prepare = (plugin: Plugin, nickname: string | null): Candidate => {
    const before = known.get(plugin);
    if (before?.nickname === nickname) return before.candidate;
    const candidate = candidateOf(plugin.name, nickname);
    known.set(plugin, { nickname, candidate });
    return candidate;
  };
  return (order, plugins) => arrange(order, plugins, prepare);
}

type Prepare = (plugin: Plugin, nickname: string | null) => Candidate;

function arrange(order: Order, plugins: readonly Plugin[], prepare: Prepare): Arrangement {
  const folders = allFolders(order);
  const namings = new Map(allNamings(order).map((naming) => [naming.id as string, naming]));
  const below = grouped(folders, (folder) => folder.parent ?? folder.cabinet);
  const placements = grouped(allPlacements(order), (placement) => placement.folder);
  const because = new Map<string, string>();
  const members = new Map<string, PluginId[]>();
  for (const [folder, list] of placements) members.set(folder, list.map((p) => p.plugin));
  fillSmartFolders(folders, members, because, plugins, (plugin) => prepare(plugin, namings.get(plugin.id)?.nickname ?? null));
  const foldersOf = new Map<string, Folder[]>();
  for (const folder of folders)
    for (const plugin of members.get(folder.id) ?? []) foldersOf.set(plugin, [...(foldersOf.get(plugin) ?? []), folder]);
  return { folders, namings, below, placements, members, because, foldersOf };
}

function grouped<T>(list: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
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
