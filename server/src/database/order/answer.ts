/** Answers of the user about plugins. */
import { flag, json, maybeJson, maybeText, primary, text, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `answer`. */
export const answers = recordTable(
  'answer',
  'answer',
  {
    id: toRow('answer', 'plugin', 'plugin_id', 'NO ACTION', primary),
    kind: maybeText,
    types: maybeJson,
    vendor: maybeText,
    licence: maybeJson,
    tags: json,
    notes: text,
    isHidden: flag,
    picture: { type: 'uuid', nullable: true },
    alsoCalled: json,
    firstCopy: { type: 'uuid', nullable: true },
  },
  within.plugin('plugin_id'),
);
