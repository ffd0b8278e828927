/**
 * Carrying the data over to a newer PostgreSQL: dumped from the old server, read into a new cluster
 * beside it, counted, and only then put in its place. The old cluster is kept.
 */
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { DatabaseAddress } from './connect.ts';
import {
  asAdministrator,
  createDatabase,
  filesOf,
  freePort,
  initialise,
  launchOn,
  readPassword,
  user,
  versionOf,
  type ClusterFiles,
} from './cluster.ts';
import { lockData } from './data-lock.ts';
import { asPostgres, binariesFor, binariesOf, installedVersions } from './programs.ts';
import { findPostmaster, stopPostmaster } from './postmaster.ts';
import { explain, SetupError } from './setup-error.ts';

/** The programs of two versions of PostgreSQL. */
export interface Versions {
  readonly from: { readonly name: string; readonly bin: string };
  readonly to: { readonly name: string; readonly bin: string };
}

/** What was carried over. */
export interface Upgraded {
  /** Rows of each table, counted in the old and the new database alike. */
  readonly rows: ReadonlyMap<string, number>;
  /** Where the old cluster is kept. */
  readonly kept: string;
}

/** The name of the database in a cluster. */
export const database = 'clever_drawer';

/** Which upgrade there is to be done on a directory; null when it is of the newest version already. */
export async function versionsToUpgrade(directory: string): Promise<Versions | null> {
  const { data } = filesOf(directory);
  const old = await versionOf(data);
  if (old === null) {
    throw new SetupError(`There is no data in ${directory} to be carried over.`);
  }
  const [newest = old] = await installedVersions();
  const from = { name: old, bin: await binariesFor(old, data) };
  return newest === old ? null : { from, to: { name: newest, bin: binariesOf(newest) } };
}

/** Carries the data over. The directory is locked meanwhile; whatever goes wrong leaves it as it was. */
export async function upgradeCluster(directory: string, versions: Versions): Promise<Upgraded> {
  const files = filesOf(directory);
  const lock = await lockData(directory);
  try {
    const rows = await carryOver(files, versions);
    const kept = join(directory, `cluster-${versions.from.name}-${Date.now()}`);
    await rename(files.data, kept);
    await rename(files.half, files.data);
    return { rows, kept };
  } catch (error) {
    throw explain(error, directory);
  } finally {
    await stopPostmaster(files.data);
    await stopPostmaster(files.half);
    lock.release();
  }
}

async function carryOver(
  files: ClusterFiles,
  { from, to }: Versions,
): Promise<ReadonlyMap<string, number>> {
  await rm(files.half, { recursive: true, force: true });
  await initialise(to.bin, files.half, files.password);
  const password = await readPassword(files.password);
  const old = await serverOn(files, from.bin, password);
  const fresh = await serverOn({ ...files, data: files.half }, to.bin, password);
  await asAdministrator({ ...fresh, database: 'postgres' }, (client) =>
    createDatabase(client, database),
  );
  await copyDatabase(to.bin, old, fresh);
  const [before, after] = [await countRows(old), await countRows(fresh)];
  const wrong = [...before].filter(([table, count]) => after.get(table) !== count);
  if (wrong.length > 0 || before.size !== after.size) {
    throw new SetupError(
      `The new database does not hold what the old one does (${wrong.map(([table]) => table).join(', ')}), so it was not taken. Nothing was changed.`,
    );
  }
  await stopPostmaster(files.data);
  await stopPostmaster(files.half);
  return after;
}

/** The database server of a directory: the one that runs, or one that is started. */
export async function serverOn(
  files: ClusterFiles,
  bin: string,
  password: string,
): Promise<DatabaseAddress> {
  const running = await findPostmaster(files.data);
  const port = running?.port ?? (await freePort());
  if (!running) {
    await launchOn(port, bin, files);
  }
  return { host: '127.0.0.1', port, user, password, database };
}

/** By the newer version's own programs, the whole dump before any of it is read in, so that half of one is never taken. */
async function copyDatabase(
  bin: string,
  from: DatabaseAddress,
  to: DatabaseAddress,
): Promise<void> {
  const at = ({ port }: DatabaseAddress): string[] => [
    ...['-h', '127.0.0.1', '-p', String(port), '-U', user, '-d', database],
  ];
  const environment = { PGPASSWORD: from.password };
  const dump = await asPostgres([join(bin, 'pg_dump'), ...at(from)], { environment });
  await asPostgres([join(bin, 'psql'), '-q', '-v', 'ON_ERROR_STOP=1', ...at(to)], {
    input: dump,
    environment,
  });
}

/** How many rows each table holds. */
export const countRows = (address: DatabaseAddress): Promise<Map<string, number>> =>
  asAdministrator(address, async (client) => {
    const { rows } = await client.query<{ name: string }>(
      `SELECT table_name "name" FROM information_schema.tables WHERE table_schema = 'public'`,
    );
    const counts = new Map<string, number>();
    for (const { name } of rows) {
      const counted = await client.query<{ n: number }>(`SELECT count(*)::int n FROM "${name}"`);
      counts.set(name, counted.rows[0]?.n ?? 0);
    }
    return counts;
  });
