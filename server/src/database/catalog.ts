/** Plugins and their copies. */
import { In, type EntityManager } from 'typeorm';
import { asId, type CopyId, type CopyState, type Plugin, type PluginId } from '@clever-drawer/core';
import { insertMany } from './bulk.ts';
import { BundleTable, CopyTable, PluginTable, type BundleRow, type CopyRow, type PluginRow } from './schemas.ts';

/** All plugins of a computer with their copies, by name; those of which everything is set aside are left out. */
export async function readCatalog(manager: EntityManager, computer: string): Promise<Plugin[]> {
  const plugins: (Omit<PluginRow, 'computerId' | 'key'>)[] = await manager.query(
    `SELECT id, name, vendor, kind, types, arrived_at "arrivedAt" FROM plugin WHERE computer_id = $1 ORDER BY name, id`, [computer]);
  const copies: (Pick<CopyRow, 'id' | 'format' | 'path'> & { state: CopyState; pluginId: string; version: string | null; hasPicture: boolean; is32Bit: boolean })[] = await manager.query(
    `SELECT id, plugin_id "pluginId", format, path, state, facts->>'version' "version", facts->>'picture' IS NOT NULL "hasPicture",
            CASE jsonb_typeof(facts->'architectures') WHEN 'array' THEN facts->'architectures' <> '[]' AND facts->'architectures' <@ '["x86", "arm"]' ELSE false END "is32Bit"
       FROM copy WHERE computer_id = $1 AND plugin_id IS NOT NULL AND state <> 'aside' ORDER BY path, id`, [computer]);
  const byPlugin = new Map<string, Plugin['copies'][number][]>();
  for (const { pluginId, id, ...copy } of copies) {
    const list = byPlugin.get(pluginId);
    const card = { id: asId<CopyId>(id), ...copy };
    if (list) list.push(card);
    else byPlugin.set(pluginId, [card]);
  }
  return plugins.filter(({ id }) => byPlugin.has(id)).map(({ id, arrivedAt, ...plugin }) => ({ ...plugin, id: asId<PluginId>(id), arrived: arrivedAt.toISOString(), copies: byPlugin.get(id) ?? [] }));
}

export const findCopy = (manager: EntityManager, computer: string, id: string): Promise<CopyRow | null> =>
  manager.getRepository(CopyTable).findOneBy({ id, computerId: computer });

export const pluginById = (manager: EntityManager, computer: string, id: string): Promise<PluginRow | null> =>
  manager.getRepository(PluginTable).findOneBy({ id, computerId: computer });

export const copiesOfPlugins = (manager: EntityManager, plugins: readonly string[]): Promise<CopyRow[]> =>
  manager.getRepository(CopyTable).findBy({ pluginId: In([...plugins]) });

export const allCopies = (manager: EntityManager, computer: string): Promise<CopyRow[]> => manager.getRepository(CopyTable).findBy({ computerId: computer });

export const pluginsByKey = (manager: EntityManager, computer: string, keys: readonly string[]): Promise<PluginRow[]> =>
  manager.query(`SELECT id, computer_id "computerId", key, name, vendor, kind, types, arrived_at "arrivedAt" FROM plugin WHERE computer_id = $1 AND key = ANY($2)`, [computer, keys]);

/** For keys without a vendor (`name|`): the plugin of that name, where the computer has exactly one. */
export async function onlyNamesakes(manager: EntityManager, computer: string, keys: readonly string[]): Promise<Map<string, string>> {
  if (keys.length === 0) return new Map();
  const rows: { name: string; id: string }[] = await manager.query(
    `SELECT split_part(key, '|', 1) || '|' AS name, min(id::text) id FROM plugin WHERE computer_id = $1 AND split_part(key, '|', 1) || '|' = ANY($2) GROUP BY 1 HAVING count(*) = 1`, [computer, keys]);
  return new Map(rows.map((row) => [row.name, row.id]));
}

export const addPlugins = (manager: EntityManager, rows: readonly PluginRow[]): Promise<void> => insertMany(manager, PluginTable, rows);

/** Writes what a plugin's copies now say of it. */
export async function updatePluginFacts(manager: EntityManager, rows: readonly Pick<PluginRow, 'id' | 'name' | 'vendor' | 'kind' | 'types'>[]): Promise<void> {
  if (rows.length === 0) return;
  await manager.query(
    `UPDATE plugin SET name = new.name, vendor = new.vendor, kind = new.kind, types = new.types
       FROM jsonb_to_recordset($1::jsonb) AS new (id uuid, name text, vendor text, kind text, types jsonb) WHERE plugin.id = new.id`, [JSON.stringify(rows)]);
}

/** Adds copies; those whose id is there already get the new facts. */
export const saveCopies = (manager: EntityManager, rows: readonly CopyRow[]): Promise<void> => insertMany(manager, CopyTable, rows, ['id']);

export const markCopies = async (manager: EntityManager, ids: readonly string[], state: CopyState, at: Date): Promise<void> => {
  if (ids.length === 0) return;
  await manager.query(`UPDATE copy SET state = $2, last_seen_at = CASE WHEN $2 = 'present' THEN $3 ELSE last_seen_at END WHERE id = ANY($1)`, [ids, state, at]);
};

export const failedCopies = (manager: EntityManager, computer: string, limit: number): Promise<CopyRow[]> =>
  manager.getRepository(CopyTable).find({ where: { computerId: computer, status: 'failed', state: 'present' }, order: { path: 'ASC', id: 'ASC' }, take: limit });

export const readBundles = (manager: EntityManager, computer: string): Promise<BundleRow[]> => manager.getRepository(BundleTable).findBy({ computerId: computer });

export const saveBundles = (manager: EntityManager, rows: readonly BundleRow[]): Promise<void> => insertMany(manager, BundleTable, rows, ['computerId', 'format', 'path']);

export async function forgetBundles(manager: EntityManager, computer: string, paths: readonly string[]): Promise<void> {
  if (paths.length > 0) await manager.query('DELETE FROM bundle WHERE computer_id = $1 AND path = ANY($2)', [computer, paths]);
}

/** Removes copies that never became part of a plugin. */
export async function forgetCopies(manager: EntityManager, ids: readonly string[]): Promise<void> {
  if (ids.length > 0) await manager.query('DELETE FROM copy WHERE id = ANY($1) AND plugin_id IS NULL', [ids]);
}
