/** A cabinet as directories, as the running application keeps it: written, in step, moved, removed. */
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CatalogView, OrderView, Refusal, ShelfView } from '@clever-drawer/core/api';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

const names = ['Alder', 'Birch', 'Cedar'] as const;
let server: TestServer;
let place: string;
let home: string;
let directory: string;
let cabinet: string;
let folder: string;

/** Files the plugins of these names in the folder. */
async function file(...wanted: readonly string[]): Promise<void> {
  const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
  const { status } = await server.call('POST', 'acts', {
    act: 'file',
    folder,
    plugins: plugins
      .filter(({ name }) => wanted.includes(name))
      .map(({ id }) => ({ placement: randomUUID(), plugin: id })),
    before: null,
  });
  expect(status).toBe(200);
}
const settings = (more: Partial<Record<string, unknown>> = {}) => ({
  cabinet,
  directory,
  hasFigures: true,
  ...more,
});
const put = async (more?: Partial<Record<string, unknown>>): Promise<ShelfView> => {
  const { status, body } = await server.call<ShelfView>('PUT', 'shelf', settings(more));
  expect(status).toBe(200);
  return body;
};
/** The names in the folder's directory of a shelf. */
const shelved = (at = directory): string[] => {
  const inside = readdirSync(at).find((name) => name.includes('Trees')) ?? '';
  return existsSync(join(at, inside)) ? readdirSync(join(at, inside)).sort() : [];
};
/** Looks again until it is so: the shelf follows an act a moment later. */
async function untilSo(isSo: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + 30_000;
  while (!(await isSo()) && Date.now() < end) {
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(await isSo()).toBe(true);
}
const view = async (): Promise<ShelfView> => (await server.call<ShelfView>('GET', 'shelf')).body;

beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  await server.freshComputer();
  place = newPlace();
  home = mkdtempSync(join(tmpdir(), 'clever-drawer-shelf-'));
  directory = join(home, 'shelf');
  for (const name of names) {
    writeBundle(place, `${name}.lv2`, { uri: `urn:${name}`, name, vendor: 'Quoin' });
  }
  await server.call('POST', 'places', { path: place });
  await server.scan();
  const { records } = (await server.call<OrderView>('GET', 'order')).body;
  cabinet = records.find(({ table }) => table === 'cabinet')?.id ?? '';
  folder = randomUUID();
  const added = await server.call('POST', 'acts', {
    act: 'add-folder',
    id: folder,
    cabinet,
    parent: null,
    form: 'folder',
    name: 'Trees',
    rule: null,
    before: null,
    plugins: [],
  });
  expect(added.status).toBe(200);
  await file('Alder', 'Birch');
});
afterEach(() => {
  rmSync(place, { recursive: true, force: true });
  rmSync(home, { recursive: true, force: true });
});
afterAll(async () => {
  await server.stop();
});

describe('a shelf', () => {
  it('is shown before anything is written', async () => {
    const { status, body } = await server.call<ShelfView>('POST', 'shelf/preview', settings());
    expect([status, existsSync(directory)]).toEqual([200, false]);
    expect(body.last?.done).toBeGreaterThan(2);
    expect(await view()).toEqual({
      settings: null,
      last: null,
    });
  });

  it('leads to the plugins, and follows what is filed', async () => {
    const { last } = await put();
    expect(last).toMatchObject({ trouble: null, left: [] });
    expect(shelved()).toEqual([expect.stringContaining('Alder'), expect.stringContaining('Birch')]);
    const inside = join(directory, readdirSync(directory).find((n) => n.includes('Trees')) ?? '');
    expect(readlinkSync(join(inside, shelved()[0] ?? ''))).toBe(join(place, 'Alder.lv2'));
    await file('Cedar');
    await untilSo(() => shelved().length === 3);
    expect((await server.call('POST', 'undo')).status).toBe(200);
    await untilSo(() => shelved().length === 2);
  });

  it('is moved to another directory: what it wrote in the first is gone, what others put there is not', async () => {
    await put();
    writeFileSync(join(directory, 'mine.txt'), 'mine');
    const elsewhere = join(home, 'elsewhere');
    const moved = await put({ directory: elsewhere });
    expect(moved.settings?.directory).toBe(elsewhere);
    expect(shelved(elsewhere)).toHaveLength(2);
    expect(readdirSync(directory)).toEqual(['mine.txt']);
  });

  it('is removed, and stays removed', async () => {
    await put();
    const { body } = await server.call<ShelfView>('DELETE', 'shelf');
    expect([body.settings, existsSync(directory)]).toEqual([null, false]);
    await file('Cedar');
    await server.restart();
    expect((await view()).settings).toBeNull();
    expect(existsSync(directory)).toBe(false);
    // Where there is none, there is nothing to remove.
    expect((await server.call<ShelfView>('DELETE', 'shelf')).status).toBe(200);
  });

  it('is refused in a directory that holds something else, which stays as it was', async () => {
    mkdirSync(directory);
    writeFileSync(join(directory, 'mine.txt'), 'mine');
    const { status, body } = await server.call<Refusal>('PUT', 'shelf', settings());
    expect([status, body.problems[0]]).toEqual([
      422,
      expect.objectContaining({ code: 'directory-refused', at: directory }),
    ]);
    expect(readdirSync(directory)).toEqual(['mine.txt']);
    expect((await view()).settings).toBeNull();
  });

  it('leaves what stands where a link is to be, and says so', async () => {
    await put();
    const inside = readdirSync(directory).find((name) => name.includes('Trees')) ?? '';
    const link = shelved().find((name) => name.includes('Alder')) ?? '';
    rmSync(join(directory, inside, link));
    writeFileSync(join(directory, inside, link), 'mine');
    const { last } = await put();
    expect(last?.left).toEqual([
      { path: `${inside}/${link}`, because: expect.stringMatching(/./) },
    ]);
    expect(readFileSync(join(directory, inside, link), 'utf8')).toBe('mine');
  });

  it('is refused in a place of plugins, and of a cabinet that is not there', async () => {
    const inPlace = await server.call<Refusal>(
      'PUT',
      'shelf',
      settings({ directory: join(place, 'shelf') }),
    );
    expect(inPlace.status).toBeGreaterThanOrEqual(400);
    expect(inPlace.body.problems[0]?.message).toContain(place);
    const gone = await server.call<Refusal>('PUT', 'shelf', settings({ cabinet: randomUUID() }));
    expect(gone.body.problems[0]).toMatchObject({ code: 'unknown-record' });
    expect(readdirSync(place).sort()).toEqual(names.map((name) => `${name}.lv2`));
    expect((await view()).settings).toBeNull();
  });

  it('says what keeps it from being brought into step, and heals once that is over', async () => {
    await put();
    rmSync(directory, { recursive: true });
    writeFileSync(directory, 'in the way');
    await file('Cedar');
    await untilSo(async () => (await view()).last?.trouble !== null);
    expect((await view()).last?.trouble).toContain(directory);
    rmSync(directory);
    await server.restart();
    await server.call('POST', 'undo');
    await untilSo(() => existsSync(directory) && shelved().length === 2);
    expect((await view()).last?.trouble).toBeNull();
  });
});
