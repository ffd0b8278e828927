/** Points to return to, and the order out of and into the application as a document. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { execFile } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type {
  CatalogView,
  HabitsView,
  OrderPreview,
  OrderStep,
  OrderView,
  PointComparison,
  PointsView,
  Refusal,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { plainText } from '@clever-drawer/core/change';
import type { OrderDocument } from '@clever-drawer/core/documents';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
let place: string;
const names = ['Alder Tone', 'Brine Gate', 'Cobble Air', 'Dunlin Verb'];

beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  place = newPlace();
  for (const [at, name] of names.entries()) {
    writeBundle(place, `${at}.lv2`, { uri: `urn:plugin:${at}`, name, vendor: 'Saltglass' });
  }
  await begin();
});
afterAll(async () => {
  await server.stop();
});

/** A computer of its own over the same place. */
async function begin(): Promise<void> {
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
  await server.scan();
}

const plugins = async (): Promise<readonly Plugin[]> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;
const idOf = async (name: string): Promise<string> =>
  (await plugins()).find((plugin) => plugin.name === name)?.id ?? '';
const order = async (): Promise<OrderView> => (await server.call<OrderView>('GET', 'order')).body;
const plain = async (): Promise<string[]> => (await order()).records.map(plainText).sort();
const points = async (): Promise<PointsView> =>
  (await server.call<PointsView>('GET', 'points')).body;

async function act(body: object): Promise<OrderStep> {
  const done = await server.call<OrderStep>('POST', 'acts', body);
  expect([done.status, done.body]).toEqual([200, expect.anything()]);
  return done.body;
}

async function addFolder(name: string, ...members: string[]): Promise<string> {
  const cabinet = (await order()).records.find(({ table }) => table === 'cabinet')?.id;
  const id = randomUUID();
  const filed = await Promise.all(
    members.map(async (plugin) => ({ placement: randomUUID(), plugin: await idOf(plugin) })),
  );
  await act({
    act: 'add-folder',
    id,
    cabinet,
    parent: null,
    form: 'folder',
    name,
    rule: null,
    before: null,
    plugins: filed,
  });
  return id;
}

async function mark(name: string): Promise<string> {
  const marked = await server.call<PointsView>('POST', 'points', { name });
  expect(marked.status).toBe(201);
  return marked.body.points[0]?.id ?? '';
}

const compare = async (id: string, from?: string): Promise<PointComparison> =>
  (
    await server.call<PointComparison>(
      'GET',
      `points/${id}/comparison${from === undefined ? '' : `?from=${from}`}`,
    )
  ).body;

