/** The practice sessions, saved ones, and the loads with what they say of habits. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { HabitsView, KeysView } from '@clever-drawer/core/api';
import { formats, type Format } from '@clever-drawer/core/formats';
import { asId, type PluginId } from '@clever-drawer/core/id';
import {
  halfLifeDays,
  type HostCopy,
  type HostSession,
  type TrackKind,
  type Usage,
} from '@clever-drawer/core/loading';
import { uuidOf } from '../uuid.ts';
import { insertMany } from './bulk.ts';
import { noteChange } from './versions.ts';
import { ComputerTable, type CopyRow } from './catalog-tables.ts';
import {
  LoadTable,
  PracticeTable,
  SavedSessionTable,
  type LoadRow,
  type SavedSessionRow,
} from './session-tables.ts';

/** An empty session with such tracks. */
export const newSession = (tracks: readonly { name: string; sort: TrackKind }[]): HostSession => ({
  name: 'Practice session',
  settings: { formats, takes32Bit: false },
  tracks: tracks.map((track) => ({ id: asId(randomUUID()), ...track, slots: [] })),
});

/** The session of a computer; null when there was none yet. */
export const readSession = async (
  manager: EntityManager,
  computer: string,
): Promise<HostSession | null> =>
  (await manager.getRepository(PracticeTable).findOneBy({ computerId: computer }))?.session ?? null;

/** Writes the session of a computer. */
export async function writeSession(
  manager: EntityManager,
  computer: string,
  session: HostSession,
): Promise<void> {
  await noteChange(manager, computer, 'session');
  await insertMany(manager, PracticeTable, [{ computerId: computer, session }], ['computerId']);
}

/** The sessions that are kept, latest first. */
export const listSavedSessions = (
  manager: EntityManager,
  computer: string,
): Promise<SavedSessionRow[]> =>
  manager
    .getRepository(SavedSessionTable)
    .find({ where: { computerId: computer }, order: { savedAt: 'DESC', id: 'ASC' } });
