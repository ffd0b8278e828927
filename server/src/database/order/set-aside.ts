/** Copies that the user set aside. */
import { primary, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `set_aside`. */
export const setAside = recordTable(
  'set-aside',
  'set_aside',
  { id: toRow('set_aside', 'copy', 'copy_id', 'CASCADE', primary) },
  within.copy('copy_id'),
);
