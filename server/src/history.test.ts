/**
 * Nothing that was confirmed is lost while scans put copies into other plugins: acts of every kind
 * at random, with plugins arriving, going and becoming one in between, then undone all the way back
 * and done again all the way forward.
 */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Act } from '@clever-drawer/core/acts';
import type { CatalogView, OrderStep, OrderView } from '@clever-drawer/core/api';
import { changeCatalog, type CatalogChange } from '@clever-drawer/core/catalog';
import { applyChange, keyOf, plainText } from '@clever-drawer/core/change';
import { asId, type CopyId, type PluginId } from '@clever-drawer/core/id';
import { orderOf, type Order, type OrderRecord } from '@clever-drawer/core/order';
import {
  actNames,
  drawAct,
  drawFrom,
  type Draw,
  type World,
} from '../../core/src/acts/any-act.test-data.ts';
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

const readOrder = async (): Promise<Order> =>
  orderOf((await server.call<OrderView>('GET', 'order')).body.records);

const plain = (order: Order): string[] => [...order.values()].map(plainText).sort();

const readCatalog = async (): Promise<CatalogView['plugins']> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;

async function readWorld(): Promise<World> {
  const copies = (await readCatalog()).flatMap((plugin) =>
    plugin.copies.map((copy) => [copy.id, plugin.id] as const),
  );
  return { order: await readOrder(), copies: new Map<CopyId, PluginId>(copies) };
}

/** Products of which each can be there as one thing or, by other words, as two. */
const products = ['Kelp Verb', 'Silt Delay', 'Marl Press', 'Alder Tone', 'Tern Wah'];
const words = ['', ' (mono)', ' (stereo)', ' Grande'];

/** Something happens on the disk, and a scan finds it. */
async function stir(draw: Draw): Promise<void> {
  const file = `file-${draw(7)}.lv2`;
  if (draw(4) === 0) {
    rmSync(join(place, file), { recursive: true, force: true });
  } else {
    const name = `${products[draw(products.length)] ?? ''}${words[draw(words.length)] ?? ''}`;
    const version = 1 + draw(50);
    writeBundle(place, file, { uri: `urn:${file}`, name, vendor: 'Quoin', version, audio: true });
  }
  await server.scan();
}

/** The act as a window would send it, with ids as the server takes them. */
function asSent(act: Act): Act {
  const ids = new Map<string, string>();
  const idFor = (made: string): string => {
    const known = ids.get(made) ?? randomUUID();
    ids.set(made, known);
    return known;
  };
  const text = JSON.stringify(act)
    .replace(/"new\d+"/g, (quoted) => `"${idFor(quoted)}"`)
    .replaceAll('"computer":"computer"', `"computer":"${server.computer}"`);
  return JSON.parse(text) as Act;
}

/** A window: it has order and catalog as they were fetched, and follows the changes it is told of. */
interface Window {
  order: Order;
  catalog: CatalogView;
}

const fetched = async (): Promise<Window> => ({
  order: await readOrder(),
  catalog: (await server.call<CatalogView>('GET', 'catalog')).body,
});

/** What changed since the window looked last is all that differs from the catalog as it is now. */
async function catchUp(window: Window): Promise<void> {
  const at = `catalog?since=${window.catalog.version}`;
  const answer = await server.call<CatalogChange>('GET', at);
  window.catalog = changeCatalog(window.catalog, answer.body);
  expect(window.catalog).toEqual((await server.call<CatalogView>('GET', 'catalog')).body);
}

async function take(window: Window, answer: { status: number; body: OrderStep }): Promise<void> {
  expect(answer.status).toBe(200);
  window.order = applyChange(window.order, answer.body.change);
  expect(plain(window.order)).toEqual(plain(await readOrder()));
  expect(plain(window.order)).toEqual(await server.storedOrder());
  await catchUp(window);
}

/** How many acts were confirmed. */
async function actAtRandom(draw: Draw, window: Window, times: number): Promise<number> {
  let done = 0;
  for (let at = 0; at < times; at += 1) {
    if (draw(3) === 0) {
      await stir(draw);
      continue;
    }
    const act = drawAct(actNames[draw(actNames.length)] ?? 'file', draw, await readWorld());
    const answer = act && (await server.call<OrderStep>('POST', 'acts', asSent(act)));
    expect(answer?.status ?? 200).toBeLessThan(500);
    if (answer?.status === 200) {
      await take(window, answer);
      done += answer.body.change.added.length + answer.body.change.removed.length > 0 ? 1 : 0;
    }
  }
  return done;
}

async function stepAll(
  direction: 'undo' | 'redo',
  window: Window,
  between: () => Promise<void>,
): Promise<number> {
  for (let steps = 0; ; steps += 1) {
    const answer = await server.call<OrderStep>('POST', direction);
    if (answer.status === 409) {
      return steps;
    }
    await take(window, answer);
    await between();
  }
}

/**
 * What an order says, with each plugin where its copies are now: two that are one by now may stand
 * in a folder once, and carry one name.
 */
async function meaningOf(order: Order): Promise<Set<string>> {
  const rows = await server.query<{ id: string; into: string | null }>(
    'SELECT id, went_into "into" FROM plugin WHERE computer_id = $1',
    [server.computer],
  );
  const into = new Map(rows.map((row) => [row.id, row.into]));
  const now = (id: string): string => {
    const next = into.get(id);
    return next ? now(next) : id;
  };
  const meaning = (record: OrderRecord): unknown => {
    switch (record.table) {
      case 'placement':
        return [record.table, record.folder, now(record.plugin)];
      case 'plugin-names':
      case 'answer':
        return [record.table, now(record.id)];
      case 'folder': {
        const byHand = [record.alwaysIn, record.alwaysOut].map((ids) => ids.map(now).sort());
        return [{ ...record, alwaysIn: [], alwaysOut: [] }, byHand.map((ids) => [...new Set(ids)])];
      }
      case 'chain':
        return { ...record, plugins: record.plugins.map(now) };
      default:
        return record;
    }
  };
  return new Set([...order.values()].map((record) => plainText(meaning(record))));
}

