/** `backup FILE` and `restore FILE`: everything of the studio. */
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import type * as ServerBackup from '@clever-drawer/server/backup';
import type { BackupFacts } from '@clever-drawer/server/backup';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer backup FILE [--data DIR]
     ./clever-drawer restore FILE [--data DIR]

backup writes everything of the studio (all computers, the order and its history, points, loads,
pictures) into one file, while Clever Drawer runs or not, reads it back and counts it.
restore makes the data of a studio from such a file, in a directory that holds none yet; start it
with ./start --data DIR.
  --data DIR  where the data is, or is to be; the usual place of one's own unless it is said
Exit status: 0 done, 1 it could not be done, 2 wrong use.`;

interface Wishes {
  readonly file: string;
  readonly data: string | undefined;
  /** Whether the file is open already: root opened it, and gave up being root. */
  readonly isOpened: boolean;
}

function readWishes(args: string[]): Wishes | string {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        data: { type: 'string' },
        help: { type: 'boolean', short: 'h' },
        opened: { type: 'boolean', default: false },
      },
    });
    const [file, ...more] = positionals;
    if (values.help) {
      return '';
    }
    return file === undefined || more.length > 0
      ? 'Name one file.'
      : { file, data: values.data, isOpened: values.opened };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

type Task = 'backup' | 'restore';
type Server = typeof ServerBackup;

/** What is to be done, once the file is open. */
interface Work {
  readonly server: Server;
  readonly task: Task;
  readonly file: string;
  readonly data: string;
  readonly terminal: Terminal;
}

async function run(task: Task, args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  // The database's part is read only where it is wanted: every other command does without.
  const server = await import('@clever-drawer/server/backup');
  const data = resolve(wishes.data ?? join(server.usualDirectory(process.env), 'own'));
  const work = { server, task, file: resolve(wishes.file), data, terminal };
  try {
    return wishes.isOpened ? await withFile(work, server.givenDescriptor) : await opened(work);
  } catch (error) {
    if (!(error instanceof SaidAlready)) {
      terminal.error(error instanceof Error ? error.message : String(error));
    }
    return 1;
  }
}

/** Opens the file as who we are; as root, all else is done as the user of the database. */
async function opened(work: Work): Promise<ExitStatus> {
  const { server, task, file, data } = work;
  const heir = await server.postgresUser();
  const go = (descriptor: number): Promise<ExitStatus> =>
    heir ? withoutRoot(work, descriptor) : withFile(work, descriptor);
  if (task === 'backup') {
    return server.newBackup(file, go);
  }
  const source = await server.openBackup(file);
  try {
    if (heir) {
      await server.ownDirectory(data, heir);
    }
    return await go(source.fd);
  } finally {
    await source.close();
  }
}

/** What was done as another user failed, and that user said so. */
class SaidAlready extends Error {}

async function withoutRoot(
  { server, task, file, data }: Work,
  descriptor: number,
): Promise<ExitStatus> {
  const args = [task, file, '--data', data, '--opened'];
  if ((await server.runWithoutRoot(args, descriptor)) !== 0) {
    throw new SaidAlready();
  }
  return 0;
}

async function withFile(
  { server, task, file, data, terminal }: Work,
  descriptor: number,
): Promise<ExitStatus> {
  const breaking = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    process.once(signal, () => {
      breaking.abort();
    });
  }
  const facts =
    task === 'backup'
      ? await server.backUp(data, descriptor, breaking.signal)
      : await server.restoreBackup({ file: descriptor, path: file }, data, breaking.signal);
  terminal.out(JSON.stringify({ file, ...facts }));
  terminal.error(wordsOf(task, facts, data, file));
  return 0;
}

function wordsOf(task: Task, { rows, bytes }: BackupFacts, data: string, file: string): string {
  const sum = Object.values(rows)
    .reduce((all, count) => all + count, 0)
    .toLocaleString('en');
  const size = `${Math.ceil(bytes / 1024).toLocaleString('en')} kB`;
  return task === 'backup'
    ? `${file}: ${sum} rows of ${data}, ${size}, read back and counted.`
    : `${data} holds the ${sum} rows of ${file}. Start it: ./start --data "${data}"`;
}

export const backupCommand = (args: string[], terminal: Terminal): Promise<ExitStatus> =>
  run('backup', args, terminal);
export const restoreCommand = (args: string[], terminal: Terminal): Promise<ExitStatus> =>
  run('restore', args, terminal);
