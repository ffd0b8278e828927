/** Cabinets. */
import { id, json, maybeText, text, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `cabinet`. */
export const cabinets = recordTable(
  'cabinet',
  'cabinet',
  {
    id,
    computer: toRow('cabinet', 'computer', 'computer_id', 'CASCADE'),
    name: text,
    position: text,
    opensFor: json,
    sortedBy: maybeText,
  },
  within.computer,
);
