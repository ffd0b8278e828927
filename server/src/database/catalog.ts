/** Plugins and their copies. */
import { Any, type EntityManager } from 'typeorm';
import { withoutAwaited, type CopyState, type Plugin } from '@clever-drawer/core/catalog';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { asId, type CopyId, type PluginId } from '@clever-drawer/core/id';
import type { CopyToIdentify, PluginEvidence } from '@clever-drawer/core/identify';
import { insertMany, partsOf, toJsonb } from './bulk.ts';
import { noteChange } from './versions.ts';
import {
  BundleTable,
  CopyTable,
  PluginTable,
  type BundleBefore,
  type BundleRow,
  type CopyRow,
  type CopySummary,
  type PluginRow,
} from './catalog-tables.ts';

/**
 * A copy that names a program in which no machine could be read: the file is missing or no program.
 * What was opened is not missing.
 */
export const lacksProgram = `(format = 'LV2' AND facts->>'binary' IS NOT NULL
  AND facts->>'examined' IS DISTINCT FROM 'opened'
  AND coalesce(jsonb_typeof(facts->'architectures'), 'null') = 'null')`;

/** A copy that is not set aside. */
export const isCatalogued = 'NOT EXISTS (SELECT FROM set_aside WHERE set_aside.copy_id = copy.id)';

/**
 * The copies of the same plugin that a copy says it stands in for: by identity, or, as LADSPA's ids
 * are written there, by number (`dc:replaces` of DCMI Metadata Terms, as lv2core uses it).
 */
const replacedCopies = `CASE WHEN jsonb_array_length(coalesce(facts->'replaces', '[]')) > 0 THEN (
  SELECT jsonb_agg(old.id ORDER BY old.id) FROM copy old
   WHERE old.plugin_id = copy.plugin_id AND old.id <> copy.id
     AND EXISTS (SELECT FROM jsonb_array_elements_text(copy.facts->'replaces') r (id)
       WHERE lower(r.id) IN (lower(old.facts->>'identity'),
         'urn:ladspa:' || (old.facts->>'uniqueId')))) END`;

/**
 * Plugins of a computer with their copies, by name: all, or those with these ids. Plugins of which
 * everything is set aside are left out.
 */
export async function readCatalog(
  manager: EntityManager,
  computer: string,
  only: readonly string[] | null = null,
): Promise<Plugin[]> {
  const plugins: Omit<PluginRow, 'computerId' | 'grounds' | 'wentInto' | 'isRemembered'>[] =
    await manager.query(
      `SELECT id, name, vendor, kind, types, arrived_at "arrivedAt",
        former_names "formerNames" FROM plugin
      WHERE computer_id = $1 AND ($2::uuid[] IS NULL OR id = ANY($2)) ORDER BY name, id`,
      [computer, only],
    );
  const copies: (Pick<CopyRow, 'id' | 'format' | 'path'> & {
    state: CopyState;
    pluginId: string;
    version: string | null;
    hasPicture: boolean;
    is32Bit: boolean;
    isFailed: boolean;
    lacksProgram: boolean;
    audioIn: number | null;
    audioOut: number | null;
    name: string | null;
    standsInFor: CopyId[] | null;
  })[] = await manager.query(
    `SELECT id, plugin_id "pluginId", format, path, state, facts->>'version' "version",
      facts->>'picture' IS NOT NULL "hasPicture", status = 'failed' "isFailed",
      ${lacksProgram} "lacksProgram",
      (facts->>'audioIn')::int "audioIn", (facts->>'audioOut')::int "audioOut",
      facts->>'name' "name", ${replacedCopies} "standsInFor",
      CASE jsonb_typeof(facts->'architectures') WHEN 'array'
        THEN facts->'architectures' <> '[]' AND facts->'architectures' <@ '["x86", "arm"]'
        ELSE false END "is32Bit"
       FROM copy WHERE computer_id = $1 AND plugin_id IS NOT NULL AND ${isCatalogued}
         AND ($2::uuid[] IS NULL OR plugin_id = ANY($2)) ORDER BY path, id`,
    [computer, only],
  );
  const byPlugin = new Map<string, Plugin['copies'][number][]>();
  const nameOf = new Map(plugins.map(({ id, name }) => [id, name]));
  for (const { pluginId, id, lacksProgram: isEmpty, name, standsInFor, ...copy } of copies) {
    const list = byPlugin.get(pluginId);
    const card = {
      id: asId<CopyId>(id),
      ...copy,
      ...(isEmpty ? { lacksProgram: true } : {}),
      ...(standsInFor ? { standsInFor } : {}),
      ...(name === null || name === nameOf.get(pluginId) ? {} : { name }),
    };
    if (list) {
      list.push(card);
    } else {
      byPlugin.set(pluginId, [card]);
    }
  }
  return plugins
    .filter(({ id }) => byPlugin.has(id))
    .map(({ id, arrivedAt, formerNames, ...plugin }) => ({
      ...plugin,
      ...(formerNames && formerNames.length > 0 ? { formerNames } : {}),
      id: asId<PluginId>(id),
      arrived: arrivedAt.toISOString(),
      copies: withoutAwaited(byPlugin.get(id) ?? []),
    }));
}

