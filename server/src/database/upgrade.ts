/**
 * Carrying the data over to a newer PostgreSQL: backed up from the old server, restored into a new
 * cluster beside it, counted, and only then put in its place. The old cluster is kept.
 */
import { randomUUID } from 'node:crypto';
import { open, rename, rm } from 'node:fs/promises';
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
import { survey, type Contents } from './backup-file.ts';
import { fillDatabase, writeRows } from './fill-database.ts';
import { lockData } from './data-lock.ts';
import { binariesFor, binariesOf, installedVersions } from './programs.ts';
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
  const { tables } = await copyDatabase(files, old, fresh);
  await stopPostmaster(files.data);
  await stopPostmaster(files.half);
  return new Map(tables.map(({ name, rows }) => [name, rows]));
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

/** As a backup, the whole of it before any is read in, so that half of one is never taken. */
async function copyDatabase(
  { directory }: ClusterFiles,
  from: DatabaseAddress,
  to: DatabaseAddress,
): Promise<Contents> {
  const path = join(directory, `.${randomUUID()}.half`);
  const handle = await open(path, 'wx+', 0o600);
  try {
    await writeRows(from, handle.fd, new Date());
    const contents = await survey(handle.fd, path);
    await fillDatabase(to, { file: handle.fd, path, contents });
    return contents;
  } finally {
    await handle.close();
    await rm(path, { force: true });
  }
}