describe('points', () => {
  it('say what returning would do, lead back in one change, and undo leads on again', async () => {
    const squeeze = await addFolder('Squeeze', 'Alder Tone', 'Brine Gate');
    const before = await plain();
    const tour = await mark('Before the tour');
    expect((await points()).points[0]).toMatchObject({ name: 'Before the tour', filed: 2 });
    await addFolder('Arrived', 'Cobble Air');
    await act({ act: 'remove-folder', folder: squeeze });
    await act({
      act: 'name',
      plugin: await idOf('Dunlin Verb'),
      nickname: 'Big one',
      slotLabel: null,
    });
    const after = await plain();
    expect((await points()).changes).toBe(3);

    const { change } = await compare(tour);
    expect(change.lines.map(({ what, words }) => `${what}: ${words}`).sort()).toEqual([
      'comes: The folder Squeeze with 2 plugins',
      'goes: Big one: nickname Big one',
      'goes: The folder Arrived with 1 plugin',
    ]);
    const returned = await server.call<OrderStep>('POST', `points/${tour}/return`, { part: null });
    expect(returned.body.words).toBe('Return to “Before the tour”');
    expect(await plain()).toEqual(before);
    expect((await compare(tour)).change.lines).toEqual([]);
    await server.call('POST', 'undo');
    expect(await plain()).toEqual(after);
  });

  it('give back one folder or one plugin’s names, and nothing else', async () => {
    const squeeze = await addFolder('Squeeze', 'Alder Tone', 'Brine Gate');
    const tour = await mark('Before');
    await act({ act: 'remove-folder', folder: squeeze });
    const arrived = await addFolder('Arrived', 'Cobble Air');
    const part = { folder: squeeze };
    await server.call('POST', `points/${tour}/return`, { part });
    const ids = (await order()).records.map(({ id }) => id as string);
    expect(ids).toContain(squeeze);
    expect(ids).toContain(arrived);
    expect((await compare(tour)).folders).toEqual([{ id: arrived, name: 'Arrived' }]);
  });

  it('are compared with each other, named, and removed without losing what lay between', async () => {
    const first = await mark('First');
    await addFolder('One');
    const second = await mark('Second');
    await addFolder('Two');
    const third = await mark('Third');
    await addFolder('Three');
    const words = async (id: string, from?: string): Promise<string[]> =>
      (await compare(id, from)).change.lines.map((line) => `${line.what} ${line.name ?? ''}`);
    expect(await words(third, first)).toEqual(['comes One', 'comes Two']);
    expect(await words(first)).toEqual(['goes One', 'goes Two', 'goes Three']);
    expect((await server.call('DELETE', `points/${second}`)).status).toBe(200);
    expect(await words(first)).toEqual(['goes One', 'goes Two', 'goes Three']);
    expect((await server.call('DELETE', `points/${third}`)).status).toBe(200);
    expect(await words(first)).toEqual(['goes One', 'goes Two', 'goes Three']);
    expect((await points()).changes).toBe(2);
    await server.call('PUT', `points/${first}`, { name: 'The first' });
    expect((await points()).points.map(({ name }) => name)).toEqual(['The first']);
    expect((await server.call('GET', `points/${second}/comparison`)).status).toBe(404);
    expect((await server.call('POST', 'points', { name: ' ' })).status).toBe(400);
  });

  it('come by themselves before much is changed', async () => {
    const cabinet = (await order()).records.find(({ table }) => table === 'cabinet')?.id;
    const folders = Array.from({ length: 60 }, (_, at) => ({
      id: randomUUID(),
      parent: null,
      form: 'folder',
      name: `Folder ${at}`,
      rule: null,
      plugins: [],
    }));
    await act({ act: 'copy-folder', cabinet, parent: null, folders: folders.slice(0, 1) });
    expect((await points()).points).toEqual([]);
    await act({
      act: 'add-cabinet',
      id: randomUUID(),
      favourites: randomUUID(),
      name: 'Many',
      opensFor: [],
      folders: folders.slice(1),
    });
    const [point] = (await points()).points;
    expect(point).toMatchObject({ reason: 'before-much', name: null });
    expect(point?.before).toContain('Many');
    const lines = (await compare(point?.id ?? '')).change.lines;
    expect(lines.map(({ words }) => words)).toEqual([
      'The cabinet Many with 60 folders and 0 plugins filed',
    ]);
  });
});