/** A copy of a computer. */
export const findCopy = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<CopyRow | null> =>
  manager.getRepository(CopyTable).findOneBy({ id, computerId: computer });

/** A plugin of a computer. */
export const pluginById = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<PluginRow | null> =>
  manager.getRepository(PluginTable).findOneBy({ id, computerId: computer });

/** The copies of some plugins. */
export const copiesOfPlugins = (
  manager: EntityManager,
  plugins: readonly string[],
): Promise<CopyRow[]> =>
  manager.getRepository(CopyTable).findBy({ pluginId: Any<string>(plugins) });

/** The copies of some plugins that are not set aside. */
export const cataloguedCopies = (
  manager: EntityManager,
  plugins: readonly string[],
): Promise<CopyRow[]> =>
  manager
    .getRepository(CopyTable)
    .createQueryBuilder('copy')
    .where(`copy.plugin_id = ANY(:plugins::uuid[]) AND ${isCatalogued}`, { plugins })
    .getMany();

/** All copies of a computer. */
export const allCopies = (manager: EntityManager, computer: string): Promise<CopyRow[]> =>
  manager.getRepository(CopyTable).findBy({ computerId: computer });

/** The copies of a computer that were understood; those set aside too, so that they come back as they were. */
export const copiesToSort = (
  manager: EntityManager,
  computer: string,
): Promise<(Omit<CopyToIdentify, 'facts'> & { facts: string })[]> =>
  manager.query(
    `SELECT id, plugin_id "plugin", state = 'present' "isPresent", facts::text "facts" FROM copy
      WHERE computer_id = $1 AND status = 'ok'`,
    [computer],
  );

/** Copies with these ids. */
export const copiesWithIds = (manager: EntityManager, ids: readonly string[]): Promise<CopyRow[]> =>
  manager.getRepository(CopyTable).findBy({ id: Any<string>(ids) });

/** Where each copy of a computer lies and how it stands. */
export const readCopySummaries = (
  manager: EntityManager,
  computer: string,
): Promise<CopySummary[]> =>
  manager.query(
    `SELECT id, place_id "placeId", path, status, state FROM copy WHERE computer_id = $1`,
    [computer],
  );

/** What tells at first sight whether copies are of one plugin, with the plugin of each. */
export type CopySight = Pick<FoundCopy, 'name' | 'path' | 'vendor' | 'audioIn' | 'audioOut'> & {
  readonly plugin: string;
};

/** The same of all copies that were understood and have a plugin. */
export const readSights = (manager: EntityManager, computer: string): Promise<CopySight[]> =>
  manager.query(
    `SELECT plugin_id plugin, path, facts->>'name' "name", facts->>'vendor' vendor,
      (facts->>'audioIn')::int "audioIn", (facts->>'audioOut')::int "audioOut" FROM copy
      WHERE computer_id = $1 AND plugin_id IS NOT NULL AND status = 'ok'`,
    [computer],
  );

