/** Chains. */
import { json, primary, text, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `chain`. */
export const chains = recordTable(
  'chain',
  'chain',
  {
    id: toRow('chain', 'plugin', 'plugin_id', 'NO ACTION', primary),
    name: text,
    kind: text,
    plugins: json,
  },
  within.plugin('plugin_id'),
);
