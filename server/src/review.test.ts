/** What a review is made of, and its figures against PostgreSQL's own. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type {
  CatalogView,
  PutOff,
  OrderView,
  Refusal,
  SessionView,
  WorkedReview,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { ReviewPart, ReviewParts } from '@clever-drawer/core/review';
import { newPlace, ownerOf, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
let place: string;
const names = ['Alder Tone', 'Brine Gate', 'Cobble Air', 'Dunlin Verb'];
const vendors = ['Saltglass', 'Mothlight', 'Fathom Loft', 'Pale Harbour'];

beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  place = newPlace();
  for (const [at, name] of names.entries()) {
    const vendor = vendors[at] ?? '';
    writeBundle(place, `${at}.lv2`, { uri: `urn:plugin:${at}`, name, vendor });
  }
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
  await server.scan();
});
afterAll(async () => {
  await server.stop();
});

const plugins = async (): Promise<readonly Plugin[]> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;

/** Four hundred loads of a year, always the same. */
async function load(): Promise<void> {
  const ids = (await plugins()).map(({ id }) => id);
  const tracks = ['track', 'bus', 'final'] as const;
  const begin = Date.UTC(2026, 0, 3);
  const loads = Array.from({ length: 400 }, (_, n) => ({
    plugin: ids[(n * n + n) % 3],
    at: new Date(begin + n * 19 * 3_600_000).toISOString(),
    track: tracks[n % 3],
    after: n % 4 === 0 ? null : ids[(n * 7) % 4],
    typed: 'abc'.slice(0, (n % 3) + 1),
    keys: 2 + ((n * 5) % 7),
    took: 300 + n,
  }));
  expect((await server.call('POST', 'loads', { loads })).status).toBe(200);
}

const file = async (plugin?: string, folder?: string): Promise<number> => {
  const placed = [{ placement: randomUUID(), plugin }];
  const body = { act: 'file', folder, plugins: placed, before: null };
  return (await server.call('POST', 'acts', body)).status;
};

/** A part of the review of everything, from the beginning, as it is now. */
async function view<P extends ReviewPart>(part: P, more = ''): Promise<ReviewParts[P]> {
  const address = `review?part=${part}&period=all${more}`;
  const { status, body } = await server.call<WorkedReview>('GET', address);
  const worked = body.review[part];
  if (status !== 200 || worked === undefined) {
    throw new Error(JSON.stringify(body));
  }
  return worked;
}

