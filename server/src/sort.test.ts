/**
 * Sorting through the API: answers, joining, parting, spellings, pictures; all undone, all kept
 * over scans and restarts.
 */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import sharp from 'sharp';
import type { Act } from '@clever-drawer/core/acts';
import type { CatalogView, OrderStep, OrderView, PluginView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Usage } from '@clever-drawer/core/loading';
import type { SortView } from '@clever-drawer/core/studio';
import { newPlace, ownerOf, startTestServer, writeBundle, type TestServer } from './testing.ts';

describe('sorting', () => {
  const place = newPlace();
  let server: TestServer;
  const catalog = async (): Promise<readonly Plugin[]> =>
    (await server.call<CatalogView>('GET', 'catalog')).body.plugins;
  const named = async (name: string): Promise<Plugin> => {
    const found = (await catalog()).find((plugin) => plugin.name === name);
    if (!found) {
      throw new Error(`no ${name} among ${(await catalog()).map((p) => p.name).join(', ')}`);
    }
    return found;
  };
  const names = async (): Promise<string[]> =>
    (await catalog()).map((plugin) => plugin.name).sort();
  const act = (body: object) => server.call<OrderStep>('POST', 'acts', body);
  const undo = () => server.call<OrderStep>('POST', 'undo');
  const bundle = (
    file: string,
    name: string,
    vendor: string,
    more: { class?: string } = {},
  ): string =>
    writeBundle(place, `${file}.lv2`, { uri: `urn:${file}`, name, vendor, audio: true, ...more });

  beforeAll(async () => {
    server = await startTestServer();
  });
  beforeEach(async () => {
    await server.freshComputer();
    bundle('kelp-mono', 'Kelp Verb (mono)', 'Osier', { class: 'ReverbPlugin' });
    bundle('kelp-stereo', 'Kelp Verb (stereo)', 'OSIER Ltd.', { class: 'ReverbPlugin' });
    bundle('silt', 'Silt', 'Quoin', { class: 'Plugin' });
    bundle('silt-again', 'Silt Again', 'Quoinn', { class: 'Plugin' });
    for (const word of ['One', 'Two', 'Three', 'Four']) {
      bundle(`marl-${word}`, `Marlwick ${word}`, 'Osier', { class: 'Plugin' });
    }
    await server.call('POST', 'places', { path: place });
    await server.scan();
  });
  afterAll(async () => {
    await server.stop();
    rmSync(place, { recursive: true });
  });

  it('makes one plugin of mono and stereo versions and one vendor of its spellings, and asks about the near miss', async () => {
    expect(await names()).toEqual([
      'Kelp Verb',
      'Marlwick Four',
      'Marlwick One',
      'Marlwick Three',
      'Marlwick Two',
      'Silt',
      'Silt Again',
    ]);
    expect(await named('Kelp Verb')).toMatchObject({
      vendor: 'Osier',
      types: ['reverb'],
      copies: [{}, {}],
    });
    const { body } = await server.call<SortView>('GET', 'sort');
    expect(body.near).toEqual([{ a: 'Quoin', b: 'Quoinn', reason: 'they differ by one letter' }]);
    expect(body.grounds.map((one) => one.plugin)).toContain((await named('Silt')).id);
  });

  it('takes an answer over what was read, teaches the series, and undoes both', async () => {
    const plugins = [
      await named('Marlwick One'),
      await named('Marlwick Two'),
      await named('Marlwick Three'),
    ].map((plugin) => plugin.id);
    expect(
      (await act({ act: 'answer', say: [{ plugins, set: { types: ['delay/tape-echo'] } }] })).body
        .words,
    ).toBe('Say that 3 plugins are Tape echo');
    expect((await named('Marlwick Four')).types).toEqual(['delay/tape-echo']);
    expect((await named('Marlwick One')).kind).toBe('effect');
    await undo();
    expect((await named('Marlwick Four')).types).toEqual([]);
  });

  it('joins two plugins with their folders and loads, keeps them joined over scans and a restart, and undoes it', async () => {
    const silt = await named('Silt');
    const again = await named('Silt Again');
    const order = (await server.call<OrderView>('GET', 'order')).body;
    const favourites = order.records.find((record) => record.table === 'folder');
    await act({
      act: 'file',
      folder: favourites?.id,
      plugins: [{ placement: randomUUID(), plugin: again.id }],
      before: null,
    });
    await server.call('POST', 'loads', {
      loads: [{ plugin: again.id, at: '2026-01-02T10:00:00Z', track: 'track', after: null }],
    });
    expect((await act({ act: 'join', into: ownerOf(silt), from: [ownerOf(again)] })).status).toBe(
      200,
    );
    expect(await names()).not.toContain('Silt Again');
    await server.scan('everything');
    await server.restart();
    const joined = await named('Silt');
    expect([joined.id, joined.copies.length]).toEqual([silt.id, 2]);
    expect((await server.call<Usage[]>('GET', 'usage')).body).toMatchObject([
      { plugin: silt.id, loads: 1 },
    ]);
    const placed = (await server.call<OrderView>('GET', 'order')).body.records.filter(
      (record) => record.table === 'placement',
    );
    expect(placed).toMatchObject([{ plugin: silt.id }]);
    await undo();
    expect((await named('Silt Again')).id).toBe(again.id);
    expect((await server.call<Usage[]>('GET', 'usage')).body).toMatchObject([{ plugin: again.id }]);
  });

  it('parts a copy into a plugin of its own, and undo and redo follow', async () => {
    const kelp = await named('Kelp Verb');
    const part: Act = {
      act: 'part',
      copies: [kelp.copies[0]!.id],
      from: ownerOf(kelp),
      plugin: randomUUID() as Plugin['id'],
    };
    expect((await act(part)).status).toBe(200);
    expect(await names()).toEqual(
      expect.arrayContaining(['Kelp Verb (mono)', 'Kelp Verb (stereo)']),
    );
    await server.scan();
    expect(await names()).toHaveLength(8);
    await undo();
    expect((await named('Kelp Verb')).copies).toHaveLength(2);
    await server.call('POST', 'redo');
    expect(await names()).toHaveLength(8);
    await undo();
  });

  it('refuses copies that are no longer there, types that are none, and changes nothing', async () => {
    const silt = await named('Silt');
    const again = await named('Silt Again');
    expect(
      (
        await act({
          act: 'join',
          into: ownerOf(silt),
          from: [{ plugin: again.id, copies: ownerOf(silt).copies }],
        })
      ).status,
    ).toBe(404);
    expect(
      (await act({ act: 'answer', say: [{ plugins: [silt.id], set: { types: ['no/type'] } }] }))
        .status,
    ).toBe(400);
    expect(
      (await act({ act: 'answer', say: [{ plugins: [silt.id], set: { picture: randomUUID() } }] }))
        .status,
    ).toBe(404);
    expect(
      (await server.call<OrderView>('GET', 'order')).body.records.filter(
        (r) => r.table === 'answer' || r.table === 'copy-assignment',
      ),
    ).toEqual([]);
  });

  it('gives a spelling to the vendor the user says, also when another copy of it arrives', async () => {
    await act({
      act: 'spell',
      say: [
        {
          vendor: 'Quoin',
          spellings: [
            { id: randomUUID(), spelling: 'Quoinn' },
            { id: randomUUID(), spelling: 'Quoin' },
          ],
        },
      ],
    });
    expect((await named('Silt Again')).vendor).toBe('Quoin');
    bundle('late', 'Late Arrival', 'QUOINN');
    await server.scan();
    expect((await named('Late Arrival')).vendor).toBe('Quoin');
    expect((await server.call<SortView>('GET', 'sort')).body.near).toEqual([]);
  });

  it('keeps what was said of a plugin while it is gone', async () => {
    const silt = await named('Silt');
    await act({
      act: 'answer',
      say: [
        {
          plugins: [silt.id],
          set: {
            notes: 'for the eel',
            isHidden: true,
            licence: { state: 'trial', until: '2026-12-31' },
          },
        },
      ],
    });
    rmSync(`${place}/silt.lv2`, { recursive: true });
    await server.scan();
    expect((await named('Silt')).copies[0]?.state).toBe('gone');
    bundle('silt', 'Silt', 'Quoin', { class: 'Plugin' });
    await server.scan();
    const answer = (await server.call<OrderView>('GET', 'order')).body.records.find(
      (record) => record.table === 'answer',
    );
    expect(answer).toMatchObject({
      id: silt.id,
      notes: 'for the eel',
      isHidden: true,
      licence: { state: 'trial', until: '2026-12-31' },
    });
  });

  it('takes in a picture, made small and anew, and says what is none', async () => {
    const at = `${server.address}/api/computers/${server.computer}/pictures`;
    const silt = await named('Silt');
    const send = (body: BodyInit): Promise<Response> =>
      fetch(at, { method: 'POST', body, headers: { 'Content-Type': 'application/octet-stream' } });
    const png = await sharp({
      create: { width: 1200, height: 300, channels: 3, background: '#a67a22' },
    })
      .withExif({ IFD0: { Copyright: 'secret' } })
      .png()
      .toBuffer();
    const made = await send(new Uint8Array(png));
    const { id } = (await made.json()) as { id: string };
    expect(made.status).toBe(201);
    const kept = Buffer.from(await (await fetch(`${at}/${id}`)).arrayBuffer());
    const facts = await sharp(kept).metadata();
    expect(facts).toMatchObject({ format: 'webp', width: 640, height: 160 });
    expect(facts.exif).toBeUndefined();
    expect(
      (await act({ act: 'answer', say: [{ plugins: [silt.id], set: { picture: id } }] })).status,
    ).toBe(200);
    const refused = await send('GIF89a but no picture');
    expect([
      refused.status,
      ((await refused.json()) as { problems: { message: string }[] }).problems[0]?.message,
    ]).toEqual([415, expect.stringContaining('PNG')]);
  });

  it('tells all that is known of one plugin', async () => {
    const kelp = await named('Kelp Verb');
    const { body } = await server.call<PluginView>('GET', `plugins/${kelp.id}`);
    expect(body.copies.map((copy) => copy.facts.name)).toEqual([
      'Kelp Verb (mono)',
      'Kelp Verb (stereo)',
    ]);
    expect(body.grounds?.sameBecause).toContain('their names are the same');
    expect(body.findings.map((finding) => finding.sort)).toContain('arrived');
    expect((await server.call('GET', `plugins/${randomUUID()}`)).status).toBe(404);
  });
});
