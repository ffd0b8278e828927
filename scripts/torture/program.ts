/** Clever Drawer as a process of its own, to be killed. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join, relative, resolve } from 'node:path';
import { findPostmaster } from '../../server/src/database/postmaster.ts';

const root = resolve(import.meta.dirname, '../..');

/** A program that was started on a directory of data. */
export interface Program {
  readonly child: ChildProcess;
  readonly address: string;
  /** What it said on its way, also when it ended by itself. */
  readonly said: () => string;
  /** Ends it the hard way. */
  kill(): Promise<void>;
  stop(): Promise<void>;
}

/** What programs logged of requests that failed, over all that were started. */
export const errors: string[] = [];

const readyWithin = 60_000;

/** Starts it; `isUp` tells whether it got ready or ended before. */
export async function startProgram(
  data: string,
  port: number,
  args: readonly string[] = [],
): Promise<Program & { isUp: boolean }> {
  const child = launch(data, port, args);
  let said = '';
  for (const stream of [child.stdout, child.stderr]) {
    stream?.setEncoding('utf8').on('data', (text: string) => {
      said += text;
      errors.push(...text.split('\n').filter((line) => line.includes('a request failed')));
    });
  }
  const address = `http://127.0.0.1:${port}`;
  const isUp = await untilReady(child, address);
  const ended = async (signal: NodeJS.Signals): Promise<void> => {
    if (child.exitCode === null && child.signalCode === null) {
      const exit = once(child, 'exit');
      child.kill(signal);
      await exit;
    }
  };
  return {
    child,
    address,
    isUp,
    said: () => said,
    kill: () => ended('SIGKILL'),
    stop: () => ended('SIGTERM'),
  };
}

/** Said instead of `--empty`. */
export const withDemo = '--demo';

/** As tests have it built, else from its source; as seen from the root of the checkout. */
const programArgs = (): string[] => {
  const built = process.env['CLEVER_DRAWER_HELPERS'];
  return built === undefined
    ? ['--import', 'tsx', 'scripts/start.ts']
    : [join(relative(root, built), 'start.mjs')];
};

/**
 * What stands before the program. Started by root it goes on as `postgres`, who has to read it: where
 * that user may not come to the checkout, it is shown at a place of its own, as ./start does.
 */
function shownToPostgres(): string[] {
  if (process.getuid?.() !== 0) {
    return [];
  }
  const as = ['--reuid=postgres', '--regid=postgres', '--clear-groups'];
  const { status } = spawnSync('setpriv', [...as, '--', 'test', '-r', join(root, 'package.json')]);
  const show = 'mkdir -p "$1" && mount --bind "$0" "$1" && cd "$1" && shift && exec "$@"';
  return status === 0 ? [] : ['unshare', '--mount', 'sh', '-c', show, root, '/run/clever-drawer'];
}

/** The process alone, in a group of its own, without waiting for anything. */
export function launch(data: string, port: number, args: readonly string[] = []): ChildProcess {
  const [command = '', ...rest] = [
    ...shownToPostgres(),
    ...[process.execPath, ...programArgs()],
    ...['--data', data, '--log', 'error'],
    ...(args.includes(withDemo) ? [] : ['--empty']),
    ...args.filter((one) => one !== withDemo),
  ];
  return spawn(command, rest, {
    cwd: root,
    detached: true,
    // Its helpers are beside it; where tests have theirs may not be seen from there.
    env: { ...process.env, PORT: String(port), CLEVER_DRAWER_HELPERS: undefined },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
}

/** Waits until it answers that it is well; false when it ended, or takes too long. */
export async function untilReady(child: ChildProcess, address: string): Promise<boolean> {
  const from = performance.now();
  while (child.exitCode === null && child.signalCode === null) {
    const isReady = await fetch(`${address}/health`, { signal: AbortSignal.timeout(1_000) }).then(
      (response) => response.ok,
      () => false,
    );
    if (isReady) {
      return true;
    }
    if (performance.now() - from > readyWithin) {
      return false;
    }
    await pause(50);
  }
  return false;
}

/** Kills the database's own process. */
export async function killDatabase(data: string): Promise<void> {
  const running = await findPostmaster(join(data, 'cluster'));
  if (running) {
    process.kill(running.pid, 'SIGKILL');
  }
}

export const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolvePause) => setTimeout(resolvePause, milliseconds));
