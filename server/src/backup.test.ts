/** Backup, wipe, restore: the same studio, by PostgreSQL's own dump of both. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CatalogView, OrderView } from '@clever-drawer/core';
import { backUp, checkBackup, restoreBackup } from './backup.ts';
import { serve } from './main.ts';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-backup-'));
// The database runs as another user where the tests run as root.
chmodSync(directory, 0o755);
const file = join(directory, 'studio.backup');

beforeAll(async () => {
  server = await startTestServer();
  const place = newPlace();
  writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Alder “Tone”', vendor: 'Saltglass' });
  await server.call('POST', 'places', { path: place });
  await server.scan();
  await server.call('POST', 'points', { name: 'Before' });
});
afterAll(async () => {
  await server.stop();
  rmSync(directory, { recursive: true, force: true });
});

describe('a backup', () => {
  it('taken while the program runs is restored elsewhere as the same studio', async () => {
    const facts = await backUp(server.data, file);
    const [counted] = await server.query<{ n: number }>('SELECT count(*)::int n FROM copy');
    expect(facts.rows['copy']).toBe(counted?.n);
    expect(facts.rows['point']).toBe(1);
    expect(facts.rows).not.toHaveProperty('touched');
    const data = join(directory, 'restored');
    expect((await restoreBackup(file, data)).rows).toEqual(facts.rows);
    const running = await serve({ data, port: 0, web: null });
    try {
      const get = async <T>(path: string): Promise<T> =>
        (await (
          await fetch(`${running.address}/api/computers/${server.computer}/${path}`)
        ).json()) as T;
      const there = await get<CatalogView>('catalog');
      const here = (await server.call<CatalogView>('GET', 'catalog')).body;
      expect(there.plugins).toEqual(here.plugins);
      expect(await get<OrderView>('order')).toEqual(
        (await server.call<OrderView>('GET', 'order')).body,
      );
    } finally {
      await running.stop();
    }
    // What is stopped can be backed up as well, and holds the same.
    const again = await backUp(data, join(directory, 'again.backup'));
    expect(again.rows).toEqual(facts.rows);
  });

  it('is never restored over data, and not where it is cut or something else', async () => {
    await expect(restoreBackup(file, server.data)).rejects.toThrow(/is data in .* already/);
    const bad = join(directory, 'bad.backup');
    writeFileSync(bad, readFileSync(file).subarray(0, 2_000));
    await expect(checkBackup(bad)).rejects.toThrow(/no whole backup/);
    const data = join(directory, 'none');
    await expect(restoreBackup(bad, data)).rejects.toThrow(/no whole backup/);
    expect(existsSync(join(data, 'cluster'))).toBe(false);
    copyFileSync(join(import.meta.dirname, 'backup.ts'), bad);
    await expect(checkBackup(bad)).rejects.toThrow(/no whole backup/);
    await expect(backUp(directory, bad)).rejects.toThrow(/no data/);
  });
});
