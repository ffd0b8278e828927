/** Saved settings, by the files that they stand in. */
import type { EntityManager } from 'typeorm';
import type { PluginSetting, WaitingSetting } from '@clever-drawer/core/api';
import type { FoundSetting } from '@clever-drawer/core/readers';
import { uuidOf } from '../uuid.ts';
import { insertMany } from './bulk.ts';
import { noteChange } from './versions.ts';
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
  if (read.length + gone.length > 0) {
    await noteChange(manager, computer, 'settings');
  }
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

/**
 * A setting that is found again has the id it had before: it is made of what names it, LV2's and
 * LADSPA's its URI, else its file.
 */
const settingId = `md5(concat_ws(E'\\n', setting_file.computer_id::text, setting->>'format', setting->>'plugin',
  coalesce(setting->>'identity', concat_ws(E'\\n', setting->>'path', setting->>'name'))))::uuid`;

/** That id of a setting with a URI, of which no scan told yet: when it comes, it is the same. */
export function settingIdOf(
  computer: string,
  { format, plugin, identity }: { format: string; plugin: string; identity: string },
): string {
  return uuidOf([computer, format, plugin, identity].join('\n'));
}

/** The settings for any copy of a plugin, in the order of their files. */
export const settingsFor = (
  manager: EntityManager,
  computer: string,
  plugin: string,
): Promise<{ id: string; setting: FoundSetting & { readonly name: string } }[]> =>
  manager.query(
    `SELECT ${settingId} id, setting FROM setting_file, jsonb_array_elements(settings) WITH ORDINALITY s (setting, n)
      WHERE computer_id = $1 AND ${isSound} AND EXISTS (SELECT FROM copy
        WHERE copy.computer_id = $1 AND copy.plugin_id = $2 AND ${isFor})
      ORDER BY path, n`,
    [computer, plugin],
  );

/** The most settings that are told at once; far above any studio. */
const most = 50_000;
/** The most that are listed as waiting. */
const mostWaiting = 1_000;

/** A setting whose plugin is in the catalog. */
export type SettingHere = Omit<PluginSetting, 'id' | 'plugin'> & { id: string; plugin: string };

/** All settings whose plugin is in the catalog, each once, by name. */
export const settingsOfPlugins = (
  manager: EntityManager,
  computer: string,
): Promise<SettingHere[]> =>
  manager.query(
    `SELECT * FROM (
      SELECT DISTINCT ON (id) ${settingId} id, copy.plugin_id plugin, setting->>'name' name,
        setting->>'bank' bank, copy.format, setting->>'path' path, setting->>'identity' identity
        FROM setting_file, jsonb_array_elements(settings) s (setting), copy
        WHERE setting_file.computer_id = $1 AND ${isSound} AND copy.computer_id = $1
          AND copy.plugin_id IS NOT NULL AND ${isFor}
        ORDER BY id, copy.id) here
      ORDER BY name, bank, id LIMIT ${most}`,
    [computer],
  );

/** Settings of no plugin that is in the catalog: they wait for it. */
export const waitingSettings = (
  manager: EntityManager,
  computer: string,
): Promise<WaitingSetting[]> =>
  manager.query(
    `SELECT setting->>'format' format, setting->>'name' name, setting->>'bank' bank,
      setting->>'path' path, setting->>'plugin' plugin, setting->>'pluginName' "pluginName",
      setting->>'vendor' vendor
      FROM setting_file, jsonb_array_elements(settings) s (setting)
      WHERE computer_id = $1 AND ${isSound} AND NOT EXISTS (SELECT FROM copy
        WHERE copy.computer_id = $1 AND copy.plugin_id IS NOT NULL AND ${isFor})
      ORDER BY 7, 6, 2, 4 LIMIT ${mostWaiting}`,
    [computer],
  );
