/** Starts the built program (`npm run build`), as ./start does, and tells how much memory it took. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { ClientConfig } from 'pg';
import { filesOf, findPostmaster, freePort, readPassword, user } from '@clever-drawer/server';

/** A reading thread as it is built and shipped. */
export const builtThread = new URL('../../dist/worker-start.mjs', import.meta.url);

const program = join(import.meta.dirname, '../../dist/start.mjs');

export interface ServerProcess {
  readonly address: string;
  /**
   * The most memory the process has ever had resident (`VmHWM` of /proc, see proc(5)), in MiB;
   * threads included, the database's processes not.
   */
  readonly peak: () => number;
  readonly stop: () => Promise<void>;
}

export async function startServerProcess(data: string): Promise<ServerProcess> {
  const child = spawn(process.execPath, [program, '--empty', '--data', data, '--log', 'warn'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, MALLOC_ARENA_MAX: '2', PORT: String(await freePort()) },
  });
  const address = await addressSaid(child.stdout);
  return {
    address,
    peak: () => {
      const status = readFileSync(`/proc/${child.pid ?? 'self'}/status`, 'utf8');
      return Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? Number.NaN) / 1024);
    },
    stop: async () => {
      const ended = once(child, 'exit');
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** The database of a program that runs on the data. */
export async function databaseOf(directory: string): Promise<ClientConfig> {
  const { data, password } = filesOf(directory);
  const server = await findPostmaster(data);
  if (!server) {
    throw new Error(`no database runs on ${data}`);
  }
  return {
    host: '127.0.0.1',
    port: server.port,
    user,
    password: await readPassword(password),
    database: 'clever_drawer',
  };
}

/** The address that the program prints when it is ready. */
async function addressSaid(output: NodeJS.ReadableStream): Promise<string> {
  for await (const line of createInterface(output)) {
    const address = /http:\/\/[^\s/]+/.exec(line)?.[0];
    if (address !== undefined) {
      return address;
    }
  }
  throw new Error('the program ended before it was ready');
}