describe('a review', () => {
  it('has the figures that SQL has', async () => {
    await load();
    const { byTrack, keys, pairs, letters } = await view('use');
    const { groups } = await view('own');
    const of = [server.computer];
    const [counted] = await server.query<{ loads: number }>(
      'SELECT count(*)::int loads FROM load WHERE computer_id = $1',
      of,
    );
    expect(groups.reduce((sum, group) => sum + group.loads, 0)).toBe(counted?.loads);
    const months = await server.query<{ month: string; row: string; loads: number }>(
      `SELECT to_char(at AT TIME ZONE 'UTC', 'YYYY-MM') "month", track "row", count(*)::int loads
        FROM load WHERE computer_id = $1 GROUP BY 1, 2 ORDER BY 1, 2`,
      of,
    );
    const ours = byTrack.cells
      .map(({ month, row, loads: times }) => ({ month, row, loads: times }))
      .sort((a, b) => (`${a.month} ${a.row}` < `${b.month} ${b.row}` ? -1 : 1));
    expect(ours).toEqual(months);
    const byMonth = await server.query<{ keys: number; median: number; seconds: number }>(
      `SELECT avg(keys)::float8 keys, percentile_cont(0.5) WITHIN GROUP (ORDER BY keys) median,
          avg(took)::float8 / 1000 seconds
        FROM load WHERE computer_id = $1 GROUP BY date_trunc('month', at AT TIME ZONE 'UTC')
        ORDER BY date_trunc('month', at AT TIME ZONE 'UTC')`,
      of,
    );
    expect(keys).toHaveLength(byMonth.length);
    for (const [at, month] of byMonth.entries()) {
      expect(keys[at]?.keys).toBeCloseTo(month.keys, 9);
      expect(keys[at]?.median).toBe(month.median);
      expect(keys[at]?.seconds).toBeCloseTo(month.seconds, 9);
    }
    const behind = await server.query<{
      before: string;
      after: string;
      times: number;
      support: number;
      confidence: number;
      lift: number;
    }>(
      `WITH pair AS (SELECT after_plugin_id b, plugin_id a FROM load WHERE computer_id = $1
          AND after_plugin_id IS NOT NULL AND after_plugin_id <> plugin_id),
        total AS (SELECT count(*)::float8 n FROM pair),
        first AS (SELECT b, count(*)::float8 n FROM pair GROUP BY 1),
        second AS (SELECT a, count(*)::float8 n FROM pair GROUP BY 1)
      SELECT pair.b "before", pair.a "after", count(*)::int times, count(*) / total.n support,
          count(*) / first.n confidence, (count(*) / first.n) / (second.n / total.n) lift
        FROM pair JOIN first USING (b) JOIN second USING (a), total
        GROUP BY pair.b, pair.a, total.n, first.n, second.n HAVING count(*) >= 3`,
      of,
    );
    expect(pairs).toHaveLength(behind.length);
    for (const pair of behind) {
      const own = pairs.find(({ before, after }) => before === pair.before && after === pair.after);
      expect(own?.times).toBe(pair.times);
      expect(own?.support).toBeCloseTo(pair.support, 9);
      expect(own?.confidence).toBeCloseTo(pair.confidence, 9);
      expect(own?.lift).toBeCloseTo(pair.lift, 9);
    }
    const [used] = await server.query<{ used: number }>(
      'SELECT count(DISTINCT plugin_id)::int used FROM load WHERE computer_id = $1',
      of,
    );
    expect(groups.reduce((sum, group) => sum + group.used.length, 0)).toBe(used?.used);
    const typed = await server.query<{ letters: string; times: number }>(
      `SELECT typed letters, count(*)::int times FROM load WHERE computer_id = $1
        GROUP BY 1 ORDER BY 2 DESC, 1`,
      of,
    );
    expect(letters).toEqual(typed);
  });

  it('tells what came, went and was updated after the first scan', async () => {
    expect((await view('changes')).comings).toEqual([]);
    rmSync(join(place, '0.lv2'), { recursive: true });
    writeBundle(place, '1.lv2', {
      uri: 'urn:plugin:1',
      name: 'Brine Gate',
      vendor: 'Mothlight',
      version: 7,
    });
    writeBundle(place, 'new.lv2', {
      uri: 'urn:plugin:new',
      name: 'Eider Wash',
      vendor: 'Saltglass',
    });
    await server.scan();
    const nameOf = new Map((await plugins()).map(({ id, name }) => [id as string, name]));
    const { comings } = await view('changes');
    const named = (what: 'came' | 'went' | 'updated'): unknown[] =>
      comings.flatMap((month) => month[what].map((id) => nameOf.get(id)));
    expect([named('came'), named('went'), named('updated')]).toEqual([
      ['Eider Wash'],
      ['Alder Tone'],
      ['Brine Gate'],
    ]);
    expect(comings.map(({ month }) => month)).toEqual([new Date().toISOString().slice(0, 7)]);
  });

  it('says which sessions ask for an old copy', async () => {
    const [into, from] = await plugins();
    if (!into || !from) {
      throw new Error('four plugins were scanned');
    }
    await server.call('POST', 'acts', { act: 'join', into: ownerOf(into), from: [ownerOf(from)] });
    const old = from.copies[0]?.id;
    const versions = `UPDATE copy SET facts = facts || jsonb_build_object('version', $2::text) WHERE id = $1`;
    await server.query(versions, [old, '1.0']);
    await server.query(versions, [into.copies[0]?.id, '1.1']);
    const session = await server.call<{ tracks: { id: string }[] }>('GET', 'session');
    const loaded = await server.call('POST', 'session/loads', {
      track: session.body.tracks[0]?.id,
      index: 0,
      plugin: into.id,
      copy: old,
      typed: '',
      keys: 1,
      took: null,
    });
    expect(loaded.status).toBe(200);
    expect((await server.call('POST', 'sessions', { name: 'Gulls' })).status).toBe(201);
    const { retirable } = await view('own');
    expect(retirable.map(({ copy, by, ties }) => [copy, by.version, ties])).toEqual([
      [old, '1.1', ['session']],
    ]);
    expect(retirable[0]?.sessions).toContain('Gulls');
  });

  it('is another once there are other loads, they count for another plugin, or are forgotten', async () => {
    const counts = async (): Promise<Record<string, number>> => {
      const { makers } = await view('own');
      return Object.fromEntries(makers.cells.map(({ vendor, loads }) => [vendor, loads]));
    };
    expect(Object.values(await counts())).toEqual([0, 0, 0, 0]);
    await load();
    const separate = await counts();
    expect(Object.values(separate).reduce((sum, times) => sum + times)).toBe(400);
    const [into, , from] = await plugins();
    if (!into || !from) {
      throw new Error('four plugins were scanned');
    }
    const joined = await server.call('POST', 'acts', {
      act: 'join',
      into: ownerOf(into),
      from: [ownerOf(from)],
    });
    expect(joined.status).toBe(200);
    const { [from.vendor ?? '']: moved = 0, ...others } = separate;
    const stored = into.vendor ?? '';
    expect(moved).toBeGreaterThan(0);
    expect(await counts()).toEqual({ ...others, [stored]: (separate[stored] ?? 0) + moved });
    await server.call('POST', 'undo');
    expect(await counts()).toEqual(separate);
    await server.call('DELETE', 'loads');
    expect(Object.values(await counts())).toEqual([0, 0, 0, 0]);
  });

  it('is another one once something is filed, and tells of no loads once these are not learnt from', async () => {
    await load();
    const first = await view('worth');
    const [plugin] = await plugins();
    const { records } = (await server.call<OrderView>('GET', 'order')).body;
    const favourites = records.find(
      (record) => record.table === 'folder' && record.form === 'favourites',
    );
    expect(await file(plugin?.id, favourites?.id)).toBe(200);
    const filedNow = await view('worth');
    expect(filedNow).not.toEqual(first);
    await server.call('PATCH', 'habits', { isLearning: false });
    const answer = await server.call<WorkedReview>('GET', 'review?part=worth&period=all');
    expect(answer.body.isLearning).toBe(false);
    expect(answer.body.review.worth?.summary.join(' ')).not.toContain('400');
    expect(Object.values((await view('use')).dust.map(({ loads }) => loads))).toEqual([0]);
    await server.call('PATCH', 'habits', { isLearning: true });
    expect(await view('worth')).toEqual(filedNow);
  });

  it('looks at what the address says', async () => {
    await load();
    const loads = async (more: string): Promise<number> =>
      (await view('own', more)).groups.reduce((sum, group) => sum + group.loads, 0);
    const [plugin] = await plugins();
    const vendor = encodeURIComponent(plugin?.vendor ?? '');
    const [counted] = await server.query<{ all: number; track: number; plugin: number }>(
      `SELECT count(*)::int all, count(*) FILTER (WHERE track = 'bus')::int track,
          count(*) FILTER (WHERE plugin_id = $2)::int plugin
        FROM load WHERE computer_id = $1`,
      [server.computer, plugin?.id],
    );
    expect(await loads('')).toBe(counted?.all);
    expect(await loads('&track=bus')).toBe(counted?.track);
    expect(await loads(`&vendor=${vendor}`)).toBe(counted?.plugin);
    expect(await loads('&kind=instrument')).toBe(0);
  });

  it.each([
    ['part=everything', 'part'],
    ['period=all', 'part'],
    ['part=own&period=aeon', 'period'],
    ['part=own&kind=hat', 'kind'],
    ['part=own&cabinet=oak', 'cabinet'],
  ])('says what is wrong with an address that asks for %s', async (address, at) => {
    const { status, body } = await server.call<Refusal>('GET', `review?${address}`);
    expect([status, body.problems[0]?.at]).toEqual([400, at]);
  });

  it('keeps what was put off over a restart, and tells it again when asked', async () => {
    const until = '2026-12-24T00:00:00.000Z';
    await server.call('PUT', 'review/put-off', { what: 'retire', until });
    await server.call('PUT', 'review/put-off', { what: 'merge a b', until: null });
    await server.restart();
    const stored = async (): Promise<PutOff> =>
      (await server.call<PutOff>('GET', 'review/put-off')).body;
    expect(await stored()).toEqual({ retire: until, 'merge a b': null });
    await server.call('PUT', 'review/put-off', { what: 'retire' });
    expect(await stored()).toEqual({ 'merge a b': null });
    const wrong = await server.call('PUT', 'review/put-off', { what: 'retire', until: 'soon' });
    expect(wrong.status).toBe(400);
  });

  it('knows the folder that was open when something was loaded', async () => {
    const { records } = (await server.call<OrderView>('GET', 'order')).body;
    const favourites = records.find((record) => record.table === 'folder');
    const cabinet = records.find((record) => record.table === 'cabinet');
    const other = randomUUID();
    const added = await server.call('POST', 'acts', {
      act: 'add-folder',
      id: other,
      cabinet: cabinet?.id,
      parent: null,
      form: 'folder',
      name: 'Gulls',
      rule: null,
      before: null,
    });
    const [plugin] = await plugins();
    expect([added.status, await file(plugin?.id, other)]).toEqual([200, 200]);
    expect(await file(plugin?.id, favourites?.id)).toBe(200);
    const { tracks } = (await server.call<SessionView>('GET', 'session')).body;
    const loaded = await server.call('POST', 'session/loads', {
      track: tracks[0]?.id,
      index: 0,
      plugin: plugin?.id,
      copy: null,
      typed: '',
      keys: 2,
      took: null,
      folder: other,
    });
    expect(loaded.status).toBe(200);
    const { neverOpened } = (await view('order')).health;
    const first = neverOpened.map(({ folder }) => folder);
    expect([first.includes(favourites?.id ?? ''), first.includes(other)]).toEqual([true, false]);
  });
});