/** Notes the plugins of which the catalog shows something else; without any nothing has changed. */
async function noteShown(
  manager: EntityManager,
  computer: string,
  plugins: readonly (string | null)[],
): Promise<void> {
  if (plugins.length > 0) {
    await noteChange(manager, computer, 'catalog', plugins);
  }
}

/** Adds plugins of one computer. */
export async function addPlugins(
  manager: EntityManager,
  computer: string,
  rows: readonly PluginRow[],
): Promise<void> {
  await noteShown(
    manager,
    computer,
    rows.map(({ id }) => id),
  );
  await insertMany(manager, PluginTable, rows);
}

/** Writes what the plugins' copies now say of them; a name that was settled before is a former one then. */
export async function updatePlugins(
  manager: EntityManager,
  computer: string,
  rows: readonly Pick<PluginRow, 'id' | 'name' | 'vendor' | 'kind' | 'types' | 'grounds'>[],
): Promise<void> {
  await noteShown(
    manager,
    computer,
    rows.map(({ id }) => id),
  );
  for (const part of partsOf(rows)) {
    await manager.query(
      `UPDATE plugin
        SET name = new.name, vendor = new.vendor, kind = new.kind, types = new.types,
        grounds = new.grounds,
        former_names = CASE WHEN plugin.name <> new.name AND plugin.grounds IS NOT NULL
          THEN (coalesce(former_names, '[]') - plugin.name - new.name) || to_jsonb(plugin.name)
          ELSE former_names END
         FROM jsonb_to_recordset($1::jsonb) AS new (id uuid, name text, vendor text, kind text,
           types jsonb, grounds jsonb) WHERE plugin.id = new.id`,
      [toJsonb(part)],
    );
  }
}

/** Gives copies their plugins; findings of theirs follow. */
export async function moveCopies(
  manager: EntityManager,
  computer: string,
  moves: readonly { copy: string; plugin: string }[],
): Promise<void> {
  if (moves.length === 0) {
    return;
  }
  const copies = moves.map(({ copy }) => copy);
  const before = await pluginsOfCopies(manager, computer, copies);
  await noteShown(manager, computer, [...before.values(), ...moves.map(({ plugin }) => plugin)]);
  const rows = JSON.stringify(moves);
  await manager.query(
    `UPDATE finding SET plugin_id = new.plugin
      FROM jsonb_to_recordset($1::jsonb) AS new (copy uuid, plugin uuid), copy
    WHERE copy.id = new.copy AND finding.plugin_id = copy.plugin_id AND finding.path = copy.path
      AND finding.format = copy.format`,
    [rows],
  );
  await manager.query(
    `UPDATE copy SET plugin_id = new.plugin
      FROM jsonb_to_recordset($1::jsonb) AS new (copy uuid, plugin uuid) WHERE copy.id = new.copy`,
    [rows],
  );
}

/** Plugins that were loaded, or after which another was. */
export async function loadedPlugins(manager: EntityManager, computer: string): Promise<string[]> {
  const rows: { id: string }[] = await manager.query(
    `SELECT DISTINCT x.id FROM load l JOIN plugin p ON p.id = l.plugin_id, LATERAL (
      VALUES (l.plugin_id), (l.after_plugin_id)) x (id)
      WHERE p.computer_id = $1 AND x.id IS NOT NULL`,
    [computer],
  );
  return rows.map((row) => row.id);
}

/**
 * Removes plugins that have no copy, of which nothing was made, and to which no change in the log
 * refers. Those in `lately` stay until the next time: windows may still show them.
 */
