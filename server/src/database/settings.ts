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

/** The settings for plugins of these identities (`FORMAT identity`), in the order of their files. */
export const settingsFor = (
  manager: EntityManager,
  computer: string,
  identities: readonly string[],
): Promise<{ setting: FoundSetting }[]> =>
  manager.query(
    `SELECT setting FROM setting_file, jsonb_array_elements(settings) WITH ORDINALITY s (setting, n)
      WHERE computer_id = $1 AND (setting->>'format') || ' ' || (setting->>'plugin') = ANY($2)
      ORDER BY path, n`,
    [computer, identities],
  );

/** The most settings that are told at once; far above any studio. */
const most = 50_000;

/** All settings whose plugin is in the catalog, each once. */
export const settingsOfPlugins = (
  manager: EntityManager,
  computer: string,
): Promise<{ plugin: string; name: string; bank: string | null }[]> =>
  manager.query(
    `WITH held AS (SELECT s->>'format' format, s->>'plugin' plugin, s->>'name' name, s->>'bank' bank
        FROM setting_file, jsonb_array_elements(settings) s
        WHERE computer_id = $1 AND s->>'status' = 'ok' AND s->>'name' IS NOT NULL)
      SELECT DISTINCT c.plugin_id plugin, held.name, held.bank FROM held JOIN copy c
        ON c.computer_id = $1 AND c.plugin_id IS NOT NULL AND c.format = held.format
        AND held.plugin = CASE c.format WHEN 'LADSPA' THEN c.facts->>'uniqueId'
          ELSE c.facts->>'identity' END
      ORDER BY 2, 3, 1 LIMIT ${most}`,
    [computer],
  );
