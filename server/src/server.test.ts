/** The server over real folders and a real database: scanning, the order, undo and loading. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdirSync, readFileSync, renameSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { dirname, join } from 'node:path';
import type {
  AsideView,
  CatalogView,
  FindingView,
  OrderStep,
  OrderView,
  PlaceView,
  Refusal,
  ScanView,
  SessionView,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { warmth, type Usage } from '@clever-drawer/core/loading';
import { newPlace, startTestServer, writeBundle, type Answer, type TestServer } from './testing.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
});
beforeEach(() => server.freshComputer());

const uuid = (): string => crypto.randomUUID();
const codes = (answer: Answer<unknown>): string[] =>
  (answer.body as Refusal).problems.map((p) => p.code);
const catalog = async (): Promise<readonly Plugin[]> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;
const plugin = async (name: string): Promise<Plugin> => {
  const found = (await catalog()).find((p) => p.name === name);
  if (!found) {
    throw new Error(`no plugin ${name}`);
  }
  return found;
};
const order = async (): Promise<OrderView> => (await server.call<OrderView>('GET', 'order')).body;
const act = (body: object): Promise<Answer<OrderStep>> =>
  server.call<OrderStep>('POST', 'acts', body);
/** A place that was scanned, with a plugin of each name. */
async function placeWith(...names: readonly string[]): Promise<string> {
  const place = newPlace();
  for (const name of names) {
    const key = name.toLowerCase();
    writeBundle(place, `${key}.lv2`, { uri: `urn:${key}`, name });
  }
  await server.call('POST', 'places', { path: place });
  await server.scan();
  return place;
}
const lastFindings = async (): Promise<FindingView[]> => {
  const { scans } = (await server.call<{ scans: ScanView[] }>('GET', 'scans')).body;
  return (await server.call<FindingView[]>('GET', `scans/${scans[0]?.id ?? ''}/findings`)).body;
};

describe('places', () => {
  it('are refused with the reason when they are missing, a file, the whole disk or no path', async () => {
    const place = newPlace();
    const file = join(place, 'file');
    writeFileSync(file, '');
    const add = (path: string): Promise<Answer<unknown>> => server.call('POST', 'places', { path });
    expect(codes(await add('/nowhere/at/all'))).toEqual(['place-missing']);
    expect(codes(await add(file))).toEqual(['place-is-file']);
    expect(codes(await add('/'))).toEqual(['place-whole-disk']);
    expect(codes(await add('relative/path'))).toEqual(['field-invalid']);
    expect(codes(await server.call('POST', 'places', { path: 7 }))).toEqual(['field-invalid']);
    expect(codes(await server.call('POST', 'scans'))).toEqual(['no-places']);
    rmSync(place, { recursive: true });
  });
  it('count the copies whose program is missing, or leads in a circle, not those it leads to', async () => {
    const place = newPlace();
    // A program of this machine, for what is read is its header.
    const program = readFileSync(process.execPath).subarray(0, 4096);
    for (const name of ['gone', 'circle', 'linked']) {
      writeBundle(place, `${name}.lv2`, { uri: `urn:${name}`, name, program });
      rmSync(join(place, `${name}.lv2`, 'program.so'));
    }
    symlinkSync('program.so', join(place, 'circle.lv2', 'program.so'));
    symlinkSync(process.execPath, join(place, 'linked.lv2', 'program.so'));
    await server.call('POST', 'places', { path: place });
    await server.scan();
    const [view] = (await server.call<PlaceView[]>('GET', 'places')).body;
    expect(view).toMatchObject({ copies: 3, failed: 0, withoutProgram: 2 });
    const lacking = (await catalog()).filter(({ copies }) => copies[0]?.lacksProgram);
    expect(lacking.map(({ name }) => name).sort()).toEqual(['circle', 'gone']);
    rmSync(place, { recursive: true });
  });
  it('are taken as they are pasted, and not twice', async () => {
    const place = newPlace();
    const added = await server.call<PlaceView>('POST', 'places', { path: `  "${place}/" ` });
    expect(added.body.path).toBe(place);
    expect(codes(await server.call('POST', 'places', { path: place }))).toEqual(['place-known']);
    const above = await server.call('POST', 'places', { path: dirname(place) });
    expect(codes(above)).toEqual(['place-holds']);
    expect(JSON.stringify(above.body)).toContain(`holds ${place}, which is a place already`);
    expect((await server.call('DELETE', `places/${added.body.id}`)).status).toBe(200);
    expect(codes(await server.call('DELETE', `places/${added.body.id}`))).toEqual([
      'unknown-record',
    ]);
    rmSync(place, { recursive: true });
  });
});

