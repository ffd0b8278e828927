/**
 * The server process of PostgreSQL as a child of ours: it ends in good order when we are gone, whatever
 * ended us, and no signal of a terminal reaches it.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import type { Socket } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { findPostmaster } from './postmaster.ts';
import { asOurs, startOptions } from './programs.ts';

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
  (child.stderr as Socket).unref();
  if (!(await untilReady(child, data))) {
    child.kill('SIGQUIT');
    throw new Error(said.trim() || 'it did not get ready in time');
  }
}

async function untilReady(child: ChildProcess, data: string): Promise<boolean> {
  let isOver = false;
  child.once('error', () => {
    isOver = true;
  });
  child.once('exit', () => {
    isOver = true;
  });
  for (const from = performance.now(); performance.now() - from < patience; await pause(look)) {
    if ((await findPostmaster(data))?.isReady) {
      return true;
    }
    if (isOver) {
      return false;
    }
  }
  return false;
}
