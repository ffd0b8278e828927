/**
 * Everything of a studio in one file. It is read back and counted after writing; it is restored into a
 * cluster of its own, which becomes the studio's when all of it is there.
 */
import { fstatSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { basename, dirname } from 'node:path';
import { Directory, openRegular, realPathOf } from '../files/index.ts';
import { survey, type Contents } from './backup-file.ts';
import { filesOf, readPassword, startClusterOn, versionOf, type ClusterFiles } from './cluster.ts';
import type { DatabaseAddress } from './connect.ts';
import { lockData } from './data-lock.ts';
import { fillDatabase, writeRows } from './fill-database.ts';
import { ownDirectory } from './own-directory.ts';
import { findPostmaster, stopPostmaster } from './postmaster.ts';
import { binariesFor } from './programs.ts';
import { explain, SetupError } from './setup-error.ts';
import { database, serverOn } from './upgrade.ts';

/** What a backup holds. */
export interface BackupFacts {
  /** ISO 8601. */
  readonly at: string;
  /** Rows of each table. */
  readonly rows: Readonly<Record<string, number>>;
  /** Of the file. */
  readonly bytes: number;
}

/** Only its owner may read a backup: it holds everything. */
export const backupMode = 0o600;

const factsOf = ({ at, tables }: Contents, file: number): BackupFacts => ({
  at,
  rows: Object.fromEntries(tables.map(({ name, rows }) => [name, rows])),
  bytes: fstatSync(file).size,
});

/** Writes a backup of one database into an open file, and reads it back. */
export async function writeBackup(
  address: DatabaseAddress,
  file: number,
  at: Date,
): Promise<BackupFacts> {
  await writeRows(address, file, at);
  return checkBackup(file, 'what was written');
}

/** Reads a backup through and counts what is in it. Throws a SetupError where it is not whole. */
export async function checkBackup(file: number, path: string): Promise<BackupFacts> {
  return factsOf(await survey(file, path), file);
}

/** Opens a file that somebody named as a backup. Throws a SetupError where it is none. */
export async function openBackup(path: string): Promise<{ fd: number; close(): Promise<void> }> {
  return openRegular(path, { followsLinks: true }).catch((error: unknown) => {
    const { code } = error as NodeJS.ErrnoException;
    const words = code === 'ENOENT' ? `There is no file ${path}.` : `${path} cannot be read.`;
    throw new SetupError(code === 'not-regular' ? `${path} is not a file.` : words);
  });
}

/**
 * Puts a file in its place when `work` has written all of it. Throws a SetupError where its directory is
 * missing, or may not be written.
 */
export async function newBackup<T>(path: string, work: (file: number) => Promise<T>): Promise<T> {
  const real = await realPathOf(dirname(path));
  try {
    const directory = await Directory.open(real ?? dirname(path));
    try {
      return await directory.fill(basename(path), backupMode, ({ fd }) => work(fd));
    } finally {
      await directory.close();
    }
  } catch (error) {
    throw (error as NodeJS.ErrnoException).code === 'ENOENT'
      ? new SetupError(`There is no directory ${dirname(path)}.`)
      : explain(error, path);
  }
}

/** Backs up the data of a directory into an open file, whether it is in use or not. */
export async function backUp(
  directory: string,
  file: number,
  signal?: AbortSignal,
): Promise<BackupFacts> {
  const files = filesOf(directory);
  const version = await versionOf(files.data);
  if (version === null) {
    throw new SetupError(`There is no data in ${directory} to be backed up.`);
  }
  const bin = await binariesFor(version, files.data);
  const isRunning = (await findPostmaster(files.data)) !== null;
  const lock = isRunning ? null : await lockData(directory);
  try {
    const address = await serverOn(files, bin, await readPassword(files.password));
    const facts = await writeBackup(address, file, new Date());
    signal?.throwIfAborted();
    return facts;
  } catch (error) {
    throw signal?.aborted ? new SetupError('Backing up was interrupted.') : error;
  } finally {
    if (!isRunning) {
      await stopPostmaster(files.data);
    }
    lock?.release();
  }
}

/** An open file, and what it is called. */
export interface BackupFile {
  readonly file: number;
  readonly path: string;
}

/**
 * Restores a backup into a directory that holds no data yet. Whatever goes wrong, or breaks it off,
 * leaves it without.
 */
export async function restoreBackup(
  { file, path }: BackupFile,
  directory: string,
  signal?: AbortSignal,
): Promise<BackupFacts> {
  const contents = await survey(file, path);
  const files = filesOf(directory);
  await refuseData(files);
  await ownDirectory(directory);
  const lock = await lockData(directory);
  try {
    await refuseData(files);
    signal?.throwIfAborted();
    await restoreBeside({ ...files, data: files.restoring }, { file, path, contents, signal });
    signal?.throwIfAborted();
    await rename(files.restoring, files.data);
    return factsOf(contents, file);
  } catch (error) {
    throw signal?.aborted
      ? new SetupError('Restoring was interrupted. Nothing is left of it; it can be done again.')
      : explain(error, directory);
  } finally {
    lock.release();
  }
}

async function refuseData({ directory, data }: ClusterFiles): Promise<void> {
  if ((await versionOf(data)) !== null) {
    throw new SetupError(
      `There is data in ${directory} already, and it is not overwritten. Restore into another directory: --data DIR.`,
    );
  }
}

async function restoreBeside(
  files: ClusterFiles,
  filling: Parameters<typeof fillDatabase>[1],
): Promise<void> {
  try {
    const cluster = await startClusterOn(files);
    await fillDatabase(await cluster.database(database), filling);
    await stopPostmaster(files.data);
  } catch (error) {
    await stopPostmaster(files.data).catch(() => undefined);
    await rm(files.data, { recursive: true, force: true });
    await rm(files.password, { force: true });
    throw error;
  }
}
