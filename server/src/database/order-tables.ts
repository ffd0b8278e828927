/** Tables of the order and its log of changes. Rows carry the same words as core's records. */
import type { OrderChange } from '@clever-drawer/core/acts';
import type { Licence, Kind } from '@clever-drawer/core/catalog';
import type { Format } from '@clever-drawer/core/formats';
import type { CabinetSlot, FolderSorting, FolderForm } from '@clever-drawer/core/order';
import type { Rule } from '@clever-drawer/core/rules';
import {
  flag,
  id,
  index,
  json,
  maybeJson,
  maybeText,
  maybeWhole,
  primary,
  schema,
  text,
  time,
  toRow,
  unique,
  whole,
} from './columns.ts';

/** A row of the table `cabinet`. */
export interface CabinetRow {
  id: string;
  computerId: string;
  name: string;
  position: string;
  opensFor: readonly CabinetSlot[];
  sortedBy: 'name' | null;
}

/** A row of the table `folder`. */
export interface FolderRow {
  id: string;
  cabinetId: string;
  parentId: string | null;
  form: FolderForm;
  name: string;
  position: string;
  rule: Rule | null;
  sortedBy: FolderSorting | null;
  isPinned: boolean;
  notes: string;
  shortcutTo: string | null;
  alwaysIn: readonly string[];
  alwaysOut: readonly string[];
  atMost: number | null;
}

/** A row of the table `placement`. */
export interface PlacementRow {
  id: string;
  folderId: string;
  pluginId: string;
  position: string;
}

/** A row of the table `naming`. */
export interface NamingRow {
  pluginId: string;
  nickname: string | null;
  slotLabel: string | null;
}

/** A row of the table `chain`. */
export interface ChainRow {
  pluginId: string;
  name: string;
  kind: Kind;
  plugins: readonly string[];
}

/** A row of the table `setting`. */
export interface SettingRow {
  pluginId: string;
  name: string;
  ownerId: string;
  bank: string | null;
  format: Format;
  path: string | null;
  identity: string | null;
  state: string | null;
}

/** A row of the table `answer`. */
export interface AnswerRow {
  pluginId: string;
  kind: Kind | null;
  types: readonly string[] | null;
  vendor: string | null;
  licence: Licence | null;
  tags: readonly string[];
  notes: string;
  isHidden: boolean;
  picture: string | null;
}

/** A row of the table `belonging`. */
export interface BelongingRow {
  copyId: string;
  pluginId: string;
  beforeId: string;
}

/** A row of the table `spelling`. */
export interface SpellingRow {
  id: string;
  computerId: string;
  spelling: string;
  vendor: string;
}

/** A row of the table `preference`. */
export interface PreferenceRow {
  computerId: string;
  formats: readonly Format[];
}

/** A row of the table `change`. */
export interface ChangeRow {
  computerId: string;
  number: number;
  at: Date;
  words: string;
  state: 'done' | 'undone' | 'discarded';
  change: OrderChange;
}

/** The table `cabinet`. */
export const CabinetTable = schema<CabinetRow>('cabinet', {
  id,
  computerId: toRow('cabinet', 'computer', 'computer_id', 'CASCADE'),
  name: text,
  position: text,
  opensFor: json,
  sortedBy: maybeText,
});

/** The table `folder`. */
export const FolderTable = schema<FolderRow>('folder', {
  id,
  cabinetId: toRow('folder', 'cabinet', 'cabinet_id', 'CASCADE'),
  parentId: { ...toRow('folder', 'folder', 'parent_id', 'CASCADE'), nullable: true },
  form: text,
  name: text,
  position: text,
  rule: maybeJson,
  sortedBy: maybeText,
  isPinned: flag,
  notes: text,
  shortcutTo: { ...toRow('folder', 'folder', 'shortcut_to', 'CASCADE'), nullable: true },
  alwaysIn: json,
  alwaysOut: json,
  atMost: maybeWhole,
});

/** The table `placement`. */
export const PlacementTable = schema<PlacementRow>(
  'placement',
  {
    id,
    folderId: toRow('placement', 'folder', 'folder_id', 'CASCADE'),
    pluginId: toRow('placement', 'plugin', 'plugin_id', 'NO ACTION'),
    position: text,
  },
  {
    uniques: unique('placement_plugin_key', 'folderId', 'pluginId'),
    indices: [index('placement_plugin_idx', 'pluginId')],
  },
);

/** The table `naming`. */
export const NamingTable = schema<NamingRow>('naming', {
  pluginId: toRow('naming', 'plugin', 'plugin_id', 'NO ACTION', { type: 'uuid', primary: true }),
  nickname: maybeText,
  slotLabel: maybeText,
});

/** The table `chain`. */
export const ChainTable = schema<ChainRow>('chain', {
  pluginId: toRow('chain', 'plugin', 'plugin_id', 'NO ACTION', primary),
  name: text,
  kind: text,
  plugins: json,
});

/** The table `setting`. */
export const SettingTable = schema<SettingRow>('setting', {
  pluginId: toRow('setting', 'plugin', 'plugin_id', 'NO ACTION', primary),
  name: text,
  ownerId: toRow('setting', 'plugin', 'owner_id', 'NO ACTION'),
  bank: maybeText,
  format: text,
  path: maybeText,
  identity: maybeText,
  state: maybeText,
});

/** The table `answer`. */
export const AnswerTable = schema<AnswerRow>('answer', {
  pluginId: toRow('answer', 'plugin', 'plugin_id', 'NO ACTION', primary),
  kind: maybeText,
  types: maybeJson,
  vendor: maybeText,
  licence: maybeJson,
  tags: json,
  notes: text,
  isHidden: flag,
  picture: { type: 'uuid', nullable: true },
});

/** The table `belonging`. */
export const BelongingTable = schema<BelongingRow>('belonging', {
  copyId: toRow('belonging', 'copy', 'copy_id', 'CASCADE', primary),
  pluginId: toRow('belonging', 'plugin', 'plugin_id', 'NO ACTION'),
  beforeId: toRow('belonging', 'plugin', 'before_id', 'NO ACTION'),
});

/** The table `spelling`. */
export const SpellingTable = schema<SpellingRow>(
  'spelling',
  {
    id,
    computerId: toRow('spelling', 'computer', 'computer_id', 'CASCADE'),
    spelling: text,
    vendor: text,
  },
  { uniques: unique('spelling_spelling_key', 'computerId', 'spelling') },
);

/** The table `preference`. */
export const PreferenceTable = schema<PreferenceRow>('preference', {
  computerId: toRow('preference', 'computer', 'computer_id', 'CASCADE', primary),
  formats: json,
});

/** The table `change`. */
export const ChangeTable = schema<ChangeRow>(
  'change',
  {
    computerId: toRow('change', 'computer', 'computer_id', 'CASCADE', {
      type: 'uuid',
      primary: true,
    }),
    number: { ...whole, primary: true },
    at: time,
    words: text,
    state: text,
    change: json,
  },
  {
    indices: [{ ...index('change_undone_idx', 'computerId', 'number'), where: "state = 'undone'" }],
  },
);
