/**
 * The user's order of one computer: cabinets, folders, placements and names, all records of one
 * change log.
 */
import { grouped } from '../grouped.ts';
import { keyOf, type Records } from '../change.ts';
import type { Answer } from '../catalog/answer.ts';
import type { Kind } from '../catalog/kind.ts';
import type { Format } from '../formats/found-copy.ts';
import type {
  CabinetId,
  ComputerId,
  CopyId,
  FolderId,
  PlacementId,
  PluginId,
  SpellingId,
} from '../id.ts';
import type { Rule } from '../rules/language/rule.ts';
import { byPosition, type Position } from './position.ts';

/** One whole arrangement of folders. */
export interface Cabinet {
  readonly table: 'cabinet';
  readonly id: CabinetId;
  readonly name: string;
  readonly position: Position;
  /** The sorts of slots it opens for by itself. */
  readonly opensFor: readonly CabinetSlot[];
  /**
   * How its folders stand: by name between the dividers, or (null) in the user's own order, which
   * is kept meanwhile.
   */
  readonly sortedBy: 'name' | null;
}

/** The kinds of slots for which a cabinet can open by itself. */
export const cabinetSlots = ['track', 'bus', 'final', 'instrument', 'note-effect'] as const;
/** One of the kinds of slots for which a cabinet can open. */
export type CabinetSlot = (typeof cabinetSlots)[number];
/** Slots of each kind in words. */
export const cabinetSlotWords: Readonly<Record<CabinetSlot, string>> = {
  track: 'tracks',
  bus: 'buses',
  final: 'the final chain',
  instrument: 'instruments',
  'note-effect': 'note effects',
};

/**
 * How the plugins of a folder stand: by a fact, or (null) in the user's own order, which is kept
 * meanwhile.
 */
export const folderSortings = ['name', 'type', 'vendor', 'use', 'lately', 'newest'] as const;
/** A fact by which a folder can be sorted. */
export type FolderSorting = (typeof folderSortings)[number];

/** The forms of folders. */
export const folderForms = ['favourites', 'folder', 'smart', 'divider'] as const;
/** Favourites, ordinary folder, smart folder or divider. */
export type FolderForm = (typeof folderForms)[number];

/** A drawer of a cabinet, or (form `divider`) a named line between drawers. */
export interface Folder {
  readonly table: 'folder';
  readonly id: FolderId;
  readonly cabinet: CabinetId;
  readonly parent: FolderId | null;
  readonly form: FolderForm;
  readonly name: string;
  readonly position: Position;
  /** For smart folders only. */
  readonly rule: Rule | null;
  readonly sortedBy: FolderSorting | null;
  /** Stands before all that is not pinned, wherever the order puts it. */
  readonly isPinned: boolean;
  readonly notes: string;
  /** The folder of another cabinet that is shown here; what it holds is that one's. */
  readonly shortcutTo: FolderId | null;
  /** Of a smart folder: what is in, or out, whatever the rule says. */
  readonly alwaysIn: readonly PluginId[];
  readonly alwaysOut: readonly PluginId[];
  /** A smart folder shows only so many, by the way it is sorted; null for all. */
  readonly atMost: number | null;
  /** Plugins that are loaded from here are loaded in this format where they have it. */
  readonly firstFormat: Format | null;
  /** Of a plugin with one of these copies, that is the one it holds. */
  readonly firstCopies: readonly CopyId[];
}

/** What a smart folder has beside its rule. */
export type SmartPart = Pick<Folder, 'alwaysIn' | 'alwaysOut' | 'sortedBy' | 'atMost'>;

/** What a folder has that nothing was said of. */
export const plainFolder = {
  sortedBy: null,
  isPinned: false,
  notes: '',
  shortcutTo: null,
  alwaysIn: [],
  alwaysOut: [],
  atMost: null,
  firstFormat: null,
  firstCopies: [],
} as const;

/** A plugin filed in a folder: a reference, never the plugin itself. */
export interface Placement {
  readonly table: 'placement';
  readonly id: PlacementId;
  readonly folder: FolderId;
  readonly plugin: PluginId;
  readonly position: Position;
}

