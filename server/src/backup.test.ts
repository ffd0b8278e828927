/** Backup, wipe, restore: the same studio; and files that are none, or want to be more. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { CatalogView, OrderView } from '@clever-drawer/core/api';
import {
  backUp,
  checkBackup,
  newBackup,
  openBackup,
  restoreBackup,
  type BackupFacts,
} from './backup.ts';
import { binariesOf, installedVersions } from './database/programs.ts';
import { worksIn } from './database/postmaster.ts';
import { serve } from './main.ts';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-backup-'));
// The database runs as another user where the tests run as root.
chmodSync(directory, 0o755);
const file = join(directory, 'studio.backup');
const marker = join(directory, 'marker');

/** What a text may hold that COPY escapes, and what looks like its escapes. */
const oddName = 'C:\\Program \\x \\N \\. \\\\ “\\n” end\\';

const write = (data: string, path: string): Promise<BackupFacts> =>
  newBackup(path, (descriptor) => backUp(data, descriptor));
async function using<T>(path: string, work: (descriptor: number) => Promise<T>): Promise<T> {
  const source = await openBackup(path);
  return work(source.fd).finally(() => source.close());
}
const check = (path: string): Promise<BackupFacts> =>
  using(path, (descriptor) => checkBackup(descriptor, path));
const restore = (path: string, data: string, signal?: AbortSignal): Promise<BackupFacts> =>
  using(path, (descriptor) => restoreBackup({ file: descriptor, path }, data, signal));

/** What a restore that failed left in the directory of the data. */
const leftIn = (data: string): string[] =>
  existsSync(data) ? readdirSync(data).filter((name) => name !== 'lock') : [];

beforeAll(async () => {
  server = await startTestServer();
  const place = newPlace();
  writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Alder “Tone”\\n', vendor: 'Saltglass' });
  await server.call('POST', 'places', { path: place });
  await server.scan();
  await server.call('POST', 'points', { name: oddName });
  await write(server.data, file);
});
afterAll(async () => {
  await server.stop();
  rmSync(directory, { recursive: true, force: true });
});

/** The same studio, from another server. */
async function expectSame(data: string): Promise<void> {
  const running = await serve({ data, port: 0, web: null });
  try {
    const get = async <T>(path: string): Promise<T> =>
      (await (
        await fetch(`${running.address}/api/computers/${server.computer}/${path}`)
      ).json()) as T;
    const there = await get<CatalogView>('catalog');
    const here = (await server.call<CatalogView>('GET', 'catalog')).body;
    expect(there.plugins).toEqual(here.plugins);
    expect(JSON.stringify(await get('points'))).toContain(JSON.stringify(oddName));
    expect(await get<OrderView>('order')).toEqual(
      (await server.call<OrderView>('GET', 'order')).body,
    );
  } finally {
    await running.stop();
  }
}

describe('a backup', () => {
  it('taken while the program runs is restored elsewhere as the same studio', async () => {
    const facts = await check(file);
    const [counted] = await server.query<{ n: number }>('SELECT count(*)::int n FROM copy');
    expect(facts.rows['copy']).toBe(counted?.n);
    expect(facts.rows['point']).toBe(1);
    expect(facts.rows).not.toHaveProperty('touched');
    const data = join(directory, 'restored');
    expect((await restore(file, data)).rows).toEqual(facts.rows);
    await expectSame(data);
    // What is stopped can be backed up as well, and holds the same.
    const again = await write(data, join(directory, 'again.backup'));
    expect(again.rows).toEqual(facts.rows);
  });

  it('can be read by its owner alone', () => {
    expect(statSync(file).mode & 0o777).toBe(0o600);
  });

  it('of an older program, which held the text of pg_dump, is restored as the same studio', async () => {
    const old = join(directory, 'old.backup');
    writeFileSync(old, oldBackup(await dumped()));
    const data = join(directory, 'from-old');
    await restore(old, data);
    await expectSame(data);
  });

  it('is never restored over data, and not where it is cut or something else', async () => {
    await expect(restore(file, server.data)).rejects.toThrow(/is data in .* already/);
    const bad = join(directory, 'bad.backup');
    writeFileSync(bad, readFileSync(file).subarray(0, 2_000));
    await expect(check(bad)).rejects.toThrow(/no whole backup/);
    const data = join(directory, 'none');
    await expect(restore(bad, data)).rejects.toThrow(/no whole backup/);
    expect(existsSync(join(data, 'cluster'))).toBe(false);
    copyFileSync(join(import.meta.dirname, 'backup.ts'), bad);
    await expect(check(bad)).rejects.toThrow(/no whole backup/);
    await expect(write(directory, bad)).rejects.toThrow(/no data/);
  });

  it('that is a pipe, a directory or nothing is said, and nobody waits', async () => {
    const pipe = join(directory, 'pipe.backup');
    execFileSync('mkfifo', [pipe]);
    await expect(check(pipe)).rejects.toThrow(/is not a file/);
    await expect(check(directory)).rejects.toThrow(/is not a file/);
    await expect(check(join(directory, 'nothing'))).rejects.toThrow(/no file/);
  });
});

