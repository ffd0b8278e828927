/** `backup FILE` and `restore FILE`: everything of the studio. */
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
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

function readWishes(args: string[]): { file: string; data: string | undefined } | string {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { data: { type: 'string' }, help: { type: 'boolean', short: 'h' } },
    });
    const [file, ...more] = positionals;
    if (values.help) {
      return '';
    }
    return file === undefined || more.length > 0 ? 'Name one file.' : { file, data: values.data };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

type Task = 'backUp' | 'restoreBackup';

async function run(task: Task, args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  // The database's part is read only where it is wanted: every other command does without.
  const server = await import('@clever-drawer/server/backup');
  const data = resolve(wishes.data ?? join(server.usualDirectory(process.env), 'own'));
  const file = resolve(wishes.file);
  try {
    const facts =
      task === 'backUp' ? await server.backUp(data, file) : await server.restoreBackup(file, data);
    terminal.out(JSON.stringify({ file, ...facts }));
    terminal.error(wordsOf(task, facts, data, file));
    return 0;
  } catch (error) {
    terminal.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}

function wordsOf(task: Task, { rows, bytes }: BackupFacts, data: string, file: string): string {
  const sum = Object.values(rows)
    .reduce((all, count) => all + count, 0)
    .toLocaleString('en');
  const size = `${Math.ceil(bytes / 1024).toLocaleString('en')} kB`;
  return task === 'backUp'
    ? `${file}: ${sum} rows of ${data}, ${size}, read back and counted.`
    : `${data} holds the ${sum} rows of ${file}. Start it: ./start --data "${data}"`;
}

export const backupCommand = (args: string[], terminal: Terminal): Promise<ExitStatus> =>
  run('backUp', args, terminal);
export const restoreCommand = (args: string[], terminal: Terminal): Promise<ExitStatus> =>
  run('restoreBackup', args, terminal);
