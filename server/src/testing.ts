/** For tests: a server over a cluster of its own, and folders with small plugins. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import type { Owner, Plugin, ScanMode } from '@clever-drawer/core';
import { connect, type DatabaseAddress } from './database/connect.ts';
import { serve, startCluster, type Running } from './main.ts';

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
  restart(): Promise<void>;
  stop(): Promise<void>;
}

/** Starts a server with an empty database in a directory of its own. */
export async function startTestServer(): Promise<TestServer> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-test-'));
  const start = (): Promise<Running> =>
    serve({
      data,
      port: 0,
      oscPort: 0,
      web: null,
      firstComputer: { name: 'Test computer' },
      logLevel: 'warn',
    });
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
    program?: Uint8Array;
  },
): string {
  const bundle = join(place, directory);
  mkdirSync(bundle, { recursive: true });
  const vendor =
    facts.vendor === undefined ? '' : ` ; doap:maintainer [ foaf:name "${facts.vendor}" ]`;
  const port = (direction: string, index: number): string =>
    `[ a lv2:AudioPort , lv2:${direction}Port ; lv2:index ${index} ; lv2:symbol "p${index}" ; lv2:name "p${index}" ]`;
  const ports = facts.audio ? ` ; lv2:port ${port('Input', 0)} , ${port('Output', 1)}` : '';
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
