/**
 * A PostgreSQL cluster of the application's own: made, started and stopped with Debian's binaries,
 * listening on 127.0.0.1 only and with a password that stands beside it. The system's cluster is
 * never touched, and never taken for ours.
 */
import { open, realpath, rename, rm, stat } from 'node:fs/promises';
import { randomBytes } from 'node:crypto';
import { constants, existsSync, realpathSync } from 'node:fs';
import { createServer } from 'node:net';
import { basename, dirname, join } from 'node:path';
import { Client } from 'pg';
import { Directory, readSmallText } from '../files/index.ts';
import type { DatabaseAddress } from './connect.ts';
import { lockData } from './data-lock.ts';
import { noAccessWords, ownDirectory } from './own-directory.ts';
import { asPostgres, binariesFor, newestBinaries, postgresUser } from './programs.ts';
import { startServer } from './server-process.ts';
import { findPostmaster, stopPostmaster, worksIn } from './postmaster.ts';
import { explain, SetupError } from './setup-error.ts';

/** The administrator of the cluster: makes databases, and reads them for backups. */
export const user = 'clever_drawer';
/** Who owns the tables and works on them: no superuser, who may run no program and read no file. */
const worker = 'clever_drawer_studio';

/** A running PostgreSQL cluster of our own. */
export interface Cluster {
  /** The address of a database of that name, which is created when missing. */
  database(name: string): Promise<DatabaseAddress>;
  /** The same as its administrator, who sees everything. */
  administrator(name: string): DatabaseAddress;
  drop(name: string): Promise<void>;
  /** Starts the server again, on the same port, where it runs no more. */
  revive(): Promise<void>;
  stop(): Promise<void>;
  /** Stops it and removes all it holds, before anybody else can take the directory. */
  discard(): Promise<void>;
}

/**
 * Starts the cluster below `directory`, which is made when missing. A server that still runs there, of
 * a program that was killed, is stopped first. Throws a SetupError that says what is wrong and what to do.
 */
export async function startCluster(directory: string): Promise<Cluster> {
  await ownDirectory(directory);
  const lock = await lockData(directory);
  const files = filesOf(directory);
  try {
    const cluster = await startClusterOn(files);
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
    await stopPostmaster(files.data).catch(() => undefined);
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
  /** Where a backup is restored before it takes its place. */
  readonly restoring: string;
  readonly password: string;
}

/** Where things stand below that directory. */
export const filesOf = (directory: string): ClusterFiles => ({
  directory,
  data: join(directory, 'cluster'),
  half: join(directory, 'cluster.new'),
  restoring: join(directory, 'cluster.restoring'),
  password: join(directory, 'cluster-password'),
});

/** A cluster in a directory that is locked; who starts it there stops it. */
export async function startClusterOn(
  files: ClusterFiles,
): Promise<Omit<Cluster, 'stop' | 'discard'>> {
  await letPostgresIn(files.directory);
  await removeHalf(files);
  const version = await versionOf(files.data);
  if (version === null) {
    await make(files);
  }
  const bin = version === null ? await newestBinaries() : await binariesFor(version, files.data);
  await stopPostmaster(files.data);
  const port = await launch(bin, files);
  let password = await readPassword(files.password);
  const address = (database: string): DatabaseAddress => ({
    ...{ host: '127.0.0.1', port, user, password, database },
  });
  if (!(await isOurs(address('postgres'), files.data))) {
    password = await setPassword(bin, files, port);
    if (!(await isOurs(address('postgres'), files.data))) {
      throw new SetupError(
        `What answers on port ${port} is not the database of ${files.directory}. Stop what listens there, and start again.`,
      );
    }
  }
  const workerPassword = newPassword();
  await asAdministrator(address('postgres'), (client) => setUpWorker(client, workerPassword));
  return {
    revive: async () => {
      if (!(await findPostmaster(files.data))) {
        await launchOn(port, bin, files);
      }
    },
    database: async (name) => {
      await asAdministrator(address('postgres'), async (client) => {
        const found = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
        if (found.rowCount === 0) {
          await createDatabase(client, name);
        }
      });
      await asAdministrator(address(name), (client) => giveToWorker(client, name));
      return { ...address(name), user: worker, password: workerPassword };
    },
    administrator: address,
    drop: (name) =>
      asAdministrator(address('postgres'), async (client) => {
        await client.query(`DROP DATABASE IF EXISTS "${name}" WITH (FORCE)`);
      }),
  };
}

/** The role that works on the data, with a new password that stands nowhere. */
async function setUpWorker(client: Client, password: string): Promise<void> {
  const found = await client.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [worker]);
  if (found.rowCount === 0) {
    await client.query(`CREATE ROLE ${worker}`);
  }
  await client.query(
    `ALTER ROLE ${worker} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION NOBYPASSRLS PASSWORD '${password}'`,
  );
}

