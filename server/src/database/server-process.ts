/**
 * The server process of PostgreSQL as a child of ours: it ends in good order when we are gone, whatever
 * ended us, and no signal of a terminal reaches it.
 */
import { spawn } from 'node:child_process';
import { Socket } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { findPostmaster } from './postmaster.ts';
import { asOurs, startOptions, wasMeantForUs } from './programs.ts';

/** How long it may take to get ready, replaying what a killed one left, and how often is looked. Milliseconds. */
const patience = 60_000;
const look = 20;
/** What it says before its own log begins; of that the end is kept. Characters. */
const saidLimit = 8_192;

/** Starts a server on a cluster and waits until it is ready. Throws an Error with what it said. */
export async function startServer(bin: string, data: string, port: number): Promise<void> {
  const [program = '', ...rest] = [
    ...(await asOurs('INT')),
    ...[join(bin, 'postgres'), '-D', data, ...startOptions(port)],
  ];
  const child = spawn(program, rest, {
    cwd: '/',
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.setEncoding('utf8').on('data', (text: string) => {
    said = (said + text).slice(-saidLimit);
  });
  // Neither keeps this program from ending.
  child.unref();
  if (child.stderr instanceof Socket) {
    child.stderr.unref();
  }
  const over = new AbortController();
  const end = (): void => {
    over.abort();
  };
  child.once('error', end).once('exit', end);
  if (!(await untilReady(data, over.signal))) {
    if (wasMeantForUs(child.signalCode)) {
      await startServer(bin, data, port);
      return;
    }
    child.kill('SIGQUIT');
    throw new Error(said.trim() || 'it did not get ready in time');
  }
}

/** Whether it says that it is ready; not when it ended, or takes too long. */
async function untilReady(data: string, over: AbortSignal): Promise<boolean> {
  for (const end = performance.now() + patience; performance.now() < end; ) {
    if ((await findPostmaster(data))?.isReady) {
      return true;
    }
    if (over.aborted) {
      return false;
    }
    await pause(look);
  }
  return false;
}