export const forgetEmptyPlugins = (
  manager: EntityManager,
  computer: string,
  used: ReadonlySet<string>,
  lately: readonly string[],
): Promise<unknown> =>
  manager.query(
    `DELETE FROM plugin p WHERE computer_id = $1 AND NOT is_remembered
      AND NOT EXISTS (SELECT FROM copy c WHERE c.plugin_id = p.id)
      AND NOT (id = ANY($2)) AND NOT (id = ANY($3))
      AND NOT EXISTS (SELECT FROM copy_assignment b WHERE b.plugin_id = p.id OR b.before_id = p.id)
      AND NOT EXISTS (SELECT FROM plugin q WHERE q.went_into = p.id)
      AND NOT EXISTS (SELECT FROM load l WHERE l.plugin_id = p.id)
      AND NOT EXISTS (SELECT FROM load l WHERE l.after_plugin_id = p.id)`,
    [computer, [...used], lately],
  );

/** Notes that all copies of a plugin are in another one now. */
export async function noteWentInto(
  manager: EntityManager,
  computer: string,
  went: readonly { plugin: string; into: string }[],
): Promise<void> {
  await noteShown(
    manager,
    computer,
    went.flatMap(({ plugin, into }) => [plugin, into]),
  );
  await manager.query(
    `UPDATE plugin SET went_into = new.into
      FROM jsonb_to_recordset($1::jsonb) AS new (plugin uuid, "into" uuid)
      WHERE plugin.id = new.plugin`,
    [JSON.stringify(went)],
  );
  await manager.query(
    `UPDATE plugin p SET went_into = NULL WHERE computer_id = $1 AND went_into IS NOT NULL
      AND EXISTS (SELECT FROM copy c WHERE c.plugin_id = p.id)`,
    [computer],
  );
}

/** Where the copies of a plugin are now: with itself, or with what it went into, and what that is called. */
export interface PluginNow {
  readonly now: string;
  readonly name: string;
}

/** Of some plugins that a computer knows, where their copies are now. */
export async function wherePluginsAre(
  manager: EntityManager,
  computer: string,
  ids: readonly string[],
): Promise<Map<string, PluginNow>> {
  const rows: { id: string; name: string; hasGone: boolean }[] = await manager.query(
    `SELECT p.id, coalesce(n.nickname, p.name) name, p.went_into IS NOT NULL "hasGone"
       FROM plugin p LEFT JOIN plugin_names n ON n.plugin_id = p.id
       WHERE p.computer_id = $1 AND p.id = ANY($2::uuid[])`,
    [computer, ids],
  );
  const gone = rows.filter(({ hasGone }) => hasGone).map(({ id }) => id);
  const stayed = rows.filter(({ hasGone }) => !hasGone);
  return new Map([
    ...stayed.map(({ id, name }) => [id, { now: id, name }] as const),
    ...(gone.length === 0 ? [] : await whereTheyWent(manager, computer, gone)),
  ]);
}

/** Follows plugins that went into others, which may have gone into others in turn. */
async function whereTheyWent(
  manager: EntityManager,
  computer: string,
  ids: readonly string[],
): Promise<Map<string, PluginNow>> {
  const rows: ({ id: string } & PluginNow)[] = await manager.query(
    `WITH RECURSIVE trail (id, now, name, next, steps) AS (
       SELECT id, id, name, went_into, 0 FROM plugin WHERE computer_id = $1 AND id = ANY($2::uuid[])
       UNION ALL
       SELECT trail.id, p.id, p.name, p.went_into, trail.steps + 1
         FROM trail JOIN plugin p ON p.id = trail.next WHERE trail.steps < 1000)
     SELECT trail.id, now, coalesce(n.nickname, trail.name) name FROM trail
       LEFT JOIN plugin_names n ON n.plugin_id = now WHERE next IS NULL`,
    [computer, ids],
  );
  return new Map(rows.map(({ id, now, name }) => [id, { now, name }]));
}

/** Of these plugins those that are there. */
export async function existingPlugins(
  manager: EntityManager,
  ids: readonly string[],
): Promise<Set<string>> {
  const rows: { id: string }[] = await manager.query(
    'SELECT id FROM plugin WHERE id = ANY($1::uuid[])',
    [ids],
  );
  return new Set(rows.map((row) => row.id));
}

