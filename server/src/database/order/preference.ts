/** The order of formats. */
import { json, primary, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `preference`. */
export const preferences = recordTable(
  'preference',
  'preference',
  { id: toRow('preference', 'computer', 'computer_id', 'CASCADE', primary), formats: json },
  within.computer,
);
