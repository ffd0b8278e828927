/** What `./start` can be asked. */
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { SetupError, usualDirectory } from '@clever-drawer/server';

/** What is to be done: run, or one of the things that end at once. */
export type Task = 'run' | 'install' | 'uninstall' | 'status' | 'upgrade' | 'renew-key';

/** What was asked for. */
export interface StartOptions {
  readonly task: Task;
  readonly data: string;
  readonly isDemo: boolean;
  readonly isPrivate: boolean;
  readonly port: number;
  readonly logLevel: string;
  /** Directories that requests may name, beside home. */
  readonly allowed: readonly string[];
}

export const startHelp = `Use: ./start [--empty] [--data DIR] [--private] [--allow DIR]… [--log LEVEL]
     ./start --install | --uninstall | --status | --upgrade | --renew-key   (each with --empty or --data as above)`;

const tasks = ['install', 'uninstall', 'status', 'upgrade', 'renew-key'] as const;
const levels = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent'];

/** Reads the arguments and the environment. Throws a SetupError that says what is wrong. */
export function readOptions(args: readonly string[], environment: NodeJS.ProcessEnv): StartOptions {
  const values = readValues(args);
  const isDemo = !values.empty;
  const logLevel = values.log ?? environment['LOG_LEVEL'] ?? 'warn';
  if (!levels.includes(logLevel)) {
    throw new SetupError(`--log takes one of ${levels.join(', ')}.`);
  }
  const wanted = tasks.filter((task) => values[task]);
  if (wanted.length > 1) {
    throw new SetupError(`Ask for one at a time: ${wanted.map((task) => `--${task}`).join(', ')}.`);
  }
  return {
    task: wanted[0] ?? 'run',
    data: resolve(values.data ?? join(usualDirectory(environment), isDemo ? 'demo' : 'own')),
    isDemo,
    isPrivate: values.private,
    port: readPort(environment['PORT'] ?? '4747'),
    logLevel,
    allowed: values.allow.map((path) => resolve(path)),
  };
}

function readValues(args: readonly string[]) {
  const flag = { type: 'boolean', default: false } as const;
  try {
    return parseArgs({
      args: [...args],
      options: {
        empty: flag,
        private: flag,
        install: flag,
        uninstall: flag,
        status: flag,
        upgrade: flag,
        'renew-key': flag,
        allow: { type: 'string', multiple: true, default: [] },
        data: { type: 'string' },
        log: { type: 'string' },
      },
    }).values;
  } catch (error) {
    throw new SetupError(error instanceof Error ? error.message : String(error));
  }
}

function readPort(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new SetupError(`PORT should be a number from 1 to 65535, not "${text}".`);
  }
  return port;
}
