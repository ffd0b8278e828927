/** Folders. */
import { flag, id, json, maybeJson, maybeText, maybeWhole, text, toRow } from '../columns.ts';
import { recordTable, within } from './record-table.ts';

/** The table `folder`. */
export const folders = recordTable(
  'folder',
  'folder',
  {
    id,
    cabinet: toRow('folder', 'cabinet', 'cabinet_id', 'CASCADE'),
    parent: { ...toRow('folder', 'folder', 'parent_id', 'CASCADE'), nullable: true },
    form: text,
    name: text,
    position: text,
    rule: maybeJson,
    sortedBy: maybeText,
    isPinned: flag,
    notes: text,
    shortcutTo: { ...toRow('folder', 'folder', 'shortcut_to', 'CASCADE'), nullable: true },
    alwaysIn: json,
    alwaysOut: json,
    atMost: maybeWhole,
    firstFormat: maybeText,
    firstCopies: json,
  },
  within.cabinet,
);
