/** How good an order is: what is filed, what stands oddly, what nearly doubles. */
import { isPresent } from '../catalog/plugin.ts';
import {
  loadsOf,
  firstGroup,
  type PastUse,
  type ReviewMaterial,
  type StudiedFolder,
} from './studied.ts';

/** Where plugins stand: by hand, only by a rule, or nowhere. */
export interface FiledShare {
  readonly byHand: readonly string[];
  readonly bySmart: readonly string[];
  readonly nowhere: readonly string[];
}

/** Plugins that can be loaded, by where they stand. */
export function filedShare({
  plugins,
  folders,
}: Pick<ReviewMaterial, 'plugins' | 'folders'>): FiledShare {
  const filled = (isSmart: boolean): Set<string> =>
    new Set(
      folders.filter(({ form }) => (form === 'smart') === isSmart).flatMap((one) => one.plugins),
    );
  const hand = filled(false);
  const smart = filled(true);
  const ids = plugins.filter(isPresent).map(({ id }) => id);
  return {
    byHand: ids.filter((id) => hand.has(id)),
    bySmart: ids.filter((id) => !hand.has(id) && smart.has(id)),
    nowhere: ids.filter((id) => !hand.has(id) && !smart.has(id)),
  };
}

/** A folder with a reason to look at it. */
export interface FolderNote {
  readonly folder: string;
  readonly plugins: readonly string[];
}

/** A plugin among others of another type. */
export interface Stranger {
  readonly folder: string;
  readonly plugin: string;
  /** The group that nearly all of the folder is of. */
  readonly group: string;
}

/** Two folders and how alike they are. */
export interface NearFolders {
  readonly a: string;
  readonly b: string;
  /** The Jaccard index: what both hold over what either holds. */
  readonly alike: number;
  readonly both: readonly string[];
}

/** All that could be looked at. */
export interface OrderHealth {
  readonly filed: FiledShare;
  /** Folders with plugins of which none was loaded. */
  readonly unused: readonly FolderNote[];
  /** Folders that were never open when something was loaded; none while no load tells of a folder. */
  readonly neverOpened: readonly FolderNote[];
  readonly strangers: readonly Stranger[];
  readonly near: readonly NearFolders[];
  /** Smart folders that hold nothing, and that hold all. */
  readonly emptySmart: readonly string[];
  readonly fullSmart: readonly string[];
  /** Folders in which the most loaded one stands far behind: filed in an order that use has left. */
  readonly outOfOrder: readonly FolderNote[];
}

const sharedBy = (a: ReadonlySet<string>, b: ReadonlySet<string>): string[] =>
  [...a].filter((one) => b.has(one));

/**
 * The Jaccard index of two sets, from 0 to 1; 0 of two empty ones. (Paul Jaccard, “Distribution de la
 * flore alpine dans le bassin des Dranses”, 1901; from memory.)
 */
export function jaccard(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  const both = sharedBy(a, b).length;
  return both === 0 ? 0 : both / (a.size + b.size - both);
}

/** How alike folders must be to be told of, how pure one must be to have strangers, how many it must
 * hold (rules of thumb, no source). */
const limits = { near: 0.75, pure: 0.75, members: 4, orderMembers: 5 } as const;

/** What there is to say about the folders. */
export function orderHealth(
  material: Pick<ReviewMaterial, 'plugins' | 'folders' | 'uses'>,
): OrderHealth {
  const { plugins, folders, uses } = material;
  const loads = loadsOf(uses);
  const groups = new Map(plugins.map((plugin) => [plugin.id, firstGroup(plugin)]));
  const there = plugins.filter(isPresent).length;
  const smart = folders.filter(({ form }) => form === 'smart');
  const ordinary = folders.filter(({ form }) => form === 'folder');
  const filled = folders.filter((folder) => folder.plugins.length > 0);
  return {
    filed: filedShare(material),
    unused:
      uses.length === 0
        ? []
        : filled
            .filter((folder) => folder.plugins.every((id) => !loads.has(id)))
            .map(({ id, plugins: ids }) => ({ folder: id, plugins: ids })),
    neverOpened: neverOpened(filled, uses),
    strangers: ordinary.flatMap((folder) => strangersIn(folder, groups)),
    near: nearOnes(ordinary),
    emptySmart: smart.filter((folder) => folder.plugins.length === 0).map(({ id }) => id),
    fullSmart: smart
      .filter((folder) => there > 0 && folder.plugins.length >= there)
      .map(({ id }) => id),
    outOfOrder: ordinary
      .filter((folder) => folder.sortedBy === null && isOutOfOrder(folder, loads))
      .map(({ id, plugins: ids }) => ({ folder: id, plugins: ids })),
  };
}

function neverOpened(filled: readonly StudiedFolder[], uses: readonly PastUse[]): FolderNote[] {
  const opened = new Set(uses.map(({ folder }) => folder));
  return [...opened].every((folder) => folder === null)
    ? []
    : filled
        .filter(({ id }) => !opened.has(id))
        .map(({ id, plugins }) => ({ folder: id, plugins }));
}

function strangersIn(folder: StudiedFolder, groups: ReadonlyMap<string, string>): Stranger[] {
  const known = folder.plugins.filter((id) => (groups.get(id) ?? '') !== '');
  if (known.length < limits.members) {
    return [];
  }
  const counts = new Map<string, number>();
  for (const id of known) {
    const group = groups.get(id) ?? '';
    counts.set(group, (counts.get(group) ?? 0) + 1);
  }
  const [group = '', most = 0] = [...counts].sort(([, a], [, b]) => b - a)[0] ?? [];
  return most / known.length < limits.pure
    ? []
    : known
        .filter((id) => groups.get(id) !== group)
        .map((plugin) => ({ folder: folder.id, plugin, group }));
}

/** Pairs by the plugins they share: folders that share none are never compared. */
function nearOnes(folders: readonly StudiedFolder[]): NearFolders[] {
  const sets = new Map(folders.map(({ id, plugins }) => [id, new Set(plugins)]));
  const holding = new Map<string, string[]>();
  const pairs = new Set<string>();
  for (const { id, plugins } of folders) {
    for (const plugin of plugins) {
      const others = holding.get(plugin) ?? [];
      for (const other of others) {
        pairs.add(`${other} ${id}`);
      }
      holding.set(plugin, [...others, id]);
    }
  }
  const none: ReadonlySet<string> = new Set();
  return [...pairs]
    .map((pair): NearFolders => {
      const [a = '', b = ''] = pair.split(' ');
      const [inA, inB] = [sets.get(a) ?? none, sets.get(b) ?? none];
      return { a, b, alike: jaccard(inA, inB), both: sharedBy(inA, inB) };
    })
    .filter(({ alike, both }) => alike >= limits.near && both.length > 1)
    .sort((x, y) => y.alike - x.alike || y.both.length - x.both.length);
}

/** Whether the three most loaded stand in the last half of a folder. */
function isOutOfOrder({ plugins }: StudiedFolder, loads: ReadonlyMap<string, number>): boolean {
  const used = plugins
    .map((id, at) => ({ at, loads: loads.get(id) ?? 0 }))
    .filter((one) => one.loads > 0)
    .sort((a, b) => b.loads - a.loads)
    .slice(0, 3);
  return (
    plugins.length >= limits.orderMembers &&
    used.length === 3 &&
    used.every(({ at }) => at >= plugins.length / 2)
  );
}
