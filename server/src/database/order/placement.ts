/** Placements. */
import { id, index, text, toRow, unique } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `placement`. */
export const placements = recordTable(
  'placement',
  'placement',
  {
    id,
    folder: toRow('placement', 'folder', 'folder_id', 'CASCADE'),
    plugin: toRow('placement', 'plugin', 'plugin_id', 'NO ACTION'),
    position: text,
  },
  within.folder,
  {
    uniques: unique('placement_plugin_key', 'folder', 'plugin'),
    indices: [index('placement_plugin_idx', 'plugin')],
  },
);