describe('the document', () => {
  const exported = async (): Promise<OrderDocument> =>
    (await server.call<OrderDocument>('GET', 'document')).body;
  const merge = (document: unknown, how: string, choices: object = {}) =>
    server.call<OrderStep>('POST', 'document/merge', {
      text: JSON.stringify(document),
      how,
      choices,
    });
  /** Names instead of ids. */
  const treeOf = (document: OrderDocument): unknown =>
    document.cabinets.map(({ name, folders }) => [
      name,
      folders.map((folder) => [
        folder.name,
        folder.form,
        folder.rule,
        (folder.plugins ?? []).map(
          (id) => document.plugins.find((plugin) => plugin.id === id)?.name,
        ),
      ]),
    ]);

  async function arrange(): Promise<void> {
    await addFolder('Squeeze', 'Brine Gate', 'Alder Tone');
    await act({
      act: 'name',
      plugin: await idOf('Dunlin Verb'),
      nickname: 'Big one',
      slotLabel: 'Big',
    });
    await act({
      act: 'answer',
      say: [{ plugins: [await idOf('Cobble Air')], set: { tags: ['film'], notes: 'for gulls' } }],
    });
  }

  it('is read on another computer as the same order, and nothing changes the second time', async () => {
    await arrange();
    const document = await exported();
    await begin();
    const { body } = await server.call<OrderPreview>('POST', 'document/preview', {
      text: JSON.stringify(document),
      how: 'add',
      choices: {},
    });
    expect(body.matches.map(({ how }) => how)).toEqual(['same', 'same', 'same', 'same']);
    const untouched = await plain();
    expect(body.change.lines.map(({ words }) => words)).toContain(
      'The folder Squeeze with 2 plugins',
    );
    expect(await plain()).toEqual(untouched);
    expect((await merge(document, 'add')).status).toBe(200);
    expect(treeOf(await exported())).toEqual(treeOf(document));
    const said = (await exported()).plugins.map(({ name, nickname, said: facts }) => [
      name,
      nickname,
      facts,
    ]);
    expect(said).toContainEqual(['Dunlin Verb', 'Big one', undefined]);
    expect(said).toContainEqual(['Cobble Air', undefined, { tags: ['film'], notes: 'for gulls' }]);
    const once = await plain();
    const again = await merge(document, 'add');
    expect(again.body.change).toEqual({ added: [], updated: [], removed: [] });
    expect(await plain()).toEqual(once);
    await server.call('POST', 'undo');
    expect(await plain()).toEqual(untouched);
    // There is a point before it.
    expect((await points()).points[0]?.reason).toBe('before-document');
  });

  it('takes loads and habits along where they are wanted, each once', async () => {
    await arrange();
    const loaded = await idOf('Alder Tone');
    const filed = await idOf('Brine Gate');
    const load = { plugin: loaded, at: '2026-03-02T09:30:00.250Z', track: 'bus', after: filed };
    const loads = [
      { ...load, typed: 'alt', keys: 4, took: 900 },
      { ...load, at: '2026-03-03T09:30:00.000Z', after: null },
    ];
    expect((await server.call('POST', 'loads', { loads })).status).toBe(200);
    expect((await exported()).loads).toBeUndefined();
    const whole = (await server.call<OrderDocument>('GET', 'document?loads=yes')).body;
    expect(whole.loads).toEqual([
      { ...load, typed: 'alt', keys: 4, took: 900 },
      { plugin: loaded, at: '2026-03-03T09:30:00.000Z', track: 'bus' },
    ]);
    const habits = async (): Promise<HabitsView['letters']> =>
      (await server.call<HabitsView>('GET', 'habits')).body.letters;
    await begin();
    const read = { text: JSON.stringify(whole), how: 'add', choices: {} };
    const preview = await server.call<OrderPreview>('POST', 'document/preview', read);
    expect(preview.body.loads).toBe(2);
    expect(await habits()).toEqual([]);
    await server.call('POST', 'document/merge', { ...read, hasLoads: false });
    expect(await habits()).toEqual([]);
    await server.call('POST', 'document/merge', read);
    await server.call('POST', 'document/merge', read);
    expect(await habits()).toEqual([{ typed: 'alt', plugin: await idOf('Alder Tone'), times: 1 }]);
    const again = (await server.call<OrderDocument>('GET', 'document?loads=yes')).body;
    expect(again.loads?.map(({ at, typed }) => [at, typed])).toEqual(
      whole.loads?.map(({ at, typed }) => [at, typed]),
    );
  });

  it('brings the very same order back into the computer it is of', async () => {
    await arrange();
    const text = JSON.stringify(await exported());
    const wanted = await plain();
    await server.call('POST', 'undo');
    await addFolder('Elsewhere', 'Cobble Air');
    expect((await merge(JSON.parse(text), 'replace')).status).toBe(200);
    const withoutIds = (records: string[]): string[] =>
      records.map((record) => record.replace(/"(?:id|position)":"[^"]*"/g, '')).sort();
    expect(withoutIds(await plain())).toEqual(withoutIds(wanted));
    expect(JSON.stringify(await exported())).toBe(text);
  });

  it('keeps a place for what is missing, and a scan that finds it gives it back', async () => {
    await arrange();
    const document = await exported();
    rmSync(join(place, '1.lv2'), { recursive: true });
    await begin();
    await merge(document, 'add');
    const waiting = (await plugins()).find(({ name }) => name === 'Brine Gate');
    expect(waiting?.copies.map(({ state }) => state)).toEqual(['awaited']);
    // Read again it is missing still, and gets no second place.
    const preview = await server.call<OrderPreview>('POST', 'document/preview', {
      text: JSON.stringify(document),
      how: 'add',
      choices: {},
    });
    expect(preview.body.matches.find(({ from }) => from.name === 'Brine Gate')?.how).toBe(
      'missing',
    );
    await merge(document, 'add');
    expect((await plugins()).filter(({ name }) => name === 'Brine Gate')).toHaveLength(1);
    expect(treeOf(await exported())).toEqual(treeOf(document));
    writeBundle(place, 'elsewhere.lv2', {
      uri: 'urn:plugin:1',
      name: 'Brine Gate',
      vendor: 'Saltglass',
    });
    await server.scan();
    const arrived = (await plugins()).filter(({ name }) => name === 'Brine Gate');
    expect(arrived.map(({ id, copies }) => [id, copies.map(({ state }) => state)])).toEqual([
      [waiting?.id, ['present']],
    ]);
  });

  it('goes from computer to computer, and takes what somebody chooses', async () => {
    await arrange();
    const from = server.computer;
    const document = await exported();
    await begin();
    const gate = document.plugins.find(({ name }) => name === 'Brine Gate')?.id ?? '';
    const choices = { [gate]: await idOf('Dunlin Verb') };
    await server.call('POST', 'document/merge', { computer: from, how: 'add', choices });
    const [cabinet] = (await exported()).cabinets;
    const squeeze = cabinet?.folders.find(({ name }) => name === 'Squeeze');
    const names_ = squeeze?.plugins?.map((id) => id);
    expect(names_).toEqual([await idOf('Dunlin Verb'), await idOf('Alder Tone')]);
    // Null leaves one out.
    await begin();
    await server.call('POST', 'document/merge', {
      computer: from,
      how: 'add',
      choices: { [gate]: null },
    });
    const left = (await exported()).cabinets[0]?.folders.find(({ name }) => name === 'Squeeze');
    expect(left?.plugins).toEqual([await idOf('Alder Tone')]);
  });

  it('writes back fields that it does not know, and refuses what is wrong without changing anything', async () => {
    await arrange();
    const document = { ...(await exported()), mood: { is: 'calm' } };
    await merge(document, 'theirs');
    await addFolder('More');
    expect(await exported()).toMatchObject({ mood: { is: 'calm' } });
    const before = await plain();
    const cut = await server.call<Refusal>('POST', 'document/merge', {
      text: JSON.stringify(document).slice(0, 500),
      how: 'add',
      choices: {},
    });
    expect(cut.status).toBe(422);
    expect(cut.body.problems[0]?.message).toMatch(/line 1: It ends in the middle/);
    expect((await merge({ ...document, version: 9 }, 'add')).status).toBe(422);
    expect((await merge(document, 'melt')).status).toBe(400);
    expect(await plain()).toEqual(before);
  });

  it('takes no pictures that are none: what could not be uploaded does not come in by a document', async () => {
    await arrange();
    const before = await plain();
    const drawing = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>';
    for (const data of [drawing, '<!doctype html><script>alert(1)</script>', '']) {
      const pictures = [{ id: randomUUID(), data: Buffer.from(data).toString('base64') }];
      const { status, body } = await merge({ ...(await exported()), pictures }, 'theirs');
      expect([status, (body as unknown as Refusal).problems[0]?.message]).toEqual([
        422,
        expect.stringContaining('pictures'),
      ]);
    }
    expect(await plain()).toEqual(before);
    expect(await server.query('SELECT 1 FROM picture')).toEqual([]);
  });
});

describe('a tree of directories', () => {
  it('becomes a cabinet: links by where they lead, files by their names, and what is neither is said', async () => {
    const tree = join(newPlace(), 'My plugins');
    mkdirSync(join(tree, '01 Echo', 'Long'), { recursive: true });
    symlinkSync(join(place, '0.lv2'), join(tree, '01 Echo', 'whatever.lv2'));
    writeFileSync(join(tree, '01 Echo', 'Long', '02 Brine Gate.txt'), '');
    writeFileSync(join(tree, '01 Echo', 'Long', 'Nobody knows.dll'), '');
    const incoming = { form: 'tree', text: tree, how: 'add', choices: {} };
    const { body } = await server.call<OrderPreview>('POST', 'document/preview', incoming);
    expect(body.matches.map(({ from, how }) => `${from.name}: ${how}`).sort()).toEqual([
      'Alder Tone: same',
      'Brine Gate: likely',
      'Nobody knows: missing',
    ]);
    await server.call('POST', 'document/merge', incoming);
    const [, cabinet] = (await server.call<OrderDocument>('GET', 'document')).body.cabinets;
    expect(cabinet).toMatchObject({
      name: 'My plugins',
      folders: [
        { name: 'Favourites' },
        {
          name: 'Echo',
          plugins: [await idOf('Alder Tone')],
          folders: [{ name: 'Long', plugins: [await idOf('Brine Gate')] }],
        },
      ],
    });
    const missing = await server.call('POST', 'document/preview', {
      ...incoming,
      text: '/no/such',
    });
    expect(missing.status).toBe(422);
  });
});

describe('the command line', () => {
  it('takes the order out and brings it back in, with a preview', async () => {
    const run = async (...args: string[]): Promise<{ stdout: string; stderr: string }> =>
      promisify(execFile)(join(import.meta.dirname, '../../clever-drawer'), [
        'order',
        ...args,
        '--to',
        server.address,
        '--computer',
        name,
      ]);
    const name = `Computer ${randomUUID()}`;
    await server.query('UPDATE computer SET name = $2 WHERE id = $1', [server.computer, name]);
    await addFolder('Squeeze', 'Alder Tone');
    const file = join(newPlace(), 'order.json');
    await run('export', file);
    const text = readFileSync(file, 'utf8');
    writeFileSync(file, text.replace('"Squeeze"', '"Press"'));
    const dry = await run('import', file, '--how', 'theirs', '--dry-run');
    expect(dry.stdout).toContain('Squeeze is called Press');
    expect((await order()).records).toContainEqual(expect.objectContaining({ name: 'Squeeze' }));
    const done = await run('import', file, '--how', 'theirs');
    expect(done.stderr).toContain('it wins');
    expect((await order()).records).toContainEqual(expect.objectContaining({ name: 'Press' }));
    writeFileSync(file, text.slice(0, 200));
    await expect(run('import', file)).rejects.toThrow(/line \d+/);
  });
});
