/** A catalog, and what is uncertain about it, are sent whole once, and then only what changed of them. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogView, Refusal } from '@clever-drawer/core/api';
import { changeCatalog, type CatalogChange } from '@clever-drawer/core/catalog';
import { changeSort, type SortChange, type SortView } from '@clever-drawer/core/studio';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
let place: string;
beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  place = newPlace();
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
});
afterAll(async () => {
  await server.stop();
});

const write = (number: number, version = 1): void => {
  const name = `Tern ${String(number).padStart(3, '0')}`;
  writeBundle(place, `${number}.lv2`, {
    uri: `urn:tern:${number}`,
    name,
    vendor: 'Quoin',
    version,
    audio: true,
  });
};
const whole = async (): Promise<CatalogView> =>
  (await server.call<CatalogView>('GET', 'catalog')).body;
const since = async (version: number | string): Promise<CatalogChange & Partial<CatalogView>> =>
  (await server.call<CatalogChange & Partial<CatalogView>>('GET', `catalog?since=${version}`)).body;

describe('the catalog since a window fetched it', () => {
  it('is nothing where nothing happened', async () => {
    write(1);
    await server.scan();
    const { version } = await whole();
    expect(await since(version)).toEqual({ version, changed: [], removed: [] });
  });
  it('is the one plugin that changed, in less than two kilobytes', async () => {
    for (let number = 0; number < 200; number += 1) {
      write(number);
    }
    await server.scan();
    const before = await whole();
    write(7, 2);
    await server.scan();
    const change = await since(before.version);
    expect(change.changed.map(({ name }) => name)).toEqual(['Tern 007']);
    expect(JSON.stringify(change).length).toBeLessThan(2_000);
    expect(changeCatalog(before, change)).toEqual(await whole());
  });
  it('is nothing where a scan only looked again', async () => {
    write(1);
    await server.scan();
    const { version } = await whole();
    await server.scan();
    expect(await since(version)).toMatchObject({ changed: [], removed: [] });
  });
  it('tells what is gone from it, and what is back', async () => {
    write(1);
    write(2);
    await server.scan();
    const before = await whole();
    const file = join(place, '2.lv2');
    const copy = before.plugins[1]?.copies[0]?.id;
    await server.call('POST', 'acts', { act: 'set-aside', copies: [copy] });
    await server.scan();
    const aside = changeCatalog(before, await since(before.version));
    expect(aside.plugins.map(({ name }) => name)).toEqual(['Tern 001']);
    await server.call('POST', 'acts', { act: 'restore', copies: [copy] });
    await server.scan();
    const back = changeCatalog(aside, await since(aside.version));
    expect(back).toEqual(await whole());
    rmSync(file, { recursive: true });
  });
  it.each(['', 'another-run-3', 'x', '%F0%9F%98%80'])(
    'is the whole for a version that is not known (%s)',
    async (version) => {
      write(1);
      await server.scan();
      expect((await since(version)).plugins).toHaveLength(1);
    },
  );
  it('is the whole again for who is far behind', async () => {
    write(1);
    await server.scan();
    const { version } = await whole();
    for (let number = 2; number < 2_100; number += 1) {
      write(number);
    }
    await server.scan();
    expect((await since(version)).plugins).toHaveLength(2_099);
  });
});

describe('a computer that is not there', () => {
  it.each(['catalog', 'sort', 'settings', 'find?q=a', 'review?part=worth'])(
    'has no %s, and is said not to be there',
    async (path) => {
      const none = '00000000-0000-4000-8000-000000000000';
      const answer = await fetch(`${server.address}/api/computers/${none}/${path}`);
      const body = (await answer.json()) as Refusal;
      expect([answer.status, body.problems[0]?.at]).toEqual([404, 'computer']);
    },
  );
});

describe('what is uncertain since a window fetched it', () => {
  /** Nothing speaks for a type of these, so each is asked about. */
  const writeUnclear = (number: number, name = `Grebe ${number}`, vendor = 'Quoin'): void => {
    writeBundle(place, `${number}.lv2`, {
      uri: `urn:grebe:${number}`,
      name,
      vendor,
      class: 'Plugin',
    });
  };
  const sortWhole = async (): Promise<SortView> =>
    (await server.call<SortView>('GET', 'sort')).body;
  const sortSince = async (version: number | string): Promise<SortChange & Partial<SortView>> =>
    (await server.call<SortChange & Partial<SortView>>('GET', `sort?since=${version}`)).body;
  const inOrder = (view: SortView): SortView => ({
    ...view,
    grounds: view.grounds.toSorted((a, b) => (a.plugin < b.plugin ? -1 : 1)),
  });

  it('is nothing where nothing happened, or a scan only looked again', async () => {
    writeUnclear(1);
    await server.scan();
    const { version, grounds, ...others } = await sortWhole();
    expect(grounds).toHaveLength(1);
    const same = { changed: [], removed: [], ...others };
    expect(await sortSince(version)).toEqual({ ...same, version });
    await server.scan();
    expect(await sortSince(version)).toMatchObject(same);
  });
  it('is the one plugin that came, in less than two kilobytes', async () => {
    for (let number = 0; number < 150; number += 1) {
      writeUnclear(number);
    }
    await server.scan();
    const before = await sortWhole();
    expect(JSON.stringify(before).length).toBeGreaterThan(10_000);
    writeUnclear(150);
    await server.scan();
    const change = await sortSince(before.version);
    expect(change.changed).toHaveLength(1);
    expect(JSON.stringify(change).length).toBeLessThan(2_000);
    expect(inOrder(changeSort(before, change))).toEqual(inOrder(await sortWhole()));
  });
  it('makes the same of what a window has as a fresh fetch, after each of several changes', async () => {
    writeUnclear(1);
    writeUnclear(2);
    await server.scan();
    let shown = await sortWhole();
    const steps: readonly (() => void)[] = [
      () => {
        writeUnclear(3, 'Grebe 3', 'Quoinn');
      },
      () => {
        writeUnclear(1, 'Plate Reverb');
      },
      () => {
        rmSync(join(place, '2.lv2'), { recursive: true });
        writeUnclear(4, 'Grebe 4', 'Saltglass');
      },
      () => undefined,
    ];
    for (const step of steps) {
      step();
      await server.scan();
      shown = changeSort(shown, await sortSince(shown.version));
      expect(inOrder(shown)).toEqual(inOrder(await sortWhole()));
    }
    expect(shown.near).toHaveLength(1);
  });
  it('is the whole for a version that is not known', async () => {
    writeUnclear(1);
    await server.scan();
    expect((await sortSince('another-run-3')).grounds).toHaveLength(1);
  });
});
