/**
 * A PostgreSQL cluster of the application's own: made, started and stopped with Debian's binaries,
 * listening on 127.0.0.1 only and with a password that stands beside it. The system's cluster is
 * never touched, and never taken for ours.
 */
import { chmod, chown, mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { randomBytes } from 'node:crypto';
import { realpathSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { Client } from 'pg';
import type { DatabaseAddress } from './connect.ts';
import { lockData } from './data-lock.ts';
import { asPostgres, binariesFor, newestBinaries, postgresUser, startOptions } from './programs.ts';
import { findPostmaster, stopPostmaster, worksIn } from './postmaster.ts';
import { explain, SetupError } from './setup-error.ts';

/** The one role, who owns everything. */
export const user = 'clever_drawer';

/** A running PostgreSQL cluster of our own. */
export interface Cluster {
  /** The address of a database of that name, which is created when missing. */
  database(name: string): Promise<DatabaseAddress>;
  drop(name: string): Promise<void>;
  /** Starts the server again, on the same port, where it runs no more. */
  revive(): Promise<void>;
  stop(): Promise<void>;
  /** Stops it and removes all it holds, before anybody else can take the directory. */
  discard(): Promise<void>;
}

/**
 * Starts the cluster below `directory`, which is made when missing. A server that a killed program
 * left running there is taken over. Throws a SetupError that says what is wrong and what to do.
 */
export async function startCluster(directory: string): Promise<Cluster> {
  try {
    await mkdir(directory, { recursive: true });
  } catch (error) {
    throw explain(error, directory);
  }
  const lock = await lockData(directory);
  try {
    const files = filesOf(directory);
    const cluster = await start(files);
    return {
      ...cluster,
      stop: async () => {
        await stopPostmaster(files.data);
        lock.release();
      },
      discard: async () => {
        await stopPostmaster(files.data);
        await rm(files.data, { recursive: true, force: true });
        await rm(files.password, { force: true });
        lock.release();
      },
    };
  } catch (error) {
    await stopPostmaster(join(directory, 'cluster')).catch(() => undefined);
    lock.release();
    throw explain(error, directory);
  }
}

/** Where things stand below the directory of the data. */
export interface ClusterFiles {
  readonly directory: string;
  readonly data: string;
  /** Where a cluster is made before it takes its place. */
  readonly half: string;
  readonly password: string;
}

/** Where things stand below that directory. */
export const filesOf = (directory: string): ClusterFiles => ({
  directory,
  data: join(directory, 'cluster'),
  half: join(directory, 'cluster.new'),
  password: join(directory, 'cluster-password'),
});

async function start(files: ClusterFiles): Promise<Omit<Cluster, 'stop' | 'discard'>> {
  await letPostgresIn(files.directory);
  const version = await versionOf(files.data);
  if (version === null) {
    await make(files);
  }
  const bin = version === null ? await newestBinaries() : await binariesFor(version, files.data);
  const launched = (await findPostmaster(files.data))?.port ?? (await launch(bin, files));
  let password = await readPassword(files.password);
  const address = (database: string): DatabaseAddress => ({
    host: '127.0.0.1',
    port: launched,
    user,
    password,
    database,
  });
  if (!(await isOurs(address('postgres'), files.data))) {
    password = await setPassword(bin, files, launched);
    if (!(await isOurs(address('postgres'), files.data))) {
      throw new SetupError(
        `What answers on port ${launched} is not the database of ${files.directory}. Stop what listens there, and start again.`,
      );
    }
  }
  return {
    revive: async () => {
      if (!(await findPostmaster(files.data))) {
        await launchOn(launched, bin, files);
      }
    },
    database: async (name) => {
      await asAdministrator(address('postgres'), async (client) => {
        const found = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
        if (found.rowCount === 0) {
          await createDatabase(client, name);
        }
      });
      return address(name);
    },
    drop: (name) =>
      asAdministrator(address('postgres'), async (client) => {
        await client.query(`DROP DATABASE IF EXISTS "${name}" WITH (FORCE)`);
      }),
  };
}

/** An empty database, in which texts are ordered by their characters. */
export const createDatabase = (client: Client, name: string): Promise<unknown> =>
  client.query(
    `CREATE DATABASE "${name}" TEMPLATE template0 ENCODING 'UTF8' LC_COLLATE 'C' LC_CTYPE 'C.UTF-8'`,
  );

/** Works with a connection of its own. */
export async function asAdministrator<T>(
  address: DatabaseAddress,
  work: (client: Client) => Promise<T>,
): Promise<T> {
  const client = new Client(address);
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Wrong password, no such role (28), as PostgreSQL's error codes have them. */
const isRefusal = (error: unknown): boolean => /^28/.test((error as { code?: string }).code ?? '');

/** Whether what answers there is the server on our directory; false also when it lets us not in. */
async function isOurs(address: DatabaseAddress, data: string): Promise<boolean> {
  if (address.password === '') {
    return false;
  }
  try {
    return await asAdministrator(address, async (client) => {
      const { rows } = await client.query<{ at: string }>(
        `SELECT current_setting('data_directory') "at"`,
      );
      return rows[0]?.at !== undefined && realpathSync(rows[0].at) === realpathSync(data);
    });
  } catch (error) {
    if (isRefusal(error)) {
      return false;
    }
    throw error;
  }
}

/** The major version that made the cluster; null where there is none. */
export async function versionOf(data: string): Promise<string | null> {
  const text = await readFile(join(data, 'PG_VERSION'), 'utf8').catch(() => null);
  return text === null ? null : text.trim();
}

/** The password of the cluster; empty where the file is gone. */
export const readPassword = (path: string): Promise<string> =>
  readFile(path, 'utf8').then(
    (text) => text.trim(),
    () => '',
  );

const newPassword = (): string => randomBytes(24).toString('hex');

async function writePassword(path: string, password: string): Promise<void> {
  await writeFile(path, `${password}\n`, { mode: 0o600 });
  const owner = await postgresUser();
  if (owner) {
    await chown(path, owner.uid, -1);
  }
}

/**
 * Gives the database a new password, where the file with the old one is gone or wrong: by the
 * single-user mode of PostgreSQL, which only who owns the files can use.
 */
async function setPassword(bin: string, files: ClusterFiles, port: number): Promise<string> {
  const password = newPassword();
  await stopPostmaster(files.data);
  await asPostgres([join(bin, 'postgres'), '--single', '-D', files.data, 'postgres'], {
    input: `ALTER ROLE ${user} PASSWORD '${password}'\n`,
  });
  await writePassword(files.password, password);
  await launchOn(port, bin, files);
  return password;
}

/** As root: lets the user `postgres` pass through our own directory; says which directory above it keeps it out. */
async function letPostgresIn(directory: string): Promise<void> {
  if (!(await postgresUser())) {
    return;
  }
  await chmod(directory, (await stat(directory)).mode | 0o011);
  for (let up = dirname(directory); up !== dirname(up); up = dirname(up)) {
    if (((await stat(up)).mode & 0o001) === 0) {
      throw new SetupError(
        `Started as root, the database runs as the user postgres, who may not enter ${up}. Choose another directory with --data, such as /var/lib/clever-drawer.`,
      );
    }
  }
}

/** Makes a cluster beside its place and moves it there when it is whole: a half one is made anew. */
async function make(files: ClusterFiles): Promise<void> {
  const bin = await newestBinaries();
  await rm(files.half, { recursive: true, force: true });
  await putAsideRemains(files);
  await writePassword(files.password, newPassword());
  await initialise(bin, files.half, files.password);
  await rename(files.half, files.data);
}

/** What lies where the cluster should be, without being one, is kept under another name. */
async function putAsideRemains({ data }: ClusterFiles): Promise<void> {
  const isThere = await stat(data).then(
    () => true,
    () => false,
  );
  if (isThere) {
    await rename(data, `${data}.unfinished-${Date.now()}`);
  }
}

/** An empty cluster at `data`, with our user and the password of that file. */
export async function initialise(bin: string, data: string, passwordFile: string): Promise<void> {
  await mkdir(data, { recursive: true, mode: 0o700 });
  const owner = await postgresUser();
  if (owner) {
    await chown(data, owner.uid, -1);
  }
  const locale = ['--encoding=UTF8', '--locale=C.UTF-8'];
  const access = ['-U', user, '--auth=scram-sha-256', `--pwfile=${passwordFile}`];
  await asPostgres([join(bin, 'initdb'), '-D', data, ...access, ...locale, '--no-instructions']);
}

async function launch(bin: string, files: ClusterFiles): Promise<number> {
  for (let attempt = 0; ; attempt += 1) {
    const port = await freePort();
    try {
      await launchOn(port, bin, files);
      return port;
    } catch (error) {
      if (attempt === 2) {
        throw error;
      }
    }
  }
}

/** Starts the server on a port. Throws a SetupError with what its log says. */
export async function launchOn(
  port: number,
  bin: string,
  { data, directory }: ClusterFiles,
): Promise<void> {
  await clearStaleNote(data);
  const log = join(data, 'server.log');
  const control = [join(bin, 'pg_ctl'), 'start', '-D', data, '-w', '-t', '60', '-s', '-l', log];
  try {
    await asPostgres([...control, '-o', startOptions(port)]);
  } catch (error) {
    throw new SetupError(await whyNotStarted(directory, log, error));
  }
  if (!(await findPostmaster(data))) {
    throw new SetupError(
      `The database in ${directory} ended as soon as it was started; ${log} says why.`,
    );
  }
}

/**
 * Removes a `postmaster.pid` whose server is proven not to run, so that neither an empty one nor a
 * number that is another process's by now stands in the way. While any process still works in the
 * directory, as those of a killed server do for a moment, it is waited for.
 */
async function clearStaleNote(data: string): Promise<void> {
  for (let waited = 0; (await worksIn(data)) && waited < 10_000; waited += 100) {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  if ((await findPostmaster(data)) === null && !(await worksIn(data))) {
    await rm(join(data, 'postmaster.pid'), { force: true });
  }
}

async function whyNotStarted(directory: string, log: string, error: unknown): Promise<string> {
  const said = await readFile(log, 'utf8').catch(() => '');
  const last = said.trim().split('\n').slice(-20).join('\n');
  if (/No space left on device/.test(last)) {
    return `The database cannot start: the disk of ${directory} is full. Free some space on it and start again; nothing that was saved is lost.`;
  }
  const reason = /(?:FATAL|PANIC): +(.*)/.exec(last)?.[1] ?? String(error).split('\n')[0] ?? '';
  return `The database in ${directory} could not be started: ${reason} More stands in ${log}.`;
}

/** A port of 127.0.0.1 that nobody listens on at this moment. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => {
        resolve(typeof address === 'object' && address ? address.port : 0);
      });
    });
  });
}
