/** The table of the log of changes. */
import type { OrderChange } from '@clever-drawer/core/acts';
import { index, json, schema, text, time, toRow, whole } from '../columns.ts';

/** A row of the table `change`. */
export interface ChangeRow {
  computerId: string;
  number: number;
  at: Date;
  words: string;
  state: 'done' | 'undone' | 'discarded';
  change: OrderChange;
}

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
