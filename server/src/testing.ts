/** For tests: a server over a cluster of its own, and folders with small plugins. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import type { Owner } from '@clever-drawer/core/acts';
import type { ScanMode } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { plainText } from '@clever-drawer/core/change';
import { startCluster, type Cluster } from './database/cluster.ts';
import { connect, type DatabaseAddress } from './database/connect.ts';
import { readOrder } from './database/order/index.ts';
import { serve, type Running } from './main.ts';

/** What a server answered. */
export interface Answer<T> {
  readonly status: number;
  readonly body: T;
}

/** A server of its own for a test. */
export interface TestServer {
  readonly data: string;
  readonly address: string;
  /** Where OSC messages are heard. */
  readonly oscPort: number;
  /** The id of the computer that calls are about: the first one, or the latest fresh one. */
  readonly computer: string;
  /** Begins with a computer of which nothing is known; calls are about it from now on. */
  freshComputer(): Promise<void>;
  call<T>(method: string, path: string, body?: unknown): Promise<Answer<T>>;
  /** Scans and waits for the end. */
  scan(mode?: ScanMode): Promise<void>;
  /** Restarts with a scan in the database that never ended. */
  pretendKilledScan(): Promise<void>;
  /** Its database. */
  readonly database: DatabaseAddress;
  /** Asks the database itself. */
  query<T>(sql: string, values?: readonly unknown[]): Promise<T[]>;
  /**
   * The records of the computer's order as the database has them, whatever the server holds: each as
   * `plainText`, sorted.
   */
  storedOrder(): Promise<string[]>;
  restart(): Promise<void>;
  stop(): Promise<void>;
}

const serveOn = (data: string): Promise<Running> =>
  serve({
    data,
    port: 0,
    oscPort: 0,
    web: null,
    firstComputer: { name: 'Test computer' },
    logLevel: 'warn',
    // Tests make their directories there.
    allowed: [tmpdir()],
  });

/**
 * A new directory with what a first start makes in it: the database with one computer. It is a copy of
 * one that each worker of the test runner makes once, for making it takes seconds.
 */
export async function newData(): Promise<string> {
  const run = process.env.CLEVER_DRAWER_TEST_RUN;
  if (run === undefined) {
    throw new Error('scripts/test-run.ts has not run');
  }
  const made = join(run, `made-by-${process.env.JEST_WORKER_ID ?? String(process.pid)}`);
  if (!existsSync(made)) {
    const making = mkdtempSync(join(run, 'making-'));
    await (await serveOn(making)).stop();
    renameSync(making, made);
  }
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-test-'));
  execFileSync('cp', ['-a', join(made, 'cluster'), join(made, 'cluster-password'), data]);
  return data;
}

/** A cluster of a test's own, which goes when it is stopped. */
export async function startTestCluster(): Promise<Cluster> {
  const directory = await newData();
  const cluster = await startCluster(directory);
  return {
    ...cluster,
    stop: async () => {
      await cluster.stop();
      rmSync(directory, { recursive: true });
    },
  };
}

/** Starts a server with an empty database in a directory of its own. */
export async function startTestServer(): Promise<TestServer> {
  const data = await newData();
  const start = (): Promise<Running> => serveOn(data);
  let running = await start();
  const raw = async <T>(method: string, path: string, body?: unknown): Promise<Answer<T>> => {
    const response = await fetch(`${running.address}/api/${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
    return { status: response.status, body: (await response.json()) as T };
  };
  let computer = (await raw<{ id: string }[]>('GET', 'computers')).body[0]?.id ?? '';
  const call = <T>(method: string, path: string, body?: unknown): Promise<Answer<T>> =>
    raw<T>(method, `computers/${computer}/${path}`, body);
  return {
    data,
    get computer() {
      return computer;
    },
    freshComputer: async () => {
      const made = await raw<{ id: string }>('POST', 'computers', { name: 'One of many' });
      computer = made.body.id;
    },
    call,
    get address() {
      return running.address;
    },
    get oscPort() {
      return running.oscPort ?? 0;
    },
    scan: async (mode) => {
      const started = await call('POST', 'scans', mode === undefined ? undefined : { mode });
      if (started.status !== 202) {
        throw new Error(JSON.stringify(started.body));
      }
      while ((await call<{ progress: unknown }>('GET', 'scans')).body.progress !== null) {
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    },
    pretendKilledScan: async () => {
      await running.stop();
      const cluster = await startCluster(data);
      const database = await connect(await cluster.database('clever_drawer'));
      await database.query(
        `UPDATE scan SET state = 'running', ended_at = NULL WHERE started_at = (SELECT max(started_at) FROM scan)`,
      );
      await database.destroy();
      await cluster.stop();
      running = await start();
    },
    get database() {
      return running.database;
    },
    query: async <T>(sql: string, values: readonly unknown[] = []) => {
      const client = new Client(running.database);
      await client.connect();
      try {
        return (await client.query(sql, [...values])).rows as T[];
      } finally {
        await client.end();
      }
    },
    storedOrder: async () => {
      const database = await connect(running.database);
      try {
        return [...(await readOrder(database.manager, computer)).values()].map(plainText).sort();
      } finally {
        await database.destroy();
      }
    },
    restart: async () => {
      await running.stop();
      running = await start();
    },
    stop: async () => {
      await running.stop();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

/** A plugin with its copies, as acts on copies name it. */
export const ownerOf = ({ id, copies }: Plugin): Owner => ({
  plugin: id,
  copies: copies.map((copy) => copy.id),
});

/** A new empty directory for plugins. */
export const newPlace = (): string => mkdtempSync(join(tmpdir(), 'clever-drawer-place-'));

/** Writes (or overwrites) an LV2 bundle with one plugin, and gives its path. */
export function writeBundle(
  place: string,
  directory: string,
  facts: {
    uri: string;
    name: string;
    vendor?: string;
    version?: number;
    class?: string;
    audio?: boolean;
    /** Audio ports each way; one. */
    channels?: number;
    program?: Uint8Array;
  },
): string {
  const bundle = join(place, directory);
  mkdirSync(bundle, { recursive: true });
  const vendor =
    facts.vendor === undefined ? '' : ` ; doap:maintainer [ foaf:name "${facts.vendor}" ]`;
  const port = (direction: string, index: number): string =>
    `[ a lv2:AudioPort , lv2:${direction}Port ; lv2:index ${index} ; lv2:symbol "p${index}" ; lv2:name "p${index}" ]`;
  const channels = Array.from({ length: facts.channels ?? 1 }, (_, n) => n);
  const ports = facts.audio
    ? ` ; lv2:port ${channels
        .flatMap((n) => [port('Input', n), port('Output', channels.length + n)])
        .join(' , ')}`
    : '';
  if (facts.program) {
    writeFileSync(join(bundle, 'program.so'), facts.program);
  }
  writeFileSync(
    join(bundle, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
<${facts.uri}> a lv2:Plugin, lv2:${facts.class ?? 'DelayPlugin'} ; doap:name "${facts.name}" ; lv2:minorVersion ${facts.version ?? 1} ; lv2:microVersion 0${facts.program ? ' ; lv2:binary <program.so>' : ''}${vendor}${ports} .
`,
  );
  return bundle;
}
