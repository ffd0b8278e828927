/** The plugins to which the user assigned copies. */
import { primary, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `copy_assignment`. */
export const copyAssignments = recordTable(
  'copy-assignment',
  'copy_assignment',
  {
    id: toRow('copy_assignment', 'copy', 'copy_id', 'CASCADE', primary),
    plugin: toRow('copy_assignment', 'plugin', 'plugin_id', 'NO ACTION'),
    before: toRow('copy_assignment', 'plugin', 'before_id', 'NO ACTION'),
  },
  within.copy('copy_id'),
);
