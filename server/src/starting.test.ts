/**
 * Starting, and what stands in its way: two at once, half-made clusters, odd files, a database that
 * dies. Each ends in a sentence that says what to do, or mends itself.
 */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { HealthView, OrderView } from '@clever-drawer/core/api';
import { findPostmaster } from './database/postmaster.ts';
import { binariesOf, installedVersions } from './database/programs.ts';
import { upgradeCluster } from './database/upgrade.ts';
import { serve, type Config, type Running } from './main.ts';
import { newData } from './testing.ts';

let data: string;
let running: Running | null;
beforeEach(async () => {
  data = await newData();
  running = null;
});
afterEach(async () => {
  await running?.stop();
  rmSync(data, { recursive: true, force: true });
});

const start = async (more: Partial<Config> = {}): Promise<Running> => {
  running = await serve({ data, port: 0, web: null, logLevel: 'fatal', ...more });
  return running;
};

/** As before the first start. */
const forgetCluster = (): void => {
  rmSync(join(data, 'cluster'), { recursive: true });
  rmSync(join(data, 'cluster-password'));
};

const refusal = (directory = data): Promise<string> =>
  serve({ data: directory, port: 0, web: null, logLevel: 'fatal' }).then(
    async (server) => {
      await server.stop();
      return 'it started';
    },
    (error: unknown) => (error instanceof Error ? error.message : String(error)),
  );

async function get<T>({ address }: Running, path: string): Promise<{ status: number; body: T }> {
  const response = await fetch(`${address}${path}`);
  return { status: response.status, body: (await response.json()) as T };
}

async function addFolder(server: Running): Promise<{ status: number; text: string }> {
  const [computer] = (await get<{ id: string }[]>(server, '/api/computers')).body;
  const at = `/api/computers/${computer?.id ?? ''}`;
  const order = (await get<OrderView>(server, `${at}/order`)).body;
  const cabinet = order.records.find((record) => record.table === 'cabinet')?.id;
  return act(server, at, cabinet ?? '');
}

async function act(server: Running, at: string, cabinet: string) {
  const plain = { parent: null, form: 'folder', name: 'Echoes', rule: null, before: null };
  const response = await fetch(`${server.address}${at}/acts`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ act: 'add-folder', id: randomUUID(), cabinet, ...plain }),
  });
  return { status: response.status, text: await response.text() };
}

