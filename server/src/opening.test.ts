/** Scans that open copies: what opening tells is kept, what was made of a plugin stays with it. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { copyFileSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type {
  CatalogView,
  FindingView,
  OpeningView,
  OrderView,
  PlaceView,
  ScanView,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { compile } from './opener/compiled.test-data.ts';
import { newPlace, startTestServer, type TestServer } from './testing.ts';

const built = mkdtempSync(join(tmpdir(), 'clever-drawer-opening-test-'));
let server: TestServer;
let place: string;
beforeAll(async () => {
  server = await startTestServer();
  compile('misbehave-ladspa.c', join(built, 'several.so'), { HOW: 17 });
  compile('misbehave-ladspa.c', join(built, 'crash.so'), { HOW: 1 });
  compile('misbehave-ladspa.c', join(built, 'well.so'), { HOW: 0 });
  compile('misbehave-clap.c', join(built, 'echo.clap'), { HOW: 0 });
});
afterAll(async () => {
  await server.stop();
  rmSync(built, { recursive: true });
});
beforeEach(async () => {
  await server.freshComputer();
  place = newPlace();
  await server.call('POST', 'places', { path: place });
});

const put = (...names: string[]): void => {
  for (const name of names) {
    copyFileSync(join(built, name), join(place, name));
  }
};
const plugins = async (): Promise<readonly Plugin[]> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;
const names = async (): Promise<string[]> => (await plugins()).map(({ name }) => name).sort();
const opening = async (): Promise<OpeningView> =>
  (await server.call<OpeningView>('GET', 'opening')).body;
const latest = async (): Promise<ScanView | undefined> =>
  (await server.call<{ scans: ScanView[] }>('GET', 'scans')).body.scans[0];
const findings = async (): Promise<string[]> => {
  const scan = await latest();
  const { body } = await server.call<FindingView[]>('GET', `scans/${scan?.id ?? ''}/findings`);
  return body.map(({ sort, name }) => `${sort} ${name}`).sort();
};

describe('opening by one press', () => {
  beforeEach(async () => {
    put('several.so', 'crash.so', 'echo.clap');
    await server.scan();
  });

  it('is offered for copies that tell only their file’s name', async () => {
    expect(await names()).toEqual(['crash', 'echo', 'several']);
    expect(await opening()).toMatchObject({ wish: 'ask', nameless: 3, unopened: 3 });
  });
  it('makes names right, plugins of one file copies of their own, and says what crashed', async () => {
    await server.scan('open');
    expect(await names()).toEqual([
      'Slipway Echo',
      'Wharf One',
      'Wharf Three',
      'Wharf Two',
      'crash',
    ]);
    expect(await findings()).toEqual([
      'arrived Wharf Three',
      'arrived Wharf Two',
      'failed crash',
      'opened Slipway Echo',
      'opened Wharf One',
    ]);
    expect(await opening()).toMatchObject({ nameless: 0, unopened: 0 });
    const { body } = await server.call<FindingView[]>('GET', 'copies/failed');
    expect(body.map(({ problem }) => problem?.code)).toEqual(['crashed']);
    const [row] = (await server.call<PlaceView[]>('GET', 'places')).body;
    expect(row?.opened).toBe(5);
  });
  it('keeps with the plugin what was filed before', async () => {
    const echo = (await plugins()).find(({ name }) => name === 'echo');
    const order = (await server.call<OrderView>('GET', 'order')).body.records;
    const folder = order.find((record) => record.table === 'folder')?.id;
    const filed = await server.call('POST', 'acts', {
      act: 'file',
      folder,
      plugins: [{ placement: randomUUID(), plugin: echo?.id }],
      before: null,
    });
    expect(filed.status).toBe(200);
    await server.scan('open');
    const after = await plugins();
    expect(after.find(({ id }) => id === echo?.id)?.name).toBe('Slipway Echo');
  });
  it('is not tried again until the file changes or somebody asks', async () => {
    await server.scan('open');
    await server.scan('open');
    expect(await latest()).toMatchObject({ counts: { failed: 0, opened: 0, arrived: 0 } });
    await server.scan();
    expect(await names()).toContain('Slipway Echo');
    copyFileSync(join(built, 'well.so'), join(place, 'crash.so'));
    await server.scan();
    expect(await findings()).toEqual(['updated Wharf One']);
    expect(await names()).not.toContain('crash');
  });
  it('keeps who a copy is when everything is examined again, and when its file moves', async () => {
    await server.scan('open');
    await server.scan('everything');
    expect(await names()).toContain('Slipway Echo');
    mkdirSync(join(place, 'deeper'));
    renameSync(join(place, 'echo.clap'), join(place, 'deeper', 'echo.clap'));
    await server.scan();
    expect(await findings()).toEqual(['moved Slipway Echo']);
  });
});

describe('the wish of a computer', () => {
  it('“always” opens whatever arrives', async () => {
    const changed = await server.call<OpeningView>('PUT', 'opening', { wish: 'always' });
    expect(changed.body.wish).toBe('always');
    put('echo.clap');
    await server.scan();
    expect(await names()).toEqual(['Slipway Echo']);
  });
  it('“always” also opens what was only read before', async () => {
    put('echo.clap');
    await server.scan();
    await server.call('PUT', 'opening', { wish: 'always' });
    await server.scan();
    expect(await names()).toEqual(['Slipway Echo']);
  });
  it('is one of three', async () => {
    expect((await server.call('PUT', 'opening', { wish: 'sometimes' })).status).toBe(400);
  });
});
