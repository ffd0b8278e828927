/** The tables, as TypeORM entity schemas. Rows carry the same words as core's records. */
import { EntitySchema, type EntitySchemaColumnOptions, type EntitySchemaOptions } from 'typeorm';
import type {
  CabinetSlot,
  CopyState,
  FolderSorting,
  PluginEvidence,
  Licence,
  TwinDoubt,
  FindingKind,
  FolderForm,
  Format,
  FoundCopy,
  HostSession,
  Kind,
  OrderChange,
  Problem,
  Rule,
  ScanState,
  TrackKind,
} from '@clever-drawer/core';

/** A row of the table `computer`. */
export interface ComputerRow {
  id: string;
  name: string;
  revision: number;
  createdAt: Date;
  doubts: readonly TwinDoubt[];
  isLearning: boolean;
}
/** A row of the table `place`. */
export interface PlaceRow {
  id: string;
  computerId: string;
  path: string;
  formats: Format[];
  addedAt: Date;
  isOn: boolean;
  isWatched: boolean;
}
/** A row of the table `aside`. */
export interface AsideRow {
  computerId: string;
  path: string;
  name: string;
  at: Date;
}
/** One file or bundle that was looked at, with what tells whether it changed. */
export interface BundleRow {
  computerId: string;
  format: Format;
  path: string;
  placeId: string | null;
  fingerprint: string;
}
/** A row of the table `plugin`. */
export interface PluginRow {
  id: string;
  computerId: string;
  name: string;
  vendor: string | null;
  kind: Kind;
  types: readonly string[];
  arrivedAt: Date;
  grounds: PluginEvidence | null;
}
/** `away`: its place is out of reach or switched off. `aside`: set aside by the user. */
export type CopyRowState = CopyState | 'aside';
/** A row of the table `copy`. */
export interface CopyRow {
  id: string;
  computerId: string;
  pluginId: string | null;
  placeId: string | null;
  key: string;
  format: Format;
  path: string;
  status: 'ok' | 'failed';
  state: CopyRowState;
  facts: FoundCopy;
  firstSeenAt: Date;
  lastSeenAt: Date;
}
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
/** A picture of the user's own, as WebP. */
export interface PictureRow {
  id: string;
  computerId: string;
  bytes: Buffer;
  at: Date;
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
/** A row of the table `scan`. */
export interface ScanRow {
  id: string;
  computerId: string;
  startedAt: Date;
  endedAt: Date | null;
  state: ScanState;
  looked: number;
  counts: Record<FindingKind | 'unchanged', number>;
}
/** A row of the table `finding`. */
export interface FindingRow {
  id: string;
  scanId: string;
  number: number;
  sort: FindingKind;
  pluginId: string | null;
  name: string;
  vendor: string | null;
  format: Format;
  path: string;
  from: string | null;
  to: string | null;
  problem: Problem | null;
}
/** A computer's session as its host has it. */
export interface PracticeRow {
  computerId: string;
  session: HostSession;
}
/** A row of the table `saved_session`. */
export interface SavedSessionRow {
  id: string;
  computerId: string;
  name: string;
  savedAt: Date;
  session: HostSession;
}
/** A row of the table `load`. */
export interface LoadRow {
  id: string;
  computerId: string;
  pluginId: string;
  copyId: string | null;
  at: Date;
  track: TrackKind;
  afterPluginId: string | null;
  typed: string | null;
  keys: number | null;
  took: number | null;
}

type Columns<T> = { [K in keyof Required<T>]: EntitySchemaColumnOptions };
const id: EntitySchemaColumnOptions = { type: 'uuid', primary: true };
const text: EntitySchemaColumnOptions = { type: 'text' };
const maybeText: EntitySchemaColumnOptions = { type: 'text', nullable: true };
const json: EntitySchemaColumnOptions = { type: 'jsonb' };
const maybeJson: EntitySchemaColumnOptions = { type: 'jsonb', nullable: true };
const whole: EntitySchemaColumnOptions = { type: 'integer' };
const maybeWhole: EntitySchemaColumnOptions = { type: 'integer', nullable: true };
const flag: EntitySchemaColumnOptions = { type: 'boolean' };
const time: EntitySchemaColumnOptions = { type: 'timestamptz' };
const maybeTime: EntitySchemaColumnOptions = { type: 'timestamptz', nullable: true };

/** A column that points to another table's row; the constraint's name is given so that the drift test can compare it. */
const toRow = (
  table: string,
  target: string,
  column: string,
  onDelete: 'CASCADE' | 'SET NULL',
  more: EntitySchemaColumnOptions = { type: 'uuid' },
): EntitySchemaColumnOptions => ({
  ...more,
  nullable: onDelete === 'SET NULL',
  foreignKey: { target, name: `${table}_${column}_fkey`, onDelete },
});

function schema<T extends object>(
  name: string,
  columns: Columns<T>,
  more: Partial<EntitySchemaOptions<T>> = {},
): EntitySchema<T> {
  const named = Object.fromEntries(
    Object.entries<EntitySchemaColumnOptions>(columns).map(([property, options]) => {
      const column = property.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
      return [
        property,
        {
          ...options,
          name: column,
          ...(options.primary ? { primaryKeyConstraintName: `${name}_pkey` } : {}),
        },
      ];
    }),
  );
  // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment -- typeorm's documented way is a plain object
  return new EntitySchema<T>({ name, columns: named as never, ...more });
}

const unique = (name: string, ...columns: string[]): { name: string; columns: string[] }[] => [
  { name, columns },
];
const index = (name: string, ...columns: string[]): { name: string; columns: string[] } => ({
  name,
  columns,
});

/** The table `computer`. */
export const ComputerTable = schema<ComputerRow>('computer', {
  id,
  name: text,
  revision: whole,
  createdAt: time,
  doubts: json,
  isLearning: flag,
});
/** The table `place`. */
export const PlaceTable = schema<PlaceRow>(
  'place',
  {
    id,
    computerId: toRow('place', 'computer', 'computer_id', 'CASCADE'),
    path: text,
    formats: json,
    addedAt: time,
    isOn: flag,
    isWatched: flag,
  },
  { uniques: unique('place_path_key', 'computerId', 'path') },
);
/** The table `aside`. */
export const AsideTable = schema<AsideRow>('aside', {
  computerId: toRow('aside', 'computer', 'computer_id', 'CASCADE', { type: 'uuid', primary: true }),
  path: { ...text, primary: true },
  name: text,
  at: time,
});
/** The table `bundle`. */
export const BundleTable = schema<BundleRow>('bundle', {
  computerId: toRow('bundle', 'computer', 'computer_id', 'CASCADE', {
    type: 'uuid',
    primary: true,
  }),
  format: { ...text, primary: true },
  path: { ...text, primary: true },
  placeId: toRow('bundle', 'place', 'place_id', 'SET NULL'),
  fingerprint: text,
});
/** The table `plugin`. */
export const PluginTable = schema<PluginRow>(
  'plugin',
  {
    id,
    computerId: toRow('plugin', 'computer', 'computer_id', 'CASCADE'),
    name: text,
    vendor: maybeText,
    kind: text,
    types: json,
    arrivedAt: time,
    grounds: maybeJson,
  },
  { indices: [index('plugin_computer_idx', 'computerId')] },
);
/** The table `copy`. */
export const CopyTable = schema<CopyRow>(
  'copy',
  {
    id,
    computerId: toRow('copy', 'computer', 'computer_id', 'CASCADE'),
    pluginId: toRow('copy', 'plugin', 'plugin_id', 'SET NULL'),
    placeId: toRow('copy', 'place', 'place_id', 'SET NULL'),
    key: text,
    format: text,
    path: text,
    status: text,
    state: text,
    facts: json,
    firstSeenAt: time,
    lastSeenAt: time,
  },
  {
    uniques: unique('copy_key_key', 'computerId', 'key'),
    indices: [index('copy_plugin_idx', 'pluginId')],
  },
);
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
    pluginId: toRow('placement', 'plugin', 'plugin_id', 'CASCADE'),
    position: text,
  },
  {
    uniques: unique('placement_plugin_key', 'folderId', 'pluginId'),
    indices: [index('placement_plugin_idx', 'pluginId')],
  },
);
/** The table `naming`. */
export const NamingTable = schema<NamingRow>('naming', {
  pluginId: toRow('naming', 'plugin', 'plugin_id', 'CASCADE', { type: 'uuid', primary: true }),
  nickname: maybeText,
  slotLabel: maybeText,
});
const primary: EntitySchemaColumnOptions = { type: 'uuid', primary: true };
/** The table `answer`. */
export const AnswerTable = schema<AnswerRow>('answer', {
  pluginId: toRow('answer', 'plugin', 'plugin_id', 'CASCADE', primary),
  kind: maybeText,
  types: maybeJson,
  vendor: maybeText,
  licence: maybeJson,
  tags: json,
  notes: text,
  isHidden: flag,
  picture: { type: 'uuid', nullable: true },
});
/** The table `chain`. */
export const ChainTable = schema<ChainRow>('chain', {
  pluginId: toRow('chain', 'plugin', 'plugin_id', 'CASCADE', primary),
  name: text,
  kind: text,
  plugins: json,
});
/** The table `belonging`. */
export const BelongingTable = schema<BelongingRow>('belonging', {
  copyId: toRow('belonging', 'copy', 'copy_id', 'CASCADE', primary),
  pluginId: toRow('belonging', 'plugin', 'plugin_id', 'CASCADE'),
  beforeId: toRow('belonging', 'plugin', 'before_id', 'CASCADE'),
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
/** The table `picture`. */
export const PictureTable = schema<PictureRow>('picture', {
  id,
  computerId: toRow('picture', 'computer', 'computer_id', 'CASCADE'),
  bytes: { type: 'bytea' },
  at: time,
});
/** The table `change`. */
export const ChangeTable = schema<ChangeRow>('change', {
  computerId: toRow('change', 'computer', 'computer_id', 'CASCADE', {
    type: 'uuid',
    primary: true,
  }),
  number: { ...whole, primary: true },
  at: time,
  words: text,
  state: text,
  change: json,
});
/** The table `scan`. */
export const ScanTable = schema<ScanRow>('scan', {
  id,
  computerId: toRow('scan', 'computer', 'computer_id', 'CASCADE'),
  startedAt: time,
  endedAt: maybeTime,
  state: text,
  looked: whole,
  counts: json,
});
/** The table `finding`. */
export const FindingTable = schema<FindingRow>(
  'finding',
  {
    id,
    scanId: toRow('finding', 'scan', 'scan_id', 'CASCADE'),
    number: whole,
    sort: text,
    pluginId: toRow('finding', 'plugin', 'plugin_id', 'SET NULL'),
    name: text,
    vendor: maybeText,
    format: text,
    path: text,
    from: maybeText,
    to: maybeText,
    problem: maybeJson,
  },
  { indices: [index('finding_scan_idx', 'scanId')] },
);
/** The table `practice`. */
export const PracticeTable = schema<PracticeRow>('practice', {
  computerId: toRow('practice', 'computer', 'computer_id', 'CASCADE', primary),
  session: json,
});
/** The table `saved_session`. */
export const SavedSessionTable = schema<SavedSessionRow>('saved_session', {
  id,
  computerId: toRow('saved_session', 'computer', 'computer_id', 'CASCADE'),
  name: text,
  savedAt: time,
  session: json,
});
/** The table `load`. */
export const LoadTable = schema<LoadRow>(
  'load',
  {
    id,
    computerId: toRow('load', 'computer', 'computer_id', 'CASCADE'),
    pluginId: toRow('load', 'plugin', 'plugin_id', 'CASCADE'),
    copyId: toRow('load', 'copy', 'copy_id', 'SET NULL'),
    at: time,
    track: text,
    afterPluginId: toRow('load', 'plugin', 'after_plugin_id', 'SET NULL'),
    typed: maybeText,
    keys: maybeWhole,
    took: maybeWhole,
  },
  { indices: [index('load_plugin_idx', 'pluginId')] },
);

/** All tables. */
export const tables = [
  ComputerTable,
  PlaceTable,
  AsideTable,
  BundleTable,
  PluginTable,
  CopyTable,
  CabinetTable,
  FolderTable,
  PlacementTable,
  NamingTable,
  ChainTable,
  AnswerTable,
  BelongingTable,
  SpellingTable,
  PreferenceTable,
  PictureTable,
  ChangeTable,
  ScanTable,
  FindingTable,
  PracticeTable,
  SavedSessionTable,
  LoadTable,
];