/** The database as pg_dump of PostgreSQL writes it, as older programs had it. */
async function dumped(): Promise<string> {
  const [version = ''] = await installedVersions();
  const { host, port, user, password, database } = server.database;
  const args = ['-h', host, '-p', String(port), '-U', user, '-d', database];
  return execFileSync(
    join(binariesOf(version), 'pg_dump'),
    ['--no-owner', '--no-privileges', '--exclude-table-data=touched', ...args],
    { encoding: 'utf8', env: { ...process.env, PGPASSWORD: password } },
  );
}

/** A backup of the first form. */
function oldBackup(dump: string): Buffer {
  const rows: Record<string, number> = {};
  let table: string | null = null;
  for (const line of dump.split('\n')) {
    const begins = /^COPY public\.(\w+) /.exec(line)?.[1];
    if (begins !== undefined) {
      table = begins;
      rows[table] = 0;
    } else if (line === '\\.') {
      table = null;
    } else if (table !== null) {
      rows[table] = (rows[table] ?? 0) + 1;
    }
  }
  const header = { backup: 'clever-drawer studio', version: 1, at: '2026-11-30T03:00:00Z', rows };
  return gzipSync(`${JSON.stringify(header)}\n${dump}`);
}

const lines = (): string[] => gunzipSync(readFileSync(file)).toString('utf8').split('\n');

describe('what a backup may not do', () => {
  const commands = [
    `\\! touch '${marker}'`,
    `COPY plugin TO PROGRAM 'touch ${marker}';`,
    `copy (select 1) to program 'touch ${marker}';`,
    `\\copy plugin to '${marker}'`,
    `\\o ${marker}`,
  ];
  it.each(commands)('in the text of an older one: %s', async (command) => {
    const evil = join(directory, 'evil.backup');
    writeFileSync(evil, oldBackup(`${command}\n${await dumped()}`));
    const data = join(directory, 'evil');
    await expect(restore(evil, data)).rejects.toThrow(/line 2 is a command/);
    expect([existsSync(marker), leftIn(data)]).toEqual([false, []]);
  });
  it('is anything by statements in an older one, which are not run', async () => {
    const evil = join(directory, 'evil.backup');
    const statement = `DO $$ BEGIN EXECUTE 'COPY plugin TO PROGRAM ''touch ${marker}'''; END $$;`;
    writeFileSync(evil, oldBackup(`${statement}\nDROP TABLE plugin;\n${await dumped()}`));
    const data = join(directory, 'unmoved');
    await restore(evil, data);
    await expectSame(data);
    expect(existsSync(marker)).toBe(false);
  });
  it.each([
    ['a command between rows', (all: string[]) => all.splice(3, 0, `\\! touch '${marker}'`)],
    ['an end of rows among rows', (all: string[]) => all.splice(2, 0, '\\.')],
    ['a row too many', (all: string[]) => all.splice(-2, 0, 'more')],
    ['a row too few', (all: string[]) => all.splice(1, 1)],
    ['a first line of nonsense', (all: string[]) => all.splice(0, 1, '{"backup":1}')],
    [
      'another table',
      (all: string[]) => all.splice(0, 1, all[0]?.replace('"plugin"', '"pg_authid"') ?? ''),
    ],
    [
      'a name that is a statement',
      (all: string[]) =>
        all.splice(0, 1, all[0]?.replace('"plugin"', '"x; DROP TABLE copy"') ?? ''),
    ],
  ])('with %s', async (_, spoil) => {
    const spoilt = lines();
    spoil(spoilt);
    const evil = join(directory, 'spoilt.backup');
    writeFileSync(evil, gzipSync(spoilt.join('\n')));
    const data = join(directory, 'spoilt');
    await expect(restore(evil, data)).rejects.toThrow(/backup|restored|does not hold/);
    expect([existsSync(marker), leftIn(data)]).toEqual([false, []]);
  });
  it('with values that no studio has: said, and nothing is left', async () => {
    const spoilt = lines().map((line) => line.replace(/^[0-9a-f]{8}-/, 'nonsense-'));
    const evil = join(directory, 'values.backup');
    writeFileSync(evil, gzipSync(spoilt.join('\n')));
    const data = join(directory, 'values');
    await expect(restore(evil, data)).rejects.toThrow(/holds a value that no studio has/);
    expect(leftIn(data)).toEqual([]);
    expect(await worksIn(join(data, 'cluster.restoring'))).toBe(false);
  });
  it('by unpacking to more than any studio holds', async () => {
    const bomb = join(directory, 'bomb.backup');
    writeFileSync(bomb, gzipSync(Buffer.alloc(200_000_000)));
    await expect(check(bomb)).rejects.toThrow(/no backup/);
  });
});

describe('a restore', () => {
  it('that is interrupted leaves nothing, and can be done again', async () => {
    const data = join(directory, 'interrupted');
    const breaking = new AbortController();
    breaking.abort();
    await expect(restore(file, data, breaking.signal)).rejects.toThrow(/interrupted/);
    expect(leftIn(data)).toEqual([]);
    await restore(file, data);
    await expectSame(data);
  });
  it('works on tables as a role that is no superuser and may run no program', async () => {
    await expect(server.query(`COPY plugin TO PROGRAM 'touch ${marker}'`)).rejects.toThrow(
      /must be superuser|permission denied/,
    );
    await expect(server.query(`SELECT pg_read_file('PG_VERSION')`)).rejects.toThrow(
      /permission denied/,
    );
  });
});
