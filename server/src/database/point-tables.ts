/** Tables of points and of the journal since the newest one. */
import type { OrderChange } from '@clever-drawer/core/acts';
import type { PointReason } from '@clever-drawer/core/keep';
import { id, json, maybeText, schema, text, time, toRow, unique, whole } from './columns.ts';

/** A row of the table `point`. */
export interface PointRow {
  id: string;
  computerId: string;
  /** Rises from point to point. */
  number: number;
  at: Date;
  name: string | null;
  reason: PointReason;
  /** What was about to change, in words. */
  before: string | null;
  /** How much the order held. */
  folders: number;
  filed: number;
  /** What changed up to the next point; nothing yet for the newest. */
  since: OrderChange;
}

/** A row of the table `journal`: one change since the newest point. */
export interface JournalRow {
  computerId: string;
  number: number;
  at: Date;
  change: OrderChange;
}

/** The table `point`. */
export const PointTable = schema<PointRow>(
  'point',
  {
    id,
    computerId: toRow('point', 'computer', 'computer_id', 'CASCADE'),
    number: whole,
    at: time,
    name: maybeText,
    reason: text,
    before: maybeText,
    folders: whole,
    filed: whole,
    since: json,
  },
  { uniques: unique('point_number_key', 'computerId', 'number') },
);

/** The table `journal`. */
export const JournalTable = schema<JournalRow>('journal', {
  computerId: toRow('journal', 'computer', 'computer_id', 'CASCADE', {
    type: 'uuid',
    primary: true,
  }),
  number: { ...whole, primary: true },
  at: time,
  change: json,
});
