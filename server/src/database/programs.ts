/** PostgreSQL's programs as Debian installs them, and who may run them. */
import { spawn } from 'node:child_process';
import { access, readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { SetupError } from './setup-error.ts';

const base = '/usr/lib/postgresql';

/** Major versions that are installed, newest first. */
export async function installedVersions(): Promise<string[]> {
  const names = await readdir(base).catch(() => []);
  const there = await Promise.all(names.map((name) => exists(join(base, name, 'bin', 'initdb'))));
  return names.filter((_, at) => there[at]).sort((a, b) => Number(b) - Number(a));
}

const exists = (path: string): Promise<boolean> =>
  access(path).then(
    () => true,
    () => false,
  );

/** The directory of a version's programs. */
export const binariesOf = (version: string): string => join(base, version, 'bin');

/** The programs of the newest version. */
export async function newestBinaries(): Promise<string> {
  const [newest] = await installedVersions();
  if (newest === undefined) {
    throw new SetupError(
      'PostgreSQL is not installed. Install it with: apt-get install postgresql',
    );
  }
  return binariesOf(newest);
}

/** The programs of the version that made a cluster: no other can run it. */
export async function binariesFor(version: string, data: string): Promise<string> {
  const versions = await installedVersions();
  if (versions.includes(version)) {
    return binariesOf(version);
  }
  const others = versions.length === 0 ? 'none is' : `only ${versions.join(', ')} is`;
  throw new SetupError(
    `The data in ${data} was made by PostgreSQL ${version}, and of that ${others} installed. Install the old one beside it (apt-get install postgresql-${version}), then run ./start --upgrade once: it carries everything over to the newest version and keeps the old data.`,
  );
}

/** Options of the server: loopback only, no socket file, a log of seven days that goes round. */
export const startOptions = (port: number): string[] =>
  [
    'listen_addresses=127.0.0.1',
    `port=${port}`,
    'unix_socket_directories=',
    'max_connections=60',
    'jit=off',
    'logging_collector=on',
    'log_directory=log',
    'log_filename=%a.log',
    'log_truncate_on_rotation=on',
    'log_rotation_age=1d',
    'log_rotation_size=0',
  ].flatMap((setting) => ['-c', setting]);

/** A user of the system. */
export interface SystemUser {
  readonly uid: number;
  readonly gid: number;
}

/**
 * The user as whom the database runs when we are root: PostgreSQL refuses to run as root. Null when
 * we are an ordinary user, as whom it then runs itself.
 */
export async function postgresUser(): Promise<SystemUser | null> {
  if (process.getuid?.() !== 0) {
    return null;
  }
  // By the file rather than by id(1): a signal of the terminal would reach that program, too.
  const users = await readFile('/etc/passwd', 'utf8');
  // Fields (passwd(5)): name, password, user, group, …
  const [, , uid, gid] = /^postgres:.*$/m.exec(users)?.[0].split(':') ?? [];
  if (uid === undefined || gid === undefined) {
    throw new SetupError(
      'There is no user postgres, as whom the database would run. Install PostgreSQL with: apt-get install postgresql',
    );
  }
  return { uid: Number(uid), gid: Number(gid) };
}

/**
 * The words before a command that make it a child of ours: as the user `postgres` when we are root, and
 * ended by that signal when we are gone, whatever ended us (setpriv(1) of util-linux, prctl(2)). It is
 * started in a session of its own, so that what a terminal sends to us does not reach it.
 */
export async function asOurs(signal: 'INT' | 'KILL'): Promise<string[]> {
  const user = await postgresUser();
  const rights = user
    ? [`--reuid=${user.uid}`, `--regid=${user.gid}`, '--clear-groups', '--no-new-privs']
    : ['--no-new-privs'];
  return ['setpriv', ...rights, `--pdeathsig=${signal}`, '--'];
}

/** What a program is given. */
interface Given {
  readonly input?: string;
  readonly environment?: NodeJS.ProcessEnv;
}

/**
 * Whether a child was ended by a signal that was meant for us: one to the whole group of a terminal
 * reaches it in the moment before it has a session of its own. Then it is started again.
 */
export const wasMeantForUs = (signal: NodeJS.Signals | null): boolean =>
  signal === 'SIGINT' || signal === 'SIGTERM' || signal === 'SIGHUP';

/** Runs a program as the user PostgreSQL may run as, and gives what it printed. */
export async function asPostgres(command: readonly string[], given: Given = {}): Promise<string> {
  const { input, environment } = given;
  const [program = '', ...rest] = [...(await asOurs('KILL')), ...command];
  return new Promise((resolve, reject) => {
    const child = spawn(program, rest, {
      cwd: '/',
      detached: true,
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { ...process.env, ...environment },
    });
    let out = '';
    let trouble = '';
    child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text));
    child.stderr.setEncoding('utf8').on('data', (text: string) => (trouble += text));
    child.once('error', reject);
    child.once('close', (code, signal) => {
      if (code === 0) {
        resolve(out);
      } else if (wasMeantForUs(signal)) {
        asPostgres(command, given).then(resolve, reject);
      } else {
        reject(new Error(trouble.trim() || `${command[0] ?? ''} ended with ${code ?? 'a signal'}`));
      }
    });
    child.stdin.on('error', () => undefined).end(input ?? '');
  });
}
