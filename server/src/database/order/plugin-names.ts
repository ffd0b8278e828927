/** What the user calls plugins. */
import { maybeText, primary, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `plugin_names`. */
export const pluginNames = recordTable(
  'plugin-names',
  'plugin_names',
  {
    id: toRow('plugin_names', 'plugin', 'plugin_id', 'NO ACTION', primary),
    nickname: maybeText,
    slotLabel: maybeText,
  },
  within.plugin('plugin_id'),
);