/** All plugins of a computer. */
export const listPlugins = (manager: EntityManager, computer: string): Promise<PluginRow[]> =>
  manager.getRepository(PluginTable).findBy({ computerId: computer });

/**
 * What is known of why plugins are sorted as they are: of all, or of those with these ids; not of
 * those that went into others.
 */
export const readGrounds = (
  manager: EntityManager,
  computer: string,
  only: readonly string[] | null,
): Promise<{ id: PluginId; grounds: PluginEvidence }[]> =>
  manager.query(
    `SELECT id, grounds FROM plugin WHERE computer_id = $1 AND went_into IS NULL
      AND grounds IS NOT NULL AND ($2::uuid[] IS NULL OR id = ANY($2))`,
    [computer, only],
  );

/** Adds copies of one computer; those whose id is there already get the new facts. */
export async function saveCopies(
  manager: EntityManager,
  computer: string,
  rows: readonly CopyRow[],
): Promise<void> {
  await noteShown(
    manager,
    computer,
    rows.map(({ pluginId }) => pluginId),
  );
  await insertMany(manager, CopyTable, rows, ['id']);
}

/** Notes that copies change of which the condition says which: `$2` is the value. */
export async function noteCopies(
  manager: EntityManager,
  computer: string,
  condition: string,
  value: unknown,
): Promise<void> {
  const rows: { id: string | null }[] = await manager.query(
    `SELECT DISTINCT plugin_id id FROM copy WHERE computer_id = $1 AND ${condition}`,
    [computer, value],
  );
  await noteShown(
    manager,
    computer,
    rows.map(({ id }) => id),
  );
}

/** Gives copies another state, and notes when they were seen last. */
export const markCopies = async (
  manager: EntityManager,
  computer: string,
  ids: readonly string[],
  state: CopyState,
  at: Date,
): Promise<void> => {
  if (ids.length === 0) {
    return;
  }
  await noteCopies(manager, computer, `id = ANY($2) AND state <> '${state}'`, ids);
  await manager.query(
    `UPDATE copy SET state = $2, last_seen_at = CASE WHEN $2 = 'present' THEN $3
      ELSE last_seen_at END WHERE id = ANY($1)`,
    [ids, state, at],
  );
};

/** What was awaited arrives now. */
export const markArrived = async (
  manager: EntityManager,
  plugins: readonly string[],
  at: Date,
): Promise<void> => {
  if (plugins.length > 0) {
    await manager.query('UPDATE plugin SET arrived_at = $2 WHERE id = ANY($1::uuid[])', [
      plugins,
      at,
    ]);
  }
};

const isFailedHere = `copy.computer_id = :computer AND status = 'failed' AND state = 'present'
  AND ${isCatalogued}`;

/** Copies that failed, at most so many. */
export const failedCopies = (
  manager: EntityManager,
  computer: string,
  limit: number,
): Promise<CopyRow[]> =>
  manager
    .getRepository(CopyTable)
    .createQueryBuilder('copy')
    .where(isFailedHere, { computer })
    .orderBy({ 'copy.path': 'ASC', 'copy.id': 'ASC' })
    .limit(limit)
    .getMany();

/** How many copies failed. */
export const countFailed = (manager: EntityManager, computer: string): Promise<number> =>
  manager
    .getRepository(CopyTable)
    .createQueryBuilder('copy')
    .where(isFailedHere, { computer })
    .getCount();

/** How many present copies were only read though this machine could open them. */
export async function countUnopened(
  manager: EntityManager,
  computer: string,
  { formats, architecture }: { formats: readonly string[]; architecture: string },
): Promise<{ nameless: number; unopened: number }> {
  const [row] = await manager.query<{ nameless: number; unopened: number }[]>(
    `SELECT (count(*) FILTER (WHERE facts->>'name' IS NULL))::int nameless, count(*)::int unopened
       FROM copy WHERE computer_id = $1 AND state = 'present' AND status = 'ok' AND ${isCatalogued}
         AND facts->>'examined' = 'read' AND facts->>'binary' IS NOT NULL
         AND format = ANY($2) AND facts->'architectures' ? $3
         AND NOT (path ILIKE '%.dll' AND $4)`,
    [computer, formats, architecture, process.platform !== 'win32'],
  );
  return row ?? { nameless: 0, unopened: 0 };
}

