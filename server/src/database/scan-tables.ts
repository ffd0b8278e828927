/** Tables of places and scans. Rows carry the same words as core's records. */
import type { ScanState } from '@clever-drawer/core/api';
import type { Format } from '@clever-drawer/core/formats';
import type { Problem } from '@clever-drawer/core/problem';
import type { FindingKind } from '@clever-drawer/core/scan';
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

/** A row of the table `scan`. */
export interface ScanRow {
  id: string;
  computerId: string;
  /** Counts the computer's scans from 1: clocks can be set back. */
  number: number;
  startedAt: Date;
  endedAt: Date | null;
  state: ScanState;
  looked: number;
  counts: Record<FindingKind | 'unchanged', number>;
  /** What of the places could not be looked into. */
  problems: readonly Problem[];
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

/** The table `scan`. */
export const ScanTable = schema<ScanRow>('scan', {
  id,
  computerId: toRow('scan', 'computer', 'computer_id', 'CASCADE'),
  number: whole,
  startedAt: time,
  endedAt: maybeTime,
  state: text,
  looked: whole,
  counts: json,
  problems: json,
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