/** What the user calls a plugin; its id is the plugin's. Exists only while something is set. */
export interface PluginNames {
  readonly table: 'plugin-names';
  readonly id: PluginId;
  readonly nickname: string | null;
  readonly slotLabel: string | null;
}

/** The user's word on which plugin a copy belongs to; its id is the copy's. */
export interface CopyAssignment {
  readonly table: 'copy-assignment';
  readonly id: CopyId;
  readonly plugin: PluginId;
  /** Where it belonged before anybody said so; undo gives it back. */
  readonly before: PluginId;
}

/** A copy that is neither examined nor in the catalog until it is restored; its id is the copy's. */
export interface SetAside {
  readonly table: 'set-aside';
  readonly id: CopyId;
}

/** The user's word on whose a vendor's spelling is. */
export interface Spelling {
  readonly table: 'spelling';
  readonly id: SpellingId;
  readonly spelling: string;
  readonly vendor: string;
}

/** The user's order of formats on a computer, preferred first; its id is the computer's. */
export interface Preference {
  readonly table: 'preference';
  readonly id: ComputerId;
  readonly formats: readonly Format[];
}

/** The fewest plugins of a chain. */
export const fewestInChain = 2;

/**
 * Several plugins under one name, loaded one behind the other; its id is that of the plugin it
 * stands in the catalog as.
 */
export interface Chain {
  readonly table: 'chain';
  readonly id: PluginId;
  readonly name: string;
  readonly kind: Kind;
  readonly plugins: readonly PluginId[];
}

/**
 * A saved setting of a plugin of which something was made; its id is that of the plugin it stands in
 * the catalog as. It is found again by format and identity, else by its path; one of the user's own
 * has neither, but the state that the host gave.
 */
export interface Setting {
  readonly table: 'setting';
  readonly id: PluginId;
  readonly name: string;
  /** Whose setting it is. */
  readonly plugin: PluginId;
  readonly bank: string | null;
  /** Only a copy of that format takes it. */
  readonly format: Format;
  readonly path: string | null;
  /** The URI of an LV2 preset. */
  readonly identity: string | null;
  /** What the host gave, as it gave it. */
  readonly state: string | null;
}

/** Any record of the order, told apart by `table`. */
export type OrderRecord =
  | Chain
  | Setting
  | Preference
  | Cabinet
  | Folder
  | Placement
  | PluginNames
  | Answer
  | CopyAssignment
  | SetAside
  | Spelling;

/** All records of the order by `table/id`. */
export type Order = Records<OrderRecord>;

/** The order of the records, by their keys. */
export const orderOf = (records: Iterable<OrderRecord>): Map<string, OrderRecord> => {
  const order = new Map<string, OrderRecord>();
  for (const record of records) {
    order.set(keyOf(record), record);
  }
  return order;
};

/** The cabinet with that id. */
export const cabinetIn = (order: Order, id: string): Cabinet | undefined =>
  order.get(`cabinet/${id}`) as Cabinet | undefined;
/** The folder with that id. */
export const folderIn = (order: Order, id: string): Folder | undefined =>
  order.get(`folder/${id}`) as Folder | undefined;
/** The folder that is meant: for one that stands for another, that other. */
export const resolveShortcut = (order: Order, id: FolderId): FolderId =>
  folderIn(order, id)?.shortcutTo ?? id;
/** The placement with that id. */
export const placementIn = (order: Order, id: string): Placement | undefined =>
  order.get(`placement/${id}`) as Placement | undefined;
/** What the user calls a plugin. */
export const pluginNamesIn = (order: Order, plugin: string): PluginNames | undefined =>
  order.get(`plugin-names/${plugin}`) as PluginNames | undefined;

/** The chain with that id. */
export const chainIn = (order: Order, plugin: string): Chain | undefined =>
  order.get(`chain/${plugin}`) as Chain | undefined;
/** The setting with that id. */
export const settingIn = (order: Order, plugin: string): Setting | undefined =>
  order.get(`setting/${plugin}`) as Setting | undefined;
/** What the user says of a plugin. */
export const answerIn = (order: Order, plugin: string): Answer | undefined =>
  order.get(`answer/${plugin}`) as Answer | undefined;
/** What the user said of where a copy belongs. */
export const copyAssignmentIn = (order: Order, copy: string): CopyAssignment | undefined =>
  order.get(`copy-assignment/${copy}`) as CopyAssignment | undefined;

