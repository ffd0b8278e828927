/** A command of ours as the user of the database, for what root asks: root itself touches no data. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { asOurs } from './database/programs.ts';
import { refuseUnreadable } from './give-up-root.ts';

/** The descriptor under which the command finds the file that root opened. */
export const givenDescriptor = 3;

const passed = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

/**
 * Runs this very program with these arguments as the database's user, with an open file, and gives its
 * exit status. Signals are passed on; when we are killed, it is interrupted.
 */
export async function runWithoutRoot(args: readonly string[], file: number): Promise<number> {
  await refuseUnreadable();
  const [command = '', ...rest] = await asOurs('INT');
  const program = [process.execPath, ...process.execArgv, process.argv[1] ?? '', ...args];
  const child = spawn(command, [...rest, ...program], {
    cwd: '/',
    detached: true,
    stdio: ['ignore', 'inherit', 'inherit', file],
  });
  const pass = (signal: NodeJS.Signals): void => {
    child.kill(signal);
  };
  for (const signal of passed) {
    process.on(signal, pass);
  }
  try {
    const [status] = (await once(child, 'exit')) as [number | null];
    return status ?? 1;
  } finally {
    for (const signal of passed) {
      process.off(signal, pass);
    }
  }
}