/** What the administrator owns in a database becomes the worker's, as in data of older programs. */
async function giveToWorker(client: Client, name: string): Promise<void> {
  await client.query(`ALTER DATABASE "${name}" OWNER TO ${worker}`);
  await client.query(`ALTER SCHEMA public OWNER TO ${worker}`);
  const { rows } = await client.query<{ statement: string }>(
    `SELECT format('ALTER TABLE %s OWNER TO ${worker}', c.oid::regclass) "statement"
       FROM pg_class c
       WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p', 'v', 'm')
         AND c.relowner <> '${worker}'::regrole
     UNION ALL
     SELECT format('ALTER ROUTINE %s OWNER TO ${worker}', p.oid::regprocedure)
       FROM pg_proc p
       WHERE p.pronamespace = 'public'::regnamespace AND p.proowner <> '${worker}'::regrole`,
  );
  for (const { statement } of rows) {
    await client.query(statement);
  }
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

/** The major version that made the cluster; null where there is none. Throws a SetupError where it is damaged. */
export async function versionOf(data: string): Promise<string | null> {
  const text = await readSmallText(join(data, 'PG_VERSION'));
  const version = text?.trim() ?? '';
  if (/^\d+$/.test(version)) {
    return version;
  }
  if (text === null && !existsSync(join(data, 'global/pg_control'))) {
    return null;
  }
  throw new SetupError(
    `The database in ${data} is damaged: its file PG_VERSION should hold a number. Restore a backup into another directory (./clever-drawer restore FILE --data DIR); nothing was changed.`,
  );
}

/** The password of the administrator; empty where the file is gone, or something else. */
export const readPassword = async (path: string): Promise<string> =>
  (await readSmallText(path))?.trim() ?? '';

const newPassword = (): string => randomBytes(24).toString('hex');

/** A new file that takes the place of what is there, a link included. Throws where that is a directory. */
async function writePassword(path: string, password: string): Promise<void> {
  const directory = await openReal(dirname(path));
  try {
    if ((await directory.look(basename(path)))?.isDirectory()) {
      throw new SetupError(
        `${path} is a directory; the password of the database is to be a file there. Move it away, and start again.`,
      );
    }
    await directory.replace(basename(path), `${password}\n`, 0o600);
    const owner = await postgresUser();
    if (owner) {
      await directory.giveAway(basename(path), owner.uid, owner.gid);
    }
  } finally {
    await directory.close();
  }
}

/** Opens a directory that is there, as what it really is. */
const openReal = async (path: string): Promise<Directory> => Directory.open(await realpath(path));

/**
 * Gives the database a new password, where the file with the old one is gone or wrong: by the
 * single-user mode of PostgreSQL, which only who owns the files can use.
 */
async function setPassword(bin: string, files: ClusterFiles, port: number): Promise<string> {
  const password = newPassword();
  await stopPostmaster(files.data);
  await asPostgres([join(bin, 'postgres'), '--single', '-D', files.data, 'postgres'], {
    input: `ALTER ROLE ${user} PASSWORD '${password}'\n`,
  }).catch((error: unknown) => {
    throw new SetupError(whyNotStarted(files.directory, error));
  });
  await writePassword(files.password, password);
  await launchOn(port, bin, files);
  return password;
}

/** As root, in tests only: the user `postgres` has to get to our own directory; says which one keeps it out. */
async function letPostgresIn(directory: string): Promise<void> {
  if (!(await postgresUser())) {
    return;
  }
  const own = await open(directory, constants.O_RDONLY | constants.O_DIRECTORY);
  try {
    await own.chmod((await own.stat()).mode | 0o011);
  } finally {
    await own.close();
  }
  for (let up = dirname(directory); up !== dirname(up); up = dirname(up)) {
    if (((await stat(up)).mode & 0o001) === 0) {
      throw new SetupError(noAccessWords(up));
    }
  }
}

/** Makes a cluster beside its place and moves it there when it is whole: a half one is made anew. */
async function make(files: ClusterFiles): Promise<void> {
  const bin = await newestBinaries();
  await putAsideRemains(files);
  await writePassword(files.password, newPassword());
  await initialise(bin, files.half, files.password);
  await rename(files.half, files.data);
}

/** What was being made or restored when somebody was killed is nobody's. */
async function removeHalf({ half, restoring }: ClusterFiles): Promise<void> {
  for (const left of [half, restoring]) {
    await stopPostmaster(left);
    await rm(left, { recursive: true, force: true });
  }
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
  const directory = await openReal(dirname(data));
  try {
    await directory.make(basename(data), 0o700);
    const owner = await postgresUser();
    if (owner) {
      await directory.giveAway(basename(data), owner.uid, owner.gid);
    }
  } finally {
    await directory.close();
  }
  const locale = ['--encoding=UTF8', '--locale=C.UTF-8'];
  const access = ['-U', user, '--auth=scram-sha-256', `--pwfile=${passwordFile}`];
  const command = [join(bin, 'initdb'), '-D', data, ...access, ...locale, '--no-instructions'];
  await asPostgres(command).catch((error: unknown) => {
    throw new SetupError(whyNotStarted(dirname(data), error));
  });
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

/** Starts the server on a port. Throws a SetupError with what it said. */
export async function launchOn(
  port: number,
  bin: string,
  { data, directory }: ClusterFiles,
): Promise<void> {
  await clearStaleNote(data);
  try {
    await startServer(bin, data, port);
  } catch (error) {
    throw new SetupError(whyNotStarted(directory, error));
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

function whyNotStarted(directory: string, error: unknown): string {
  const said = error instanceof Error ? error.message : String(error);
  if (/No space left on device|wrote only \d+ of \d+ bytes/.test(said)) {
    return `The database cannot start: the disk of ${directory} is full. Free some space on it and start again; nothing that was saved is lost.`;
  }
  const reason = /(?:FATAL|PANIC): +(.*)/.exec(said)?.[1] ?? said.split('\n').at(-1) ?? '';
  return `The database in ${directory} could not be started: ${reason} More is in ${join(directory, 'cluster/log')}.`;
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
