/**
 * A PostgreSQL cluster of the application's own: made, started and stopped with Debian's binaries,
 * listening on
 * 127.0.0.1 only and with a password that stands beside it. The system's cluster is never touched.
 */
import { execFile } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { access, chmod, chown, mkdir, readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { Client } from 'pg';
import type { DatabaseAddress } from './connect.ts';

const run = promisify(execFile);
const isRoot = process.getuid?.() === 0;
const user = 'clever_drawer';

/** A set-up that cannot go on, with words for whoever started it. */
export class SetupError extends Error {}

/** A running PostgreSQL cluster of our own. */
export interface Cluster {
  /** The address of a database of that name, which is created when missing. */
  database(name: string): Promise<DatabaseAddress>;
  drop(name: string): Promise<void>;
  stop(): Promise<void>;
}

/** Starts the cluster below `directory` (made when missing), or joins the one that still runs there. */
export async function startCluster(directory: string): Promise<Cluster> {
  const bin = await findBinaries();
  const data = join(directory, 'cluster');
  const passwordFile = join(directory, 'cluster-password');
  await mkdir(directory, { recursive: true });
  await letPostgresIn(directory);
  if (!(await exists(join(data, 'PG_VERSION')))) {
    await initialise(bin, data, passwordFile);
  }
  const password = (await readFile(passwordFile, 'utf8')).trim();
  const port = (await runningPort(bin, data)) ?? (await launch(bin, data, directory));
  const address = (database: string): DatabaseAddress => ({
    host: '127.0.0.1',
    port,
    user,
    password,
    database,
  });
  return {
    database: async (name) => {
      await asAdministrator(address('postgres'), async (client) => {
        const found = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
        if (found.rowCount === 0) {
          await client.query(
            `CREATE DATABASE "${name}" TEMPLATE template0 ENCODING 'UTF8' LC_COLLATE 'C' LC_CTYPE 'C.UTF-8'`,
          );
        }
      });
      return address(name);
    },
    drop: (name) =>
      asAdministrator(address('postgres'), async (client) => {
        await client.query(`DROP DATABASE IF EXISTS "${name}" WITH (FORCE)`);
      }),
    stop: async () => {
      await asPostgres([join(bin, 'pg_ctl'), 'stop', '-D', data, '-m', 'fast', '-w']).catch(
        () => undefined,
      );
    },
  };
}

async function asAdministrator(
  address: DatabaseAddress,
  work: (client: Client) => Promise<void>,
): Promise<void> {
  const client = new Client(address);
  await client.connect();
  try {
    await work(client);
  } finally {
    await client.end();
  }
}

const exists = (path: string): Promise<boolean> =>
  access(path).then(
    () => true,
    () => false,
  );

/** The newest of Debian's PostgreSQL servers. */
async function findBinaries(): Promise<string> {
  const base = '/usr/lib/postgresql';
  const versions = (await readdir(base).catch(() => [])).sort((a, b) => Number(b) - Number(a));
  for (const version of versions) {
    if (await exists(join(base, version, 'bin', 'initdb'))) {
      return join(base, version, 'bin');
    }
  }
  throw new SetupError('PostgreSQL is not installed. Install it with: apt-get install postgresql');
}

/** Runs a program as the user PostgreSQL may run as: `postgres` when we are root, ourselves otherwise. */
async function asPostgres(command: string[]): Promise<string> {
  const [program = '', ...rest] = isRoot
    ? ['runuser', '-u', 'postgres', '--', ...command]
    : command;
  const { stdout } = await run(program, rest, { cwd: '/' });
  return stdout;
}

/**
 * As root: lets the user `postgres` pass through our own directory; says which directory above it
 * keeps it out.
 */
async function letPostgresIn(directory: string): Promise<void> {
  if (!isRoot) {
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

async function initialise(bin: string, data: string, passwordFile: string): Promise<void> {
  if (!(await exists(passwordFile))) {
    await writeFile(passwordFile, `${randomBytes(24).toString('hex')}\n`, { mode: 0o600 });
  }
  await mkdir(data, { recursive: true, mode: 0o700 });
  if (isRoot) {
    const { stdout } = await run('id', ['-u', 'postgres']).catch(() => ({ stdout: '' }));
    if (stdout.trim() === '') {
      throw new SetupError(
        'There is no user postgres, as whom the database would run. Install PostgreSQL with: apt-get install postgresql',
      );
    }
    await chown(data, Number(stdout), -1);
    await chown(passwordFile, Number(stdout), -1);
  }
  await asPostgres([
    join(bin, 'initdb'),
    '-D',
    data,
    '-U',
    user,
    '--auth=scram-sha-256',
    `--pwfile=${passwordFile}`,
    '--encoding=UTF8',
    '--locale=C.UTF-8',
    '--no-instructions',
  ]);
}

/** The port of a cluster that runs already (left by a program that was killed), from its `postmaster.pid`. */
async function runningPort(bin: string, data: string): Promise<number | null> {
  const runs = await asPostgres([join(bin, 'pg_ctl'), 'status', '-D', data]).then(
    () => true,
    () => false,
  );
  if (!runs) {
    return null;
  }
  const lines = (await readFile(join(data, 'postmaster.pid'), 'utf8')).split('\n');
  return Number(lines[3]);
}

async function launch(bin: string, data: string, directory: string): Promise<number> {
  for (let attempt = 0; ; attempt += 1) {
    const port = await freePort();
    const options = `-c listen_addresses=127.0.0.1 -c port=${port} -c unix_socket_directories= -c max_connections=60 -c jit=off`;
    try {
      await asPostgres([
        join(bin, 'pg_ctl'),
        'start',
        '-D',
        data,
        '-w',
        '-t',
        '60',
        '-s',
        '-l',
        join(data, 'server.log'),
        '-o',
        options,
      ]);
      return port;
    } catch (error) {
      if (attempt === 2) {
        throw new SetupError(
          `The database could not be started in ${directory}; ${join(data, 'server.log')} says why. (${String(error)})`,
        );
      }
    }
  }
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
