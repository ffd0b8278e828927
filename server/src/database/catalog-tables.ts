/** Tables of computers and their catalogs. Rows carry the same words as core's records. */
import type { OpeningWish, PutOff, ShelfSettings } from '@clever-drawer/core/api';
import type { CopyState, Kind } from '@clever-drawer/core/catalog';
import type { Format, FoundCopy } from '@clever-drawer/core/formats';
import type { PluginEvidence, TwinDoubt } from '@clever-drawer/core/identify';
import type { ForeignFields } from '@clever-drawer/core/documents';
import {
  flag,
  id,
  index,
  json,
  maybeJson,
  maybeText,
  maybeTime,
  schema,
  text,
  time,
  toRow,
  unique,
  whole,
} from './columns.ts';

/** A row of the table `computer`. */
export interface ComputerRow {
  id: string;
  name: string;
  revision: number;
  createdAt: Date;
  isLearning: boolean;
  /** When copies are opened that reading cannot tell enough of. */
  opening: OpeningWish;
  /** Another computer than the one the program runs on. */
  isElsewhere: boolean;
  /** When it was removed; all of it stays until it is restored. */
  removedAt: Date | null;
  /** What documents said that is not ours, by the place where it stood. */
  kept: ForeignFields;
  /** The cabinet that is written out as directories, and kept in step; null without one. */
  shelf: ShelfSettings | null;
  /** What a review advised and was put off. */
  putOff: PutOff;
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
  /** The plugin that all its copies went into; null while it has some, or never had any. */
  wentInto: string | null;
  /** Whether the log of changes refers to it: it stays, so that undo finds it. */
  isRemembered: boolean;
  /** What it was called before its copies said otherwise; null where that never happened. */
  formerNames?: readonly string[] | null;
}

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
  /** `away`: its place is out of reach or switched off. */
  state: CopyState;
  facts: FoundCopy;
  firstSeenAt: Date;
  lastSeenAt: Date;
}

/** Where a copy lies and how it stands: its row without its facts, of which there may be much. */
export type CopySummary = Pick<CopyRow, 'id' | 'placeId' | 'path' | 'status' | 'state'>;

/** One file or bundle that was looked at, with what tells whether it changed. */
export interface BundleRow {
  computerId: string;
  format: Format;
  path: string;
  placeId: string | null;
  fingerprint: string;
  /** The disk it was found on; null for what an older program found. */
  device: string | null;
  /** The fingerprint under which it was opened last; null when it never was. */
  opened: string | null;
}

/** What a scan asks of a bundle that was looked at before. */
export type BundleBefore = Omit<BundleRow, 'computerId' | 'placeId'>;

/** A picture of the user's own, as WebP. */
export interface PictureRow {
  id: string;
  computerId: string;
  bytes: Buffer;
  at: Date;
}

/** A row of the table `computer` with what is read of it by itself. */
export interface WholeComputerRow extends ComputerRow {
  doubts: readonly TwinDoubt[];
  /** Goes up with every change of what is shown (versions.ts). */
  version: number;
}

/** The table `computer`. */
export const ComputerTable = schema<WholeComputerRow>('computer', {
  id,
  name: text,
  revision: whole,
  createdAt: time,
  // Large; no row brings it along (readDoubts).
  doubts: { ...json, select: false },
  version: { type: 'bigint', default: 0, select: false },
  isLearning: flag,
  opening: text,
  isElsewhere: flag,
  removedAt: maybeTime,
  kept: json,
  shelf: maybeJson,
  putOff: json,
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
    wentInto: toRow('plugin', 'plugin', 'went_into', 'SET NULL'),
    isRemembered: flag,
    formerNames: maybeJson,
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
  device: maybeText,
  opened: maybeText,
});

/** The table `picture`. */
export const PictureTable = schema<PictureRow>('picture', {
  id,
  computerId: toRow('picture', 'computer', 'computer_id', 'CASCADE'),
  bytes: { type: 'bytea' },
  at: time,
});
