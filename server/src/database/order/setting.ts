/** Saved settings that the order refers to. */
import { maybeText, primary, text, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `setting`. */
export const settings = recordTable(
  'setting',
  'setting',
  {
    id: toRow('setting', 'plugin', 'plugin_id', 'NO ACTION', primary),
    name: text,
    plugin: toRow('setting', 'plugin', 'owner_id', 'NO ACTION'),
    bank: maybeText,
    format: text,
    path: maybeText,
    identity: maybeText,
    state: maybeText,
  },
  within.plugin('plugin_id'),
);