/** A session that is kept. */
export const findSavedSession = (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<SavedSessionRow | null> =>
  manager.getRepository(SavedSessionTable).findOneBy({ computerId: computer, id });
/** Keeps a session. */
export async function addSavedSession(manager: EntityManager, row: SavedSessionRow): Promise<void> {
  await noteChange(manager, row.computerId, 'session');
  await insertMany(manager, SavedSessionTable, [row]);
}
/** Removes a session that was kept. */
export const removeSavedSession = async (
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<boolean> => {
  await noteChange(manager, computer, 'session');
  const { affected } = await manager
    .getRepository(SavedSessionTable)
    .delete({ computerId: computer, id });
  return (affected ?? 0) > 0;
};

/** What the catalog knows of a copy in a session. */
export interface FoundInCatalog {
  readonly copy: string;
  readonly plugin: string;
  readonly audioIn: number | null;
  readonly audioOut: number | null;
}
/** What tells a session's copy from others: a name may be given by us where a copy has none. */
export const sessionKey = ({
  format,
  path,
  identity,
}: Pick<HostCopy, 'format' | 'path' | 'identity'>): string =>
  `${format}\n${path}\n${identity ?? ''}`;

/** The catalogued copies that a session names, by `sessionKey`. */
export async function copiesInCatalog(
  manager: EntityManager,
  computer: string,
  asked: readonly HostCopy[],
): Promise<Map<string, FoundInCatalog>> {
  if (asked.length === 0) {
    return new Map();
  }
  const rows: (FoundInCatalog & {
    format: Format;
    path: string;
    identity: string | null;
  })[] = await manager.query(
    `SELECT id copy, plugin_id plugin, format, path, facts->>'identity' identity,
            (facts->>'audioIn')::int "audioIn", (facts->>'audioOut')::int "audioOut"
       FROM copy WHERE computer_id = $1 AND plugin_id IS NOT NULL AND path = ANY($2)`,
    [computer, asked.map((one) => one.path)],
  );
  return new Map(
    rows.map(({ format, path, identity, ...found }) => [
      sessionKey({ format, path, identity }),
      found,
    ]),
  );
}

/** The catalogued copies at some paths. */
export const copiesAt = (
  manager: EntityManager,
  computer: string,
  paths: readonly string[],
): Promise<{ plugin: PluginId; format: Format; path: string; identity: string | null }[]> =>
  manager.query(
    `SELECT plugin_id plugin, format, path, facts->>'identity' identity FROM copy
      WHERE computer_id = $1 AND plugin_id IS NOT NULL AND path = ANY($2)`,
    [computer, paths],
  );

/** A copy as a host is to be told of it. */
export const hostCopyOf = (
  { format, path, facts }: Pick<CopyRow, 'format' | 'path' | 'facts'>,
  plugin: string,
): HostCopy => ({
  format,
  path,
  identity: facts.identity,
  name: facts.name ?? plugin,
  vendor: facts.vendor,
  binary: facts.binary,
});

/** Adds loads of one computer, but for those that are there already; gives how many were new. */
export async function addLoads(manager: EntityManager, rows: readonly LoadRow[]): Promise<number> {
  const [first] = rows;
  if (!first) {
    return 0;
  }
  await noteChange(manager, first.computerId, 'use');
  const known: { id: string }[] = await manager.query(
    'SELECT id FROM load WHERE id = ANY($1::uuid[])',
    [rows.map(({ id }) => id)],
  );
  const there = new Set(known.map(({ id }) => id));
  // Of one that is told twice at once the last is as good as the first.
  const fresh = new Map(rows.filter(({ id }) => !there.has(id)).map((row) => [row.id, row]));
  await insertMany(manager, LoadTable, [...fresh.values()]);
  return fresh.size;
}

/** The id of a load that a host calls so: the same each time that it tells of it. */
export const loadIdOf = (computer: string, id: string): string => uuidOf(`${computer}\n${id}`);

/** Whether use is learnt from now on. */
export const setLearning = async (
  manager: EntityManager,
  computer: string,
  isLearning: boolean,
): Promise<void> => {
  await noteChange(manager, computer, 'use');
  await manager.getRepository(ComputerTable).update({ id: computer }, { isLearning });
};
/** Forgets all loads. Gives how many there were. */
export async function forgetLoads(manager: EntityManager, computer: string): Promise<number> {
  await noteChange(manager, computer, 'use');
  return (await manager.getRepository(LoadTable).delete({ computerId: computer })).affected ?? 0;
}

/**
 * Loads with the plugin that each counts for now: that of its copy, or the one its plugin was
 * joined to. $1 is the computer.
 */
const counted = `joined AS (SELECT DISTINCT ON (before_id) before_id, plugin_id FROM copy_assignment b
  WHERE plugin_id <> before_id AND NOT EXISTS (SELECT FROM copy c WHERE c.plugin_id = b.before_id)
  ORDER BY before_id, plugin_id),
     counted AS (
       SELECT coalesce(c.plugin_id, joined.plugin_id, load.plugin_id) plugin, load.at, load.track,
       load.typed, load.keys, load.took, load.folder_id folder, coalesce(before.plugin_id, load.after_plugin_id) "after"
       FROM load LEFT JOIN copy c ON c.id = load.copy_id
         LEFT JOIN joined ON joined.before_id = load.plugin_id
         LEFT JOIN joined before ON before.before_id = load.after_plugin_id
         WHERE load.computer_id = $1)`;
/** The beginning of the day of the present ($2), in UTC. */
const beginning = `date_trunc('day', $2::timestamptz AT TIME ZONE 'UTC') AT TIME ZONE 'UTC'`;
/**
 * Warmth as core's `warmth` has it. $2 is the present, $3 the half-life in days. What has faded to
 * 2 to the power of -1000 fades no more: the smallest number that a float8 holds is not far below.
 */
const warmth = `sum(power(2, - least(1000, greatest(-86400, extract(epoch
  FROM (${beginning} - at)))::float8 / ($3::float8 * 86400)))) warmth`;

/** A load, with the plugins that it counts for now. */
export type CountedLoad = Pick<LoadRow, 'at' | 'track' | 'typed' | 'keys' | 'took'> & {
  readonly folder: string | null;
  readonly plugin: string;
  readonly after: string | null;
};

/** All loads of a computer, oldest first. */
export const allLoads = (manager: EntityManager, computer: string): Promise<CountedLoad[]> =>
  manager.query(
    `WITH ${counted} SELECT plugin, at, track, "after", typed, keys, took, folder FROM counted ORDER BY at`,
    [computer],
  );

/**
 * The same as JSON, a list of `PastUse`. The database writes it: so many rows would hold the server
 * up.
 */
export async function loadsAsJson(manager: EntityManager, computer: string): Promise<string> {
  const [row]: { loads: string | null }[] = await manager.query(
    `WITH ${counted} SELECT json_agg(json_build_object('plugin', plugin,
        'at', floor(extract(epoch FROM at) * 1000), 'track', track, 'after', "after",
        'typed', typed, 'keys', keys, 'took', took, 'folder', folder) ORDER BY at)::text loads
       FROM counted`,
    [computer],
  );
  return row?.loads ?? '[]';
}

/** Each loaded plugin's loads in short. */
export async function readUsage(
  manager: EntityManager,
  computer: string,
  now: Date,
): Promise<Usage[]> {
  const rows: { plugin: string; loads: number; lastLoaded: Date; warmth: number }[] =
    await manager.query(
      `WITH ${counted} SELECT plugin, count(*)::int loads, max(at) "lastLoaded", ${warmth}
        FROM counted GROUP BY 1 ORDER BY 1`,
      [computer, now, halfLifeDays],
    );
  return rows.map((row) => ({ ...row, lastLoaded: row.lastLoaded.toISOString() }));
}

/** How many different letters are told of, the latest first. */
const lettersLimit = 5_000;

/** What habits are made of, for slots of that kind after that plugin. */
export async function readHabits(
  manager: EntityManager,
  computer: string,
  now: Date,
): Promise<HabitsView> {
  const by = [computer, now, halfLifeDays];
  const [here, after, letters, row] = await Promise.all([
    manager.query<HabitsView['here']>(
      `WITH ${counted} SELECT plugin, track, ${warmth} FROM counted GROUP BY 1, 2
        ORDER BY 1, 2`,
      by,
    ),
    manager.query<HabitsView['after']>(
      `WITH ${counted} SELECT "after", plugin, ${warmth} FROM counted WHERE "after" IS NOT NULL
        GROUP BY 1, 2 ORDER BY 1, 2`,
      by,
    ),
    manager.query<HabitsView['letters']>(
      `WITH ${counted} SELECT typed, plugin, count(*)::int times FROM counted WHERE typed <> ''
        GROUP BY 1, 2 ORDER BY max(at) DESC LIMIT $2`,
      [computer, lettersLimit],
    ),
    manager.getRepository(ComputerTable).findOneBy({ id: computer }),
  ]);
  return { isLearning: row?.isLearning ?? true, here, after, letters };
}

/** Keys for a load over the last year; the day is that of the server's clock in UTC. */
export async function readKeys(
  manager: EntityManager,
  computer: string,
  now: Date,
): Promise<KeysView> {
  const [weeks, [today], [longest], loads] = await Promise.all([
    manager.query<KeysView['weeks']>(
      `SELECT to_char(date_trunc('week', at AT TIME ZONE 'UTC'), 'YYYY-MM-DD') week,
        count(*)::int loads, avg(keys)::float8 keys, avg(took)::float8 / 1000 seconds FROM load
        WHERE computer_id = $1 AND keys IS NOT NULL AND at > $2::timestamptz - interval '1 year'
        GROUP BY 1 ORDER BY 1`,
      [computer, now],
    ),
    manager.query<KeysView['today'][]>(
      `SELECT count(*)::int loads, avg(keys)::float8 keys FROM load WHERE computer_id = $1
        AND at >= date_trunc('day', $2::timestamptz AT TIME ZONE 'UTC') AT TIME ZONE 'UTC'`,
      [computer, now],
    ),
    manager.query<NonNullable<KeysView['longest']>[]>(
      `WITH ${counted} SELECT plugin, keys, coalesce(typed, '') typed FROM counted
        WHERE keys IS NOT NULL AND at > $2::timestamptz - interval '30 days'
        ORDER BY keys DESC, at DESC LIMIT 1`,
      [computer, now],
    ),
    manager.getRepository(LoadTable).countBy({ computerId: computer }),
  ]);
  return { weeks, today: today ?? { loads: 0, keys: null }, longest: longest ?? null, loads };
}

/** How often a plugin was loaded, by month. */
export const loadsByMonth = (
  manager: EntityManager,
  plugin: string,
): Promise<{ month: string; loads: number }[]> =>
  manager.query(
    `SELECT to_char(load.at AT TIME ZONE 'UTC', 'YYYY-MM') "month", count(*)::int loads FROM load
      LEFT JOIN copy c ON c.id = load.copy_id
    WHERE coalesce(c.plugin_id, load.plugin_id) = $1 GROUP BY 1 ORDER BY 1`,
    [plugin],
  );
