/** Spellings that the user assigned to vendors. */
import { id, text, toRow, unique } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `spelling`. */
export const spellings = recordTable(
  'spelling',
  'spelling',
  {
    id,
    computer: toRow('spelling', 'computer', 'computer_id', 'CASCADE'),
    spelling: text,
    vendor: text,
  },
  within.computer,
  { uniques: unique('spelling_spelling_key', 'computer', 'spelling') },
);