/** The bundles of a computer with their fingerprints. */
export const readBundles = (manager: EntityManager, computer: string): Promise<BundleBefore[]> =>
  manager.query(
    `SELECT format, path, fingerprint, device, opened FROM bundle WHERE computer_id = $1`,
    [computer],
  );

/** Adds bundles, or puts in their new fingerprints. */
export const saveBundles = (manager: EntityManager, rows: readonly BundleRow[]): Promise<void> =>
  insertMany(manager, BundleTable, rows, ['computerId', 'format', 'path']);

/** Removes bundles by their paths. */
export async function forgetBundles(
  manager: EntityManager,
  computer: string,
  paths: readonly string[],
): Promise<void> {
  if (paths.length > 0) {
    await manager.query('DELETE FROM bundle WHERE computer_id = $1 AND path = ANY($2)', [
      computer,
      paths,
    ]);
  }
}

/** Removes copies that never became part of a plugin. */
export async function forgetCopies(manager: EntityManager, ids: readonly string[]): Promise<void> {
  if (ids.length > 0) {
    await manager.query('DELETE FROM copy WHERE id = ANY($1) AND plugin_id IS NULL', [ids]);
  }
}

/** Whether some plugin has never been sorted, as after an update of the program. */
export const hasUnsorted = (manager: EntityManager, computer: string): Promise<boolean> =>
  manager
    .query<
      { is: boolean }[]
    >('SELECT EXISTS (SELECT FROM plugin p WHERE computer_id = $1 AND grounds IS NULL AND EXISTS (SELECT FROM copy c WHERE c.plugin_id = p.id)) "is"', [computer])
    .then(([row]) => row?.is ?? false);

/** The plugins that copies of this computer belong to. */
export async function pluginsOfCopies(
  manager: EntityManager,
  computer: string,
  copies: readonly string[],
): Promise<Map<string, string | null>> {
  const rows: { id: string; plugin: string | null }[] =
    copies.length === 0
      ? []
      : await manager.query(
          'SELECT id, plugin_id plugin FROM copy WHERE computer_id = $1 AND id = ANY($2::uuid[])',
          [computer, copies],
        );
  return new Map(rows.map((row) => [row.id, row.plugin]));
}

/** Whether any computer has a plugin of that id. */
export const isPluginId = (manager: EntityManager, id: string): Promise<boolean> =>
  manager.getRepository(PluginTable).existsBy({ id });

/** How many catalogued copies use each spelling of a vendor. */
export async function countSpellings(
  manager: EntityManager,
  computer: string,
): Promise<Map<string, number>> {
  const rows: { spelling: string; count: number }[] = await manager.query(
    `SELECT facts->>'vendor' spelling, count(*)::int FROM copy WHERE computer_id = $1
      AND plugin_id IS NOT NULL AND status = 'ok' AND state <> 'awaited'
      AND ${isCatalogued} AND facts->>'vendor' IS NOT NULL GROUP BY 1`,
    [computer],
  );
  return new Map(rows.map((row) => [row.spelling, row.count]));
}

/** Of these ids those that a plugin, cabinet or folder of any computer has. */
export async function takenIds(
  manager: EntityManager,
  ids: readonly string[],
): Promise<Set<string>> {
  const rows: { id: string }[] = await manager.query(
    `SELECT id FROM plugin WHERE id = ANY($1::uuid[])
      UNION SELECT id FROM cabinet WHERE id = ANY($1::uuid[])
      UNION SELECT id FROM folder WHERE id = ANY($1::uuid[])`,
    [ids],
  );
  return new Set(rows.map((row) => row.id));
}
