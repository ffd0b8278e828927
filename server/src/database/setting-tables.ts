/** The table of files that may hold saved settings. */
import type { FoundSetting } from '@clever-drawer/core/readers';
import { json, schema, text, toRow } from './columns.ts';

/** A row of the table `setting_file`: a file or bundle, and the settings in it; most hold none. */
export interface SettingFileRow {
  computerId: string;
  path: string;
  placeId: string;
  fingerprint: string;
  settings: readonly FoundSetting[];
}

/** The table `setting_file`. */
export const SettingFileTable = schema<SettingFileRow>('setting_file', {
  computerId: toRow('setting_file', 'computer', 'computer_id', 'CASCADE', {
    type: 'uuid',
    primary: true,
  }),
  path: { ...text, primary: true },
  placeId: toRow('setting_file', 'place', 'place_id', 'CASCADE'),
  fingerprint: text,
  settings: json,
});
