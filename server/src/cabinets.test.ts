/**
 * Cabinets and whole folders in the tables: what the acts do in core, they do in the database,
 * there and back.
 */
import { afterAll, beforeAll, beforeEach, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import type { CatalogView, OrderStep, OrderView } from '@clever-drawer/core/api';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

const place = newPlace();
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  await server.freshComputer();
  for (const name of ['Alder', 'Birch', 'Cedar']) {
    writeBundle(place, `${name}.lv2`, { uri: `urn:${name}`, name, vendor: 'Quoin' });
  }
  await server.call('POST', 'places', { path: place });
  await server.scan();
});
afterAll(async () => {
  await server.stop();
  rmSync(place, { recursive: true });
});

const order = async (): Promise<OrderView> => (await server.call<OrderView>('GET', 'order')).body;

it('every act on cabinets and folders is stored as it is done, and undone to what was before, also after a restart', async () => {
  const plugins = (await server.call<CatalogView>('GET', 'catalog')).body.plugins.map(
    (plugin) => plugin.id,
  );
  const [cabinet, favourites, a, b, inner, part] = Array.from({ length: 6 }, () => randomUUID());
  const placements = plugins.map(() => randomUUID());
  const first = (await order()).records.find((record) => record.table === 'cabinet')?.id;
  const folder = (
    id: string | undefined,
    name: string,
    parent: string | null,
    members: readonly number[],
  ) => ({
    id,
    parent,
    form: 'folder',
    name,
    rule: null,
    plugins: members.map((i) => ({ placement: placements[i], plugin: plugins[i] })),
  });
  const acts = [
    {
      act: 'add-cabinet',
      id: cabinet,
      favourites,
      name: 'Live',
      opensFor: ['track'],
      folders: [
        folder(a, 'A', null, [0, 1]),
        folder(inner, 'Inner', a ?? '', [2]),
        folder(b, 'B', null, []),
      ],
    },
    {
      act: 'set-cabinet',
      cabinet,
      set: { name: 'Tour', opensFor: ['track', 'bus', 'final'], sortedBy: 'name' },
    },
    { act: 'move-cabinet', cabinet, before: first },
    {
      act: 'set-folder',
      folder: a,
      set: { sortedBy: 'vendor', isPinned: true, notes: 'for the eel' },
    },
    { act: 'move-to', placements: [placements[0]], folder: b, before: null },
    {
      act: 'split-folder',
      folder: a,
      parts: [{ id: part, name: 'Part', placements: [placements[1]] }],
    },
    { act: 'merge-folders', from: a, into: b },
    { act: 'remove-cabinet', cabinet },
  ];
  const states = [await server.storedOrder()];
  for (const body of acts) {
    const done = await server.call<OrderStep>('POST', 'acts', body);
    expect([body.act, done.status]).toEqual([body.act, 200]);
    states.push(await server.storedOrder());
  }
  expect(states[6]?.some((record) => record.includes('"Part"'))).toBe(true);
  expect(new Set(states.map((state) => state.join())).size).toBe(acts.length);
  expect(states.at(-1)).toEqual(states[0]);
  await server.restart();
  for (let at = acts.length - 1; at >= 0; at -= 1) {
    expect((await server.call('POST', 'undo')).status).toBe(200);
    expect(await server.storedOrder()).toEqual(states[at]);
  }
  for (let at = 1; at <= acts.length; at += 1) {
    await server.call('POST', 'redo');
    expect(await server.storedOrder()).toEqual(states[at]);
  }
});

it('the only cabinet stays', async () => {
  const only = (await order()).records.find((record) => record.table === 'cabinet')?.id;
  expect((await server.call('POST', 'acts', { act: 'remove-cabinet', cabinet: only })).status).toBe(
    409,
  );
});
