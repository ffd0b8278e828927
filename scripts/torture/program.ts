/** Clever Drawer as a process of its own, to be killed. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join, resolve } from 'node:path';
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

/** As tests have it built, else from its source. */
const startProgramArgs = (): string[] => {
  const built = process.env['CLEVER_DRAWER_HELPERS'];
  return built === undefined
    ? ['--import', 'tsx', join(root, 'scripts/start.ts')]
    : [join(built, 'start.mjs')];
};

/** The process alone, in a group of its own, without waiting for anything. */
export const launch = (data: string, port: number, args: readonly string[] = []): ChildProcess =>
  spawn(
    process.execPath,
    [
      ...startProgramArgs(),
      ...['--data', data, '--log', 'error'],
      ...(args.includes(withDemo) ? [] : ['--empty']),
      ...args.filter((one) => one !== withDemo),
    ],
    {
      cwd: root,
      detached: true,
      env: { ...process.env, PORT: String(port) },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );

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