/** Whether a copy is set aside. */
export const isSetAside = (order: Order, copy: string): boolean => order.has(`set-aside/${copy}`);

/** The user's order of formats on a computer. */
export const preferenceIn = (order: Order, computer: string): Preference | undefined =>
  order.get(`preference/${computer}`) as Preference | undefined;

/** The records of a table, or those of them that are wanted. */
export function ofTable<R extends OrderRecord>(
  order: Order,
  table: R['table'],
  isWanted: (record: R) => boolean = () => true,
): R[] {
  const found: R[] = [];
  for (const record of order.values()) {
    if (record.table === table && isWanted(record as R)) {
      found.push(record as R);
    }
  }
  return found;
}

/** All cabinets in order. */
export const cabinetsOf = (order: Order): Cabinet[] =>
  ofTable<Cabinet>(order, 'cabinet').sort(byPosition);
/** All folders of all cabinets, by position. */
export const allFolders = (order: Order): Folder[] =>
  ofTable<Folder>(order, 'folder').sort(byPosition);
/** All placements, by position. */
export const allPlacements = (order: Order): Placement[] =>
  ofTable<Placement>(order, 'placement').sort(byPosition);
/** All that the user says of plugins. */
export const allAnswers = (order: Order): Answer[] => ofTable<Answer>(order, 'answer');
/** All that the user says of where copies belong. */
export const allCopyAssignments = (order: Order): CopyAssignment[] =>
  ofTable<CopyAssignment>(order, 'copy-assignment');
/** All copies that are set aside. */
export const allSetAside = (order: Order): SetAside[] => ofTable<SetAside>(order, 'set-aside');
/** All that the user says of spellings. */
export const allSpellings = (order: Order): Spelling[] => ofTable<Spelling>(order, 'spelling');
/** All chains. */
export const allChains = (order: Order): Chain[] => ofTable<Chain>(order, 'chain');
/** All settings of which something was made. */
export const allSettings = (order: Order): Setting[] => ofTable<Setting>(order, 'setting');
/** All that plugins are called. */
export const allPluginNames = (order: Order): PluginNames[] =>
  ofTable<PluginNames>(order, 'plugin-names');

/** Folders and dividers directly below a folder (or below the cabinet, with null), in order. */
export const foldersBelow = (order: Order, cabinet: CabinetId, parent: FolderId | null): Folder[] =>
  ofTable<Folder>(order, 'folder', (f) => f.cabinet === cabinet && f.parent === parent).sort(
    byPosition,
  );

/** What is filed in a folder, in its own order. */
export const placementsIn = (order: Order, folder: FolderId): Placement[] =>
  ofTable<Placement>(order, 'placement', (p) => p.folder === folder).sort(byPosition);

/** The folder itself and all below it. */
export function folderAndBelow(order: Order, folder: Folder): Folder[] {
  return [
    folder,
    ...foldersBelow(order, folder.cabinet, folder.id).flatMap((f) => folderAndBelow(order, f)),
  ];
}

/** The folders of some ids and all that stand in them, among the given ones. */
export function foldersWithin(
  folders: readonly Pick<Folder, 'id' | 'parent'>[],
  ids: Iterable<string>,
): Set<string> {
  const within = new Set(ids);
  for (let size = -1; size !== within.size; ) {
    size = within.size;
    for (const { id, parent } of folders) {
      if (parent !== null && within.has(parent)) {
        within.add(id);
      }
    }
  }
  return within;
}

/** For each folder, itself and all below it, of whichever is meant. */
export function belowIn(order: Order): (folder: string) => string[] {
  const below = grouped(
    allFolders(order).flatMap((folder) =>
      folder.parent === null ? [] : [[folder.parent as string, folder] as const],
    ),
  );
  const known = new Map<string, string[]>();
  const andBelow = (id: string): string[] => {
    const real = resolveShortcut(order, id as Folder['id']) as string;
    const before = known.get(real);
    if (before) {
      return before;
    }
    known.set(real, [real]);
    const all = [real, ...(below.get(real) ?? []).flatMap((folder) => andBelow(folder.id))];
    known.set(real, all);
    return all;
  };
  return andBelow;
}
