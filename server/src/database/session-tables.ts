/** Tables of sessions and loads. Rows carry the same words as core's records. */
import type { HostSession, TrackKind } from '@clever-drawer/core/loading';
import {
  flag,
  id,
  index,
  json,
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

/** A computer's session as its host has it. */
export interface PracticeRow {
  computerId: string;
  session: HostSession;
}

/** A row of the table `session_step`. */
export interface SessionStepRow {
  id: string;
  computerId: string;
  /** Steps are counted from 1. */
  number: number;
  words: string;
  isUndone: boolean;
  /** The session before the step; of one that was taken back the session after it. */
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
  /** The folder that was open meanwhile. */
  folderId: string | null;
}

/** The table `practice`. */
export const PracticeTable = schema<PracticeRow>('practice', {
  computerId: toRow('practice', 'computer', 'computer_id', 'CASCADE', primary),
  session: json,
});

/** The table `session_step`. */
export const SessionStepTable = schema<SessionStepRow>(
  'session_step',
  {
    id,
    computerId: toRow('session_step', 'computer', 'computer_id', 'CASCADE'),
    number: whole,
    words: text,
    isUndone: flag,
    session: json,
  },
  { uniques: unique('session_step_number_key', 'computerId', 'number') },
);

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
    pluginId: toRow('load', 'plugin', 'plugin_id', 'NO ACTION'),
    copyId: toRow('load', 'copy', 'copy_id', 'SET NULL'),
    at: time,
    track: text,
    afterPluginId: toRow('load', 'plugin', 'after_plugin_id', 'SET NULL'),
    typed: maybeText,
    keys: maybeWhole,
    took: maybeWhole,
    folderId: toRow('load', 'folder', 'folder_id', 'SET NULL'),
  },
  { indices: [index('load_plugin_idx', 'pluginId'), index('load_folder_idx', 'folderId')] },
);