describe('scanning', () => {
  it('finds what arrived, was updated, moved, went, came back and failed', async () => {
    const place = newPlace();
    const a = writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Alder', vendor: 'Quoin' });
    writeBundle(place, 'b.lv2', { uri: 'urn:b', name: 'Birch' });
    writeBundle(place, 'deep/c.lv2', { uri: 'urn:c', name: 'Cedar' });
    await server.call('POST', 'places', { path: place });
    await server.scan();
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`).sort()).toEqual([
      'arrived Alder',
      'arrived Birch',
      'arrived Cedar',
    ]);
    await server.scan();
    expect(await lastFindings()).toEqual([]);
    const birch = await plugin('Birch');
    writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Alder', vendor: 'Quoin', version: 2 });
    renameSync(join(place, 'b.lv2'), join(place, 'elsewhere.lv2'));
    rmSync(join(place, 'deep'), { recursive: true });
    mkdirSync(join(place, 'bad.lv2'));
    writeFileSync(join(place, 'bad.lv2', 'manifest.ttl'), 'this is no Turtle');
    await server.scan();
    const found = await lastFindings();
    expect(found.map((f) => `${f.sort} ${f.name}`).sort()).toEqual([
      'failed bad',
      'gone Cedar',
      'moved Birch',
      'updated Alder',
    ]);
    expect(found.find((f) => f.sort === 'updated')).toMatchObject({ from: '1.0', to: '2.0' });
    expect(found.find((f) => f.sort === 'failed')?.problem).toMatchObject({
      code: 'damaged',
      at: 'manifest.ttl',
      line: 1,
    });
    expect((await plugin('Birch')).id).toBe(birch.id);
    expect((await server.call<FindingView[]>('GET', 'copies/failed')).body).toHaveLength(1);
    writeBundle(place, 'deep/c.lv2', { uri: 'urn:c', name: 'Cedar' });
    rmSync(a, { recursive: true });
    rmSync(join(place, 'bad.lv2'), { recursive: true });
    await server.scan();
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`).sort()).toEqual([
      'gone Alder',
      'returned Cedar',
    ]);
    expect((await plugin('Alder')).copies.map((c) => c.state)).toEqual(['gone']);
  });
  it('can be stopped: what was found is kept, nothing is called gone, and the next scan goes on', async () => {
    const place = newPlace();
    for (let i = 0; i < 300; i += 1) {
      writeBundle(place, `s${i}.lv2`, { uri: `urn:stop:${i}`, name: `Stopped ${i}` });
    }
    const added = await server.call<PlaceView>('POST', 'places', { path: place });
    await server.call('POST', 'scans');
    await server.call('POST', 'scans/stop');
    const { scans } = (await server.call<{ scans: ScanView[] }>('GET', 'scans')).body;
    const kept = (await catalog()).filter((p) => p.name.startsWith('Stopped')).length;
    expect(scans[0]).toMatchObject({ state: 'stopped', counts: { arrived: kept, gone: 0 } });
    expect(kept).toBeLessThan(300);
    await server.scan();
    expect((await catalog()).filter((p) => p.name.startsWith('Stopped'))).toHaveLength(300);
    expect((await lastFindings()).filter((f) => f.name.startsWith('Stopped'))).toHaveLength(
      300 - kept,
    );
    await server.call('DELETE', `places/${added.body.id}`);
  });
  it('enters circular links once and reads nothing outside the place', async () => {
    const place = newPlace();
    const outside = newPlace();
    writeBundle(place, 'ring/r.lv2', { uri: 'urn:r', name: 'Ring' });
    symlinkSync(place, join(place, 'ring', 'again'));
    writeFileSync(
      join(outside, 'secret.ttl'),
      '<urn:s> <http://usefulinc.com/ns/doap#name> "Secret" .',
    );
    mkdirSync(join(place, 's.lv2'));
    symlinkSync(join(outside, 'secret.ttl'), join(place, 's.lv2', 'more.ttl'));
    writeFileSync(
      join(place, 's.lv2', 'manifest.ttl'),
      '<urn:s> a <http://lv2plug.in/ns/lv2core#Plugin> ; <http://www.w3.org/2000/01/rdf-schema#seeAlso> <more.ttl> .',
    );
    await server.call('POST', 'places', { path: place });
    await server.scan();
    const found = await lastFindings();
    expect(found.filter((f) => f.name === 'Ring')).toHaveLength(1);
    expect(found.find((f) => f.path.endsWith('s.lv2'))?.problem).toMatchObject({
      code: 'outside-place',
    });
    expect(JSON.stringify(found)).not.toContain('Secret');
  });
  it('says a place is out of reach and does not call its plugins gone', async () => {
    const place = newPlace();
    const away = `${place}-away`;
    writeBundle(place, 'x.lv2', { uri: 'urn:x', name: 'Unplugged' });
    await server.call('POST', 'places', { path: place });
    await server.scan();
    renameSync(place, away);
    await server.scan();
    expect((await plugin('Unplugged')).copies[0]?.state).toBe('away');
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`)).toEqual(['away Unplugged']);
    expect(
      (await server.call<PlaceView[]>('GET', 'places')).body.find((p) => p.path === place)
        ?.reachable,
    ).toBe(false);
    renameSync(away, place);
    await server.scan();
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`)).toEqual([
      'returned Unplugged',
    ]);
    expect((await plugin('Unplugged')).copies[0]?.state).toBe('present');
  });
  it('leaves out a place that is switched off, and has its copies back when it is on again', async () => {
    await placeWith('Elsewhere');
    await placeWith('Unplugged');
    const place = (await server.call<PlaceView[]>('GET', 'places')).body.at(-1);
    const change = (body: object): Promise<Answer<unknown>> =>
      server.call('PATCH', `places/${place?.id ?? ''}`, body);
    expect((await change({ isOn: false })).status).toBe(200);
    await server.scan();
    expect((await plugin('Unplugged')).copies[0]?.state).toBe('away');
    await change({ isOn: true });
    await server.scan();
    expect((await plugin('Unplugged')).copies[0]?.state).toBe('present');
    expect(codes(await change({}))).toEqual(['field-invalid']);
    expect(codes(await change({ isOn: 'yes' }))).toEqual(['field-invalid']);
  });
  it('examines only the failed ones again, or everything, when asked', async () => {
    const place = newPlace();
    const bad = join(place, 'mend.lv2');
    writeBundle(place, 'fine.lv2', { uri: 'urn:fine', name: 'Fine' });
    mkdirSync(bad);
    writeFileSync(join(bad, 'manifest.ttl'), 'no Turtle');
    await server.call('POST', 'places', { path: place });
    await server.scan();
    writeBundle(place, 'mend.lv2', { uri: 'urn:mended', name: 'Mended' });
    writeBundle(place, 'fine.lv2', { uri: 'urn:fine', name: 'Fine', version: 9 });
    await server.scan('failed');
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`)).toEqual(['arrived Mended']);
    await server.scan('everything');
    expect((await lastFindings()).map((f) => `${f.sort} ${f.name}`)).toEqual(['updated Fine']);
  });
  it('sets a copy aside, neither examined nor in the catalog, until undo brings all back that was known', async () => {
    const place = await placeWith('Fine', 'Other');
    const before = await catalog();
    const fine = await plugin('Fine');
    const copies = fine.copies.map(({ id }) => id);
    await act({ act: 'set-aside', copies });
    expect((await catalog()).map(({ name }) => name)).toEqual(['Other']);
    writeBundle(place, 'fine.lv2', { uri: 'urn:fine', name: 'Fine', version: 9 });
    await server.scan('everything');
    expect((await catalog()).map(({ name }) => name)).toEqual(['Other']);
    expect(await lastFindings()).toEqual([]);
    expect((await server.call<AsideView[]>('GET', 'asides')).body).toEqual([
      { copy: copies[0], name: 'Fine', format: 'LV2', path: fine.copies[0]?.path },
    ]);
    await server.call('POST', 'undo');
    expect(await catalog()).toEqual(before);
    expect((await server.call<AsideView[]>('GET', 'asides')).body).toEqual([]);
    await server.call('POST', 'redo');
    expect((await catalog()).map(({ name }) => name)).toEqual(['Other']);
    await act({ act: 'restore', copies });
    expect(await catalog()).toEqual(before);
    expect(codes(await act({ act: 'restore', copies }))).toEqual(['unknown-record']);
    expect(codes(await act({ act: 'set-aside', copies: [uuid()] }))).toEqual(['unknown-record']);
  });
  it('sets one plugin of a file aside, and leaves the others of it', async () => {
    const place = newPlace();
    writeBundle(place, 'two.lv2', { uri: 'urn:one', name: 'One' });
    const more = readFileSync(join(place, 'two.lv2', 'manifest.ttl'), 'utf8');
    writeFileSync(
      join(place, 'two.lv2', 'manifest.ttl'),
      more +
        more
          .replaceAll(/^@prefix.*$/gm, '')
          .replaceAll('urn:one', 'urn:two')
          .replaceAll('One', 'Two'),
    );
    await server.call('POST', 'places', { path: place });
    await server.scan();
    expect((await catalog()).map(({ name }) => name)).toEqual(['One', 'Two']);
    const one = await plugin('One');
    await act({ act: 'set-aside', copies: one.copies.map(({ id }) => id) });
    await server.scan('everything');
    expect((await catalog()).map(({ name }) => name)).toEqual(['Two']);
    expect(await lastFindings()).toEqual([]);
  });
  it('is not asked for a set-aside copy by a redo when the copy is no more', async () => {
    const place = await placeWith('Fine');
    const broken = join(place, 'bad.lv2');
    mkdirSync(broken);
    writeFileSync(join(broken, 'manifest.ttl'), 'no Turtle');
    await server.scan();
    const failed = (await server.call<FindingView[]>('GET', 'copies/failed')).body;
    await act({ act: 'set-aside', copies: [failed[0]?.copy] });
    expect((await server.call<FindingView[]>('GET', 'copies/failed')).body).toEqual([]);
    await server.call('POST', 'undo');
    expect((await server.call<FindingView[]>('GET', 'copies/failed')).body).toEqual(failed);
    rmSync(broken, { recursive: true });
    await server.scan();
    expect((await server.call('POST', 'redo')).status).toBe(200);
    expect((await server.call<AsideView[]>('GET', 'asides')).body).toEqual([]);
  });
  it('looks again by itself some seconds after something changed in a watched place', async () => {
    const place = newPlace();
    const added = await server.call<PlaceView>('POST', 'places', { path: place });
    await server.call('PATCH', `places/${added.body.id}`, { isWatched: true });
    await new Promise((resolve) => setTimeout(resolve, 300));
    writeBundle(place, 'w.lv2', { uri: 'urn:watched', name: 'Watched' });
    for (let i = 0; i < 60 && !(await catalog()).some((p) => p.name === 'Watched'); i += 1) {
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    expect((await plugin('Watched')).copies).toHaveLength(1);
    await server.call('PATCH', `places/${added.body.id}`, { isWatched: false });
  });
  it('says at the next start that a scan was interrupted when the program was killed in the middle of it', async () => {
    await placeWith('Birch');
    await server.pretendKilledScan();
    expect((await server.call<{ scans: ScanView[] }>('GET', 'scans')).body.scans[0]?.state).toBe(
      'interrupted',
    );
  });
});

describe('the order', () => {
  let folderId = '';
  const smartId = uuid();
  beforeEach(async () => {
    folderId = uuid();
    await placeWith('Birch');
  });
  const addEchoes = async (): Promise<Answer<OrderStep>> =>
    act({
      act: 'add-folder',
      id: folderId,
      cabinet: await cabinet(),
      parent: null,
      form: 'folder',
      name: 'Echoes',
      rule: null,
      before: null,
    });
  const cabinet = async (): Promise<string> =>
    (await order()).records.find((r) => r.table === 'cabinet')?.id ?? '';
  const inFolder = async (folder: string): Promise<string[]> =>
    (await order()).records
      .filter((r) => r.table === 'placement' && r.folder === folder)
      .map((r) => r.id);

  it('is changed by acts, each with what undoes it, also after a restart', async () => {
    const birch = await plugin('Birch');
    expect((await addEchoes()).body.words).toBe('Create the folder Echoes');
    const filed = await act({
      act: 'file',
      folder: folderId,
      plugins: [{ placement: uuid(), plugin: birch.id }],
      before: null,
    });
    expect(filed.body.words).toBe('File Birch in Echoes');
    await act({ act: 'name', plugin: birch.id, nickname: 'Whip', slotLabel: null });
    await server.restart();
    expect((await order()).undo).toBe('Call Birch Whip');
    expect((await server.call<OrderStep>('POST', 'undo')).body.words).toBe(
      'Undone: Call Birch Whip',
    );
    expect((await server.call<OrderStep>('POST', 'undo')).body.words).toBe(
      'Undone: File Birch in Echoes',
    );
    expect(await inFolder(folderId)).toEqual([]);
    await server.restart();
    expect((await server.call<OrderStep>('POST', 'redo')).body.words).toBe(
      'Redone: File Birch in Echoes',
    );
    expect(await inFolder(folderId)).toHaveLength(1);
  });
  it('brings back a removed folder with all that was in it', async () => {
    await addEchoes();
    const sub = uuid();
    const birch = await plugin('Birch');
    await act({
      act: 'add-folder',
      id: sub,
      cabinet: await cabinet(),
      parent: folderId,
      form: 'folder',
      name: 'Short',
      rule: null,
      before: null,
    });
    await act({
      act: 'file',
      folder: sub,
      plugins: [{ placement: uuid(), plugin: birch.id }],
      before: null,
    });
    const before = (await order()).records.map((r) => r.id).sort();
    await act({ act: 'remove-folder', folder: folderId });
    expect(await inFolder(sub)).toEqual([]);
    await server.call('POST', 'undo');
    expect((await order()).records.map((r) => r.id).sort()).toEqual(before);
  });
  it('refuses what cannot be done, says why, and changes nothing', async () => {
    await addEchoes();
    const before = await order();
    const at = await cabinet();
    const rule = {
      cards: [{ lines: [{ field: 'name', relation: 'has', values: ['ring'] }] }],
      never: [],
    };
    await act({
      act: 'add-folder',
      id: smartId,
      cabinet: at,
      parent: null,
      form: 'smart',
      name: 'Rings',
      rule,
      before: null,
    });
    await placeWith('Ring');
    const ring = await plugin('Ring');
    expect(
      codes(
        await act({
          act: 'file',
          folder: smartId,
          plugins: [{ placement: uuid(), plugin: ring.id }],
          before: null,
        }),
      ),
    ).toEqual(['holds-no-plugins']);
    expect(
      codes(
        await act({
          act: 'file',
          folder: folderId,
          plugins: [{ placement: uuid(), plugin: uuid() }],
          before: null,
        }),
      ),
    ).toEqual(['unknown-record']);
    expect(
      codes(await act({ act: 'move-folder', folder: folderId, parent: folderId, before: null })),
    ).toEqual(['inside-itself']);
    expect(codes(await act({ act: 'rename-folder', folder: folderId, name: '   ' }))).toEqual([
      'name-empty',
    ]);
    const bad = await act({
      act: 'add-folder',
      id: 'not an id',
      cabinet: at,
      parent: null,
      form: 'chest',
      name: 'x'.repeat(500),
      rule: null,
      before: null,
    });
    expect((bad.body as unknown as Refusal).problems.map((p) => p.at).sort()).toEqual([
      'form',
      'id',
      'name',
    ]);
    expect((await order()).revision).toBe(before.revision + 1);
  });
  it('is told to every open window', async () => {
    await addEchoes();
    const heard = new Promise<string>((resolve, reject) => {
      const stream = request(
        `${server.address}/api/computers/${server.computer}/events`,
        (response) => {
          let text = '';
          response.on('data', (chunk: Buffer) => {
            text += chunk.toString();
            if (text.includes('"event":"order"')) {
              stream.destroy();
              resolve(text);
            }
          });
          act({ act: 'rename-folder', folder: folderId, name: 'Told' }).catch(reject);
        },
      );
      stream.on('error', () => undefined).end();
      setTimeout(() => {
        reject(new Error('nothing was heard'));
      }, 20_000).unref();
    });
    expect(await heard).toContain('Rename Echoes to Told');
  });
  it('keeps what the user made of a plugin that goes and comes back at another path', async () => {
    await addEchoes();
    const place = newPlace();
    const bundle = writeBundle(place, 'm.lv2', { uri: 'urn:m', name: 'Migrant' });
    await server.call('POST', 'places', { path: place });
    await server.scan();
    const migrant = await plugin('Migrant');
    await act({
      act: 'file',
      folder: folderId,
      plugins: [{ placement: uuid(), plugin: migrant.id }],
      before: null,
    });
    renameSync(bundle, `${place}-aside`);
    await server.scan();
    expect((await plugin('Migrant')).copies[0]?.state).toBe('gone');
    mkdirSync(join(place, 'new'));
    renameSync(`${place}-aside`, join(place, 'new', 'm.lv2'));
    await server.scan();
    expect(await plugin('Migrant')).toMatchObject({
      id: migrant.id,
      copies: [{ state: 'present', path: join(place, 'new', 'm.lv2') }],
    });
    expect(
      (await order()).records.some((r) => r.table === 'placement' && r.plugin === migrant.id),
    ).toBe(true);
  });
});

describe('the practice session', () => {
  it('takes a plugin into a slot, records the load, and refuses what does not fit', async () => {
    const place = await placeWith('Alder', 'Birch');
    rmSync(join(place, 'alder.lv2'), { recursive: true });
    await server.scan();
    const session = (await server.call<SessionView>('GET', 'session')).body;
    const track = session.tracks.find((t) => t.sort === 'track');
    const instrument = session.tracks.find((t) => t.sort === 'instrument');
    const birch = await plugin('Birch');
    const alder = await plugin('Alder');
    const load = (at: string | undefined, id: string): Promise<Answer<SessionView>> =>
      server.call<SessionView>('POST', 'session/loads', {
        track: at,
        index: 0,
        plugin: id,
        copy: null,
        typed: 'bi',
        keys: 3,
        took: 900,
      });
    const loaded = await load(track?.id, birch.id);
    expect(loaded.body.tracks.find((t) => t.id === track?.id)?.slots.map((s) => s.plugin)).toEqual([
      birch.id,
    ]);
    expect(codes(await load(instrument?.id, birch.id))).toEqual(['cannot-load']);
    expect(codes(await load(track?.id, alder.id))).toEqual(['cannot-load']);
    await server.call(
      'DELETE',
      `session/slots/${loaded.body.tracks.find((t) => t.id === track?.id)?.slots[0]?.id ?? ''}`,
    );
    expect(
      (await server.call<SessionView>('GET', 'session')).body.tracks.flatMap((t) => t.slots),
    ).toEqual([]);
  });
  it('counts loads in SQL as core does', async () => {
    await placeWith('Ring');
    const ring = await plugin('Ring');
    const now = Date.now();
    const ages = [0.5, 3, 30, 200].map((days) => days * 86_400_000);
    const loads = ages.map((age) => ({
      plugin: ring.id,
      at: new Date(now - age).toISOString(),
      track: 'bus',
      after: null,
    }));
    expect((await server.call('POST', 'loads', { loads })).status).toBe(200);
    const usage = (await server.call<Usage[]>('GET', 'usage')).body.find(
      (u) => u.plugin === ring.id,
    );
    expect(usage?.loads).toBe(4);
    expect(usage?.warmth).toBeCloseTo(
      warmth(
        ages.map((age) => now - age),
        now,
      ),
      4,
    );
    expect(
      codes(await server.call('POST', 'loads', { loads: [{ ...loads[0], plugin: uuid() }] })),
    ).toEqual(['unknown-record']);
  });
  it.each(['usage', 'habits'])('sends %s again only when something was loaded', async (what) => {
    await placeWith('Ring');
    const ring = await plugin('Ring');
    const load = (): Promise<unknown> =>
      server.call('POST', 'loads', {
        loads: [{ plugin: ring.id, at: new Date().toISOString(), track: 'bus', after: ring.id }],
      });
    // By this a browser asks whether what it has is still so.
    const tag = async (): Promise<string | null> =>
      (await fetch(`${server.address}/api/computers/${server.computer}/${what}`)).headers.get(
        'ETag',
      );
    await load();
    const before = await tag();
    expect(before).not.toBeNull();
    expect(await tag()).toBe(before);
    await load();
    expect(await tag()).not.toBe(before);
  });
});