async function until(isSo: () => Promise<boolean>, within: number): Promise<number> {
  const from = performance.now();
  while (!(await isSo())) {
    if (performance.now() - from > within) {
      throw new Error(`not within ${within} ms`);
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return performance.now() - from;
}

const postmasterOf = async (directory: string): Promise<number> =>
  (await findPostmaster(join(directory, 'cluster')))?.pid ?? 0;

describe('two on the same data', () => {
  it('the second is told who runs, and the first goes on', async () => {
    const first = await start();
    writeFileSync(
      join(data, 'running.json'),
      JSON.stringify({ pid: process.pid, address: first.address }),
    );
    expect(await refusal()).toContain(first.address);
    expect((await addFolder(first)).status).toBe(200);
  });
  it('at once, for the first time, one of them starts', async () => {
    forgetCluster();
    const outcomes = await Promise.all([refusal(), refusal(), refusal()]);
    expect(outcomes.filter((words) => words === 'it started')).toHaveLength(1);
    expect(outcomes.filter((words) => /being started|runs already/.test(words))).toHaveLength(2);
  });
  it.each(['', '{"pid": "x"}'])(
    'with half a note (%j) the second is told all the same',
    async (note) => {
      await start();
      writeFileSync(join(data, 'running.json'), note);
      expect(await refusal()).toMatch(/by another process/);
    },
  );
});

describe('what a killed program left', () => {
  it('half a cluster is made anew', async () => {
    forgetCluster();
    mkdirSync(join(data, 'cluster.new', 'base'), { recursive: true });
    writeFileSync(join(data, 'cluster.new', 'PG_VERSION'), '15\n');
    expect((await addFolder(await start())).status).toBe(200);
    expect(existsSync(join(data, 'cluster.new'))).toBe(false);
  });
  it('a cluster that never was one is kept aside', async () => {
    forgetCluster();
    mkdirSync(join(data, 'cluster', 'base'), { recursive: true });
    expect((await addFolder(await start())).status).toBe(200);
    expect((await readdir(data)).some((name) => name.startsWith('cluster.unfinished-'))).toBe(true);
  });
  it('its database is taken over', async () => {
    const first = await start();
    await addFolder(first);
    const left = await postmasterOf(data);
    // As if the program had been killed: the lock is free, the database runs on.
    await first.stop();
    const again = await start();
    expect(await postmasterOf(data)).not.toBe(left);
    expect((await addFolder(again)).status).toBe(200);
  });
  it('the number of its database may be another process by now, which is left alone', async () => {
    await (await start()).stop();
    running = null;
    const other = spawn('sleep', ['60']);
    const now = Math.floor(Date.now() / 1000);
    writeFileSync(
      join(data, 'cluster', 'postmaster.pid'),
      `${other.pid ?? 0}\n${join(data, 'cluster')}\n${now}\n5432\n\n127.0.0.1\n`,
    );
    const words = await refusal();
    expect(other.exitCode ?? other.signalCode).toBeNull();
    expect(words).toBe('it started');
    other.kill();
  });
  it.each(['', '99999\n/nowhere\n', 'nonsense\nmore\nlines\nhere\n'])(
    'half of its note (%j) leads to no other database',
    async (note) => {
      await (await start()).stop();
      writeFileSync(join(data, 'cluster', 'postmaster.pid'), note);
      const again = await start();
      expect(again.database.port).not.toBe(5432);
      expect((await addFolder(again)).status).toBe(200);
    },
  );
});

describe('what is missing or wrong', () => {
  it.each(['gone', 'wrong'])('a password that is %s is replaced', async (how) => {
    const first = await start();
    await addFolder(first);
    await first.stop();
    const path = join(data, 'cluster-password');
    if (how === 'gone') {
      rmSync(path);
    } else {
      writeFileSync(path, 'wrong\n');
    }
    expect((await addFolder(await start())).status).toBe(200);
    expect(readFileSync(path, 'utf8')).toMatch(/^[0-9a-f]{48}\n$/);
  });
  it('a file where the directory should be is said', async () => {
    writeFileSync(join(data, 'file'), '');
    expect(await refusal(join(data, 'file'))).toMatch(/is a file.*--data/s);
    expect(await refusal(join(data, 'file', 'below'))).toMatch(/file.*--data/s);
  });
  it('a version of PostgreSQL that is not installed is said, with what to do', async () => {
    await (await start()).stop();
    running = null;
    writeFileSync(join(data, 'cluster', 'PG_VERSION'), '9\n');
    expect(await refusal()).toMatch(/PostgreSQL 9.*apt-get install postgresql-9.*--upgrade/s);
  });
  it('data of a newer program is left alone', async () => {
    const first = await start();
    const { Client } = await import('pg');
    const client = new Client(first.database);
    await client.connect();
    await client.query(`INSERT INTO migrations (timestamp, name) VALUES (1, 'Future1')`);
    await client.end();
    await first.stop();
    running = null;
    expect(await refusal()).toMatch(/newer Clever Drawer/);
  });
});

describe('an upgrade of PostgreSQL', () => {
  it('carries all over, counted, and keeps the old', async () => {
    const first = await start();
    await addFolder(first);
    await first.stop();
    running = null;
    const [name = ''] = await installedVersions();
    // Only one version is installed here, so it is carried over to itself: the way is the same.
    const version = { name, bin: binariesOf(name) };
    const { rows, kept } = await upgradeCluster(data, { from: version, to: version });
    expect(rows.get('folder')).toBe(2);
    expect(rows.get('change')).toBe(1);
    expect(existsSync(join(kept, 'PG_VERSION'))).toBe(true);
    expect((await addFolder(await start())).status).toBe(200);
  });
});

describe('a database that dies', () => {
  it('is told of within three seconds, nothing is called saved, and it comes back by itself', async () => {
    const server = await start();
    const [computer] = (await get<{ id: string }[]>(server, '/api/computers')).body;
    const at = `/api/computers/${computer?.id ?? ''}`;
    const { body } = await get<OrderView>(server, `${at}/order`);
    const cabinet = body.records.find((record) => record.table === 'cabinet')?.id ?? '';
    const stream = await fetch(`${server.address}${at}/events`);
    const heard: string[] = [];
    const listening = (async () => {
      for await (const chunk of stream.body ?? []) {
        heard.push(Buffer.from(chunk as Uint8Array).toString());
      }
    })().catch(() => undefined);
    process.kill(await postmasterOf(data), 'SIGKILL');
    await until(
      () => Promise.resolve(heard.some((text) => text.includes('"isThere":false'))),
      3_000,
    );
    const answers: number[] = [];
    await until(async () => {
      answers.push((await act(server, at, cabinet)).status);
      return answers.at(-1) === 200;
    }, 60_000);
    expect(new Set(answers.slice(0, -1))).toEqual(new Set(answers.length > 1 ? [503] : []));
    // Right behind, which on a machine that others use as well is a while later.
    await until(async () => (await get<HealthView>(server, '/health')).body.isReady, 60_000);
    await until(() => Promise.resolve(heard.join('').includes('"isThere":true')), 60_000);
    const after = (await get<OrderView>(server, `${at}/order`)).body;
    const made = after.records.filter((one) => one.table === 'folder' && one.name === 'Echoes');
    expect(made).toHaveLength(1);
    await server.stop();
    running = null;
    await listening;
  });
});