/** How many histories are drawn; `npm run torture` draws more. */
const seeds = Number(process.env['HISTORY_SEEDS'] ?? '2');
const seedsFrom = (first: number): number[] => Array.from({ length: seeds }, (_, at) => first + at);

const rest = (): Promise<void> => Promise.resolve();
const numbersOf = (seed: number): number[] =>
  Array.from({ length: 997 }, (_, at) => ((seed * 7919 + at * at * 104_729) >>> 3) % 65_521);

describe('the history of a catalog that moves', () => {
  it.each(seedsFrom(100))('leads all the way back and forward (%i)', async (seed) => {
    const draw = drawFrom(numbersOf(seed));
    for (let at = 0; at < 5; at += 1) {
      await stir(draw);
    }
    const window = await fetched();
    expect(await actAtRandom(draw, window, 45)).toBeGreaterThan(3);
    const latest = window.order;
    const undone = await stepAll('undo', window, rest);
    expect(await stepAll('redo', window, rest)).toBe(undone);
    expect(await meaningOf(window.order)).toEqual(await meaningOf(latest));
  });

  it.each(seedsFrom(200))('leads back and forward while scans go on (%i)', async (seed) => {
    const draw = drawFrom(numbersOf(seed));
    for (let at = 0; at < 5; at += 1) {
      await stir(draw);
    }
    const window = await fetched();
    await actAtRandom(draw, window, 45);
    const goOn = async (): Promise<void> => {
      if (draw(3) === 0) {
        await stir(draw);
      }
    };
    const undone = await stepAll('undo', window, goOn);
    expect(undone).toBeGreaterThan(3);
    expect(await stepAll('redo', window, goOn)).toBe(undone);
  });
});

const firstFolder = async (): Promise<string> => {
  const folders = [...(await readOrder()).values()].filter((record) => record.table === 'folder');
  return folders[0]?.id ?? '';
};

const file = async (plugin: PluginId, folder: string): Promise<number> => {
  const body = {
    act: 'file',
    folder,
    plugins: [{ placement: randomUUID(), plugin }],
    before: null,
  };
  return (await server.call('POST', 'acts', body)).status;
};

describe('a plugin that went into another', () => {
  it('is filed as that one by undo and redo', async () => {
    const write = (name: string, path: string, version: number): string =>
      writeBundle(place, path, { uri: `urn:${path}`, name, vendor: 'Quoin', version });
    write('Kelp Verb', 'a.lv2', 1);
    write('Silt Delay', 'b.lv2', 1);
    await server.scan();
    const folder = await firstFolder();
    const silt = (await readCatalog()).find((plugin) => plugin.name === 'Silt Delay');
    expect(await file(silt?.id ?? asId(''), folder)).toBe(200);
    await server.call('POST', 'undo');
    write('Kelp Verb', 'b.lv2', 2);
    await server.scan();
    const [kelp, ...others] = await readCatalog();
    expect(others).toEqual([]);
    expect((await server.call('POST', 'redo')).status).toBe(200);
    const placed = [...(await readOrder()).values()].filter((one) => one.table === 'placement');
    expect(placed).toMatchObject([{ plugin: kelp?.id }]);
    expect((await server.call('POST', 'undo')).status).toBe(200);
    expect((await readOrder()).has(keyOf(placed[0] ?? { table: '', id: '' }))).toBe(false);
  });

  it('is filed as that one from a window that has not heard of it', async () => {
    writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Kelp Verb', vendor: 'Quoin' });
    writeBundle(place, 'b.lv2', { uri: 'urn:b', name: 'Silt Delay', vendor: 'Quoin' });
    await server.scan();
    const silt = (await readCatalog()).find((plugin) => plugin.name === 'Silt Delay');
    writeBundle(place, 'b.lv2', { uri: 'urn:b', name: 'Kelp Verb', vendor: 'Quoin', version: 2 });
    await server.scan();
    expect(await file(silt?.id ?? asId(''), await firstFolder())).toBe(200);
    const placed = [...(await readOrder()).values()].filter((one) => one.table === 'placement');
    expect(placed).toMatchObject([{ plugin: (await readCatalog())[0]?.id }]);
  });
});

describe('acts while a scan identifies', () => {
  it('that were confirmed stand, and can be undone and redone', async () => {
    for (let at = 0; at < 300; at += 1) {
      const name = `Kelp ${at % 150}${at < 150 ? ' (mono)' : ' (stereo)'}`;
      writeBundle(place, `k${at}.lv2`, { uri: `urn:k${at}`, name, vendor: `Maker ${at}` });
    }
    const folder = await firstFolder();
    await server.call('POST', 'scans');
    const filed = new Set<string>();
    for (let isRunning = true; isRunning; ) {
      const { body } = await server.call<{ progress: unknown }>('GET', 'scans');
      isRunning = body.progress !== null;
      const plugin = (await readCatalog()).find((one) => !filed.has(one.id));
      if (plugin && (await file(plugin.id, folder)) === 200) {
        filed.add(plugin.id);
      }
    }
    const placed = [...(await readOrder()).values()].filter((one) => one.table === 'placement');
    expect(filed.size).toBeGreaterThan(0);
    expect(placed).toHaveLength(filed.size);
    const window = await fetched();
    expect(await stepAll('undo', window, rest)).toBe(filed.size);
    expect(await stepAll('redo', window, rest)).toBe(filed.size);
  });
});
