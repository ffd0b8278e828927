/**
 * Everything of a studio in one file: a line that says what is in it, then PostgreSQL's own dump, in
 * gzip. It is read back and counted after writing; restoring counts again.
 */
import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { startCluster, filesOf, readPassword, versionOf } from './cluster.ts';
import type { DatabaseAddress } from './connect.ts';
import { lockData } from './data-lock.ts';
import { findPostmaster, stopPostmaster } from './postmaster.ts';
import { asPostgres, binariesFor, newestBinaries } from './programs.ts';
import { explain, SetupError } from './setup-error.ts';
import { countRows, database, serverOn } from './upgrade.ts';

const zip = promisify(gzip);
const unzip = promisify(gunzip);

const magic = 'clever-drawer studio';

/** What a backup holds. */
export interface BackupFacts {
  /** ISO 8601. */
  readonly at: string;
  /** Rows of each table. */
  readonly rows: Readonly<Record<string, number>>;
  /** Of the file. */
  readonly bytes: number;
}

interface Header {
  readonly backup: typeof magic;
  readonly version: 1;
  readonly at: string;
  readonly rows: Readonly<Record<string, number>>;
}

/** Backs up the data of a directory, whether it is in use or not. Throws a SetupError in words. */
export async function backUp(directory: string, file: string): Promise<BackupFacts> {
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
    return await backUpFrom(address, bin, file, new Date());
  } catch (error) {
    throw explain(error, file);
  } finally {
    if (!isRunning) {
      await stopPostmaster(files.data);
    }
    lock?.release();
  }
}

/** What is noted for the server that runs is nothing of the studio. */
const without = ['--exclude-table-data=touched'];

/** Backs up one database by the programs of `bin`. The file appears only when it is whole and read back. */
export async function backUpFrom(
  address: DatabaseAddress,
  bin: string,
  file: string,
  at: Date,
): Promise<BackupFacts> {
  const dump = await asPostgres(
    [join(bin, 'pg_dump'), '--no-owner', '--no-privileges', ...without, ...connection(address)],
    { environment: { PGPASSWORD: address.password } },
  );
  const header: Header = {
    backup: magic,
    version: 1,
    at: at.toISOString(),
    rows: countCopied(dump),
  };
  await mkdir(dirname(file), { recursive: true });
  const half = `${file}.${randomUUID()}.half`;
  try {
    await writeFile(half, await zip(`${JSON.stringify(header)}\n${dump}`), { flag: 'wx' });
    const facts = await checkBackup(half);
    await rename(half, file);
    return facts;
  } catch (error) {
    await rm(half, { force: true });
    throw error;
  }
}

const connection = ({ host, port, user, database: name }: DatabaseAddress): string[] => [
  ...['-h', host, '-p', String(port), '-U', user, '-d', name],
];

/** Rows of each table as a dump holds them: the lines between COPY and its end. */
function countCopied(dump: string): Record<string, number> {
  const rows: Record<string, number> = {};
  let table: string | null = null;
  for (const line of dump.split('\n')) {
    const begins = /^COPY public\.("?)(\w+)\1 \(/.exec(line);
    if (table === null && begins) {
      table = begins[2] ?? '';
      rows[table] = 0;
    } else if (line === '\\.') {
      table = null;
    } else if (table !== null) {
      rows[table] = (rows[table] ?? 0) + 1;
    }
  }
  return rows;
}

/** Reads a backup through and counts what is in it. Throws a SetupError where it is not whole. */
export async function checkBackup(file: string): Promise<BackupFacts> {
  const { header } = await readBackup(file);
  return { at: header.at, rows: header.rows, bytes: (await stat(file)).size };
}

async function readBackup(file: string): Promise<{ header: Header; dump: string }> {
  const packed = await readFile(file).catch((error: unknown) => {
    throw explain(error, file);
  });
  const text = await unzip(packed)
    .then((bytes) => bytes.toString('utf8'))
    .catch(() => {
      throw new SetupError(`${file} is no whole backup: it is cut off, or no backup at all.`);
    });
  const end = text.indexOf('\n');
  const header = headerOf(text.slice(0, end), file);
  const dump = text.slice(end + 1);
  const counted = countCopied(dump);
  const wrong = Object.keys(header.rows).filter((table) => counted[table] !== header.rows[table]);
  if (wrong.length > 0) {
    throw new SetupError(`${file} does not hold what it says it does (${wrong.join(', ')}).`);
  }
  return { header, dump };
}

function headerOf(line: string, file: string): Header {
  let header: Partial<Header> | null;
  try {
    header = JSON.parse(line) as Partial<Header> | null;
  } catch {
    header = null;
  }
  if (header?.backup !== magic || !header.rows || !header.at) {
    throw new SetupError(`${file} is no backup of a studio.`);
  }
  if (header.version !== 1) {
    throw new SetupError(`${file} was written by a newer Clever Drawer. Install that one first.`);
  }
  return header as Header;
}

/** Restores a backup into a directory that holds no data yet. Whatever goes wrong leaves it without. */
export async function restoreBackup(file: string, directory: string): Promise<BackupFacts> {
  const { header, dump } = await readBackup(file);
  if ((await versionOf(filesOf(directory).data)) !== null) {
    throw new SetupError(
      `There is data in ${directory} already, and it is not overwritten. Restore into another directory: --data DIR.`,
    );
  }
  const bin = await newestBinaries();
  const cluster = await startCluster(directory);
  try {
    const address = await cluster.database(database);
    const environment = { PGPASSWORD: address.password };
    const command = [join(bin, 'psql'), '-q', '-v', 'ON_ERROR_STOP=1', ...connection(address)];
    // The schema is there in a fresh database already.
    const input = dump.replace(/^CREATE SCHEMA public;$/m, '');
    await asPostgres(command, { input, environment });
    const counted = await countRows(address);
    const wrong = Object.entries(header.rows).filter(
      ([table, count]) => counted.get(table) !== count,
    );
    if (wrong.length > 0) {
      throw new SetupError(
        `What was restored is not what the backup holds (${wrong.map(([table]) => table).join(', ')}), so it was thrown away.`,
      );
    }
    await cluster.stop();
    return { at: header.at, rows: header.rows, bytes: (await stat(file)).size };
  } catch (error) {
    await cluster.discard();
    throw error;
  }
}
