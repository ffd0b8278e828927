/**
 * What a user can do to the order, as data. New records bring their ids, so that doing an act again
 * gives the same result.
 */
import type { Kind } from '../catalog/kind.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
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
import type {
  CabinetSlot,
  FolderForm,
  FolderSorting,
  Setting,
  SmartPart,
} from '../order/records.ts';

/** Everything a user can do to the order, told apart by `act`. */
export type Act =
  | {
      act: 'add-cabinet';
      id: CabinetId;
      favourites: FolderId;
      name: string;
      opensFor: readonly CabinetSlot[];
      folders: readonly NewFolder[];
    }
  | {
      act: 'set-cabinet';
      cabinet: CabinetId;
      set: {
        readonly name?: string;
        readonly opensFor?: readonly CabinetSlot[];
        readonly sortedBy?: 'name' | null;
      };
    }
  | { act: 'move-cabinet'; cabinet: CabinetId; before: CabinetId | null }
  | { act: 'remove-cabinet'; cabinet: CabinetId }
  /** A new folder may hold plugins from the start. */
  | {
      act: 'add-folder';
      id: FolderId;
      cabinet: CabinetId;
      parent: FolderId | null;
      form: 'folder' | 'smart' | 'divider';
      name: string;
      rule: Rule | null;
      before: FolderId | null;
      plugins?: NewFolder['plugins'];
      smart?: SmartPart;
    }
  /** Puts a whole folder into a cabinet: the first is the folder itself, the others lie below it. */
  | {
      act: 'copy-folder';
      cabinet: CabinetId;
      parent: FolderId | null;
      folders: readonly NewFolder[];
    }
  /** Shows a folder in another cabinet too. */
  | {
      act: 'show-folder';
      id: FolderId;
      folder: FolderId;
      cabinet: CabinetId;
      before: FolderId | null;
    }
  /**
   * One favourites folder for all cabinets, with what the others held added to it; with null, each
   * has its own again.
   */
  | {
      act: 'share-favourites';
      favourites: FolderId | null;
      plugins: readonly { placement: PlacementId; plugin: PluginId }[];
    }
  | { act: 'rename-folder'; folder: FolderId; name: string }
  | { act: 'move-folder'; folder: FolderId; parent: FolderId | null; before: FolderId | null }
  | { act: 'remove-folder'; folder: FolderId }
  | {
      act: 'set-folder';
      folder: FolderId;
      set: {
        readonly sortedBy?: FolderSorting | null;
        readonly isPinned?: boolean;
        readonly notes?: string;
        readonly firstFormat?: Format | null;
        readonly firstCopies?: readonly CopyId[];
      };
    }
  /** Puts all that one folder holds into another; the one that is empty then goes. */
  | { act: 'merge-folders'; from: FolderId; into: FolderId }
  /** Puts placements of a folder into new subfolders of it. */
  | {
      act: 'split-folder';
      folder: FolderId;
      parts: readonly {
        readonly id: FolderId;
        readonly name: string;
        readonly placements: readonly PlacementId[];
      }[];
    }
  /** From folder to folder: taken out there, filed here. */
  | {
      act: 'move-to';
      placements: readonly PlacementId[];
      folder: FolderId;
      before: PlacementId | null;
    }
  /** Saves what the editor of a smart folder shows, in one change. */
  | { act: 'set-rule'; folder: FolderId; rule: Rule; name?: string; smart?: SmartPart }
  /** Plugins are in a smart folder, or out of it, whatever its rule says; or as the rule says again. */
  | {
      act: 'keep-by-hand';
      folder: FolderId;
      plugins: readonly PluginId[];
      as: 'in' | 'out' | 'rule';
    }
  /** A smart folder becomes an ordinary one that holds these. */
  | { act: 'settle'; folder: FolderId; plugins: NewFolder['plugins'] }
  | {
      act: 'file';
      folder: FolderId;
      plugins: readonly { placement: PlacementId; plugin: PluginId }[];
      before: PlacementId | null;
    }
  /** In one change, into each folder what is meant for it. */
  | {
      act: 'file-each';
      entries: readonly {
        readonly folder: FolderId;
        readonly plugins: readonly { placement: PlacementId; plugin: PluginId }[];
      }[];
    }
  | { act: 'take-out'; placements: readonly PlacementId[] }
  | { act: 'move-placement'; placement: PlacementId; before: PlacementId | null }
  | { act: 'name'; plugin: PluginId; nickname: string | null; slotLabel: string | null }
  | { act: 'add-chain'; id: PluginId; name: string; kind: Kind; plugins: readonly PluginId[] }
  | { act: 'remove-chain'; chain: PluginId }
  /** Settings that something is made of now, and what: both are one change. */
  | { act: 'keep-settings'; settings: readonly SettingFields[]; then: Act | null }
  | { act: 'remove-setting'; setting: PluginId }
  | { act: 'answer'; say: readonly Said[] }
  | { act: 'tag'; plugins: readonly PluginId[]; add: readonly string[]; remove: readonly string[] }
  /** All copies of `from` belong to `into` from now on, with all that was made of it. */
  | { act: 'join'; into: Owner; from: readonly Owner[] }
  /** Some copies of a plugin are a plugin of their own. */
  | { act: 'part'; copies: readonly CopyId[]; from: Owner; plugin: PluginId }
  /** They are two: each keeps its copies, and nobody asks again. */
  | { act: 'keep-apart'; plugins: readonly Owner[] }
  /** Copies that are neither examined nor in the catalog until they are restored. */
  | { act: 'set-aside'; copies: readonly CopyId[] }
  | { act: 'restore'; copies: readonly CopyId[] }
  /** Which format's copy goes in front. */
  | { act: 'prefer'; computer: ComputerId; formats: readonly Format[] }
  /** Those spellings are that vendor; null takes back what was said of them. */
  | {
      act: 'spell';
      say: readonly {
        spellings: readonly { id: SpellingId; spelling: string }[];
        vendor: string | null;
      }[];
    };

/**
 * A folder of a new cabinet, parents before what is in them. The one with the id of the favourites
 * stands for these.
 */
export interface NewFolder {
  readonly id: FolderId;
  readonly parent: FolderId | null;
  readonly form: FolderForm;
  readonly name: string;
  readonly rule: Rule | null;
  readonly plugins: readonly { readonly placement: PlacementId; readonly plugin: PluginId }[];
  readonly smart?: SmartPart;
}

/** A setting as an act brings it. */
export type SettingFields = Omit<Setting, 'table'>;

/** The given facts hold for all the plugins; those not given stay as they are. */
export interface Said {
  readonly plugins: readonly PluginId[];
  readonly set: Partial<AnswerFacts>;
}

/** A plugin with all its copies, as the window that acts sees it. */
export interface Owner {
  readonly plugin: PluginId;
  readonly copies: readonly CopyId[];
}

/** The name of an act. */
export type ActName = Act['act'];
/** The act of that name. */
export type ActOf<N extends ActName> = Extract<Act, { act: N }>;

/** The most letters a name may have; more are refused at the door. */
export const nameLength = 120;
/** The most characters of a state that a host gave. */
export const stateLength = 65_536;
/** The most plugins one act may file or take out. */
export const actSize = 20_000;
