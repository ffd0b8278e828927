/** What a user can do to the order, as data. New records bring their ids, so that doing an act again gives the same result. */
import type { CabinetId, FolderId, PlacementId, PluginId } from '../id.ts';
import type { Rule } from '../rules/rule.ts';

export type Act =
  | { act: 'add-cabinet'; id: CabinetId; favourites: FolderId; name: string }
  | { act: 'add-folder'; id: FolderId; cabinet: CabinetId; parent: FolderId | null; form: 'folder' | 'smart' | 'divider'; name: string; rule: Rule | null; before: FolderId | null }
  | { act: 'rename-folder'; folder: FolderId; name: string }
  | { act: 'move-folder'; folder: FolderId; parent: FolderId | null; before: FolderId | null }
  | { act: 'remove-folder'; folder: FolderId }
  | { act: 'set-rule'; folder: FolderId; rule: Rule }
  | { act: 'file'; folder: FolderId; plugins: readonly { placement: PlacementId; plugin: PluginId }[]; before: PlacementId | null }
  | { act: 'take-out'; placements: readonly PlacementId[] }
  | { act: 'move-placement'; placement: PlacementId; before: PlacementId | null }
  | { act: 'name'; plugin: PluginId; nickname: string | null; slotLabel: string | null };

export type ActName = Act['act'];

/** The most letters a name may have; more are refused at the door. */
export const nameLength = 120;
/** The most plugins one act may file or take out. */
export const actSize = 20_000;
