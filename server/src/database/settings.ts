/** Saved settings, by the files that they stand in. */
import type { EntityManager } from 'typeorm';
import type { FoundSetting } from '@clever-drawer/core/readers';
import { insertMany } from './bulk.ts';
import { SettingFileTable, type SettingFileRow } from './setting-tables.ts';

/** What was read before: fingerprint and place of each file. */
export const settingFiles = (
  manager: EntityManager,
  computer: string,
): Promise<Pick<SettingFileRow, 'path' | 'placeId' | 'fingerprint'>[]> =>
  manager.query(
    'SELECT path, place_id "placeId", fingerprint FROM setting_file WHERE computer_id = $1',
    [computer],
  );

/** Keeps what was read in some files, and forgets others. */
export async function saveSettingFiles(
  manager: EntityManager,
  computer: string,
  read: readonly SettingFileRow[],
  gone: readonly string[],
): Promise<void> {
  await manager.query('DELETE FROM setting_file WHERE computer_id = $1 AND path = ANY($2)', [
    computer,
    gone,
  ]);
  await insertMany(manager, SettingFileTable, read, ['computerId', 'path']);
}

/** A setting is for a copy when it names it as the format does: LADSPA by its number, others by identity. */
const isFor = `copy.format = setting->>'format' AND setting->>'plugin' =
  CASE copy.format WHEN 'LADSPA' THEN copy.facts->>'uniqueId' ELSE copy.facts->>'identity' END`;

/** Settings that were read and say a name. */
const isSound = `setting->>'status' = 'ok' AND setting->>'name' IS NOT NULL`;

/** The settings for any copy of a plugin, in the order of their files. */
export const settingsFor = (
  manager: EntityManager,
  computer: string,
  plugin: string,
): Promise<{ setting: FoundSetting & { readonly name: string } }[]> =>
  manager.query(
    `SELECT setting FROM setting_file, jsonb_array_elements(settings) WITH ORDINALITY s (setting, n)
      WHERE computer_id = $1 AND ${isSound} AND EXISTS (SELECT FROM copy
        WHERE copy.computer_id = $1 AND copy.plugin_id = $2 AND ${isFor})
      ORDER BY path, n`,
    [computer, plugin],
  );

/** The most settings that are told at once; far above any studio. */
const most = 50_000;

/** All settings whose plugin is in the catalog, each once. */
export const settingsOfPlugins = (
  manager: EntityManager,
  computer: string,
): Promise<{ plugin: string; name: string; bank: string | null }[]> =>
  manager.query(
    `SELECT DISTINCT copy.plugin_id plugin, setting->>'name' name, setting->>'bank' bank
      FROM setting_file, jsonb_array_elements(settings) s (setting), copy
      WHERE setting_file.computer_id = $1 AND ${isSound} AND copy.computer_id = $1
        AND copy.plugin_id IS NOT NULL AND ${isFor}
      ORDER BY 2, 3, 1 LIMIT ${most}`,
    [computer],
  );
