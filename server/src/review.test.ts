/** What a review is made of, and its figures against PostgreSQL's own. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import {
  reviewPart,
  usesIn,
  wholeReview,
  type CatalogView,
  type Plugin,
  type PutOff,
  type OrderView,
  type OwnReview,
  type SessionView,
  type UseReview,
  type ReviewSource,
} from '@clever-drawer/core';
import { newPlace, ownerOf, startTestServer, writeBundle, type TestServer } from './testing.ts';

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
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
  await server.scan();
});
afterAll(async () => {
  await server.stop();
});

const plugins = async (): Promise<readonly Plugin[]> =>
  (await server.call<CatalogView>('GET', 'catalog')).body.plugins;
const source = async (): Promise<ReviewSource> =>
  (await server.call<ReviewSource>('GET', 'review')).body;

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

async function review(now = Date.UTC(2027, 0, 1)): Promise<UseReview & OwnReview> {
  const { loads, comings, sessions } = await source();
  const material = {
    plugins: (await plugins()).map((plugin) => ({
      ...plugin,
      isHidden: false,
      hasNickname: false,
      trialEnds: null,
    })),
    chains: [],
    folders: [],
    formatOrder: [],
    uses: usesIn(loads),
    comings,
    sessions,
  };
  const wish = wholeReview(now);
  return { ...reviewPart.use(material, wish), ...reviewPart.own(material, wish) };
}

describe('a review', () => {
  it('has the figures that SQL has', async () => {
    await load();
    const { byTrack, keys, pairs, groups, letters } = await review();
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
    expect((await source()).comings).toEqual([]);
    rmSync(join(place, '0.lv2'), { recursive: true });
    writeBundle(place, '1.lv2', {
      uri: 'urn:plugin:1',
      name: 'Brine Gate',
      vendor: 'Saltglass',
      version: 7,
    });
    writeBundle(place, 'new.lv2', {
      uri: 'urn:plugin:new',
      name: 'Eider Wash',
      vendor: 'Saltglass',
    });
    await server.scan();
    const nameOf = new Map((await plugins()).map(({ id, name }) => [id as string, name]));
    const told = (await source()).comings.map(
      ({ plugin, what }) => `${nameOf.get(plugin) ?? ''} ${what}`,
    );
    expect(told.sort()).toEqual(['Alder Tone went', 'Brine Gate updated', 'Eider Wash came']);
  });

  it('says which sessions ask for a copy', async () => {
    const [first] = await plugins();
    const copy = first?.copies[0];
    const session = await server.call<{ tracks: { id: string }[] }>('GET', 'session');
    await server.call('POST', 'session/loads', {
      track: session.body.tracks[0]?.id,
      index: 0,
      plugin: first?.id,
      copy: copy?.id,
      typed: '',
      keys: 1,
      took: null,
    });
    expect((await server.call('POST', 'sessions', { name: 'Gulls' })).status).toBe(201);
    const { sessions } = await source();
    expect(sessions.find(({ session: name }) => name === 'Gulls')?.copies).toEqual([copy?.id]);
  });

  it('tells loads anew once there are others, they count for another plugin, or are forgotten', async () => {
    const counts = async (): Promise<Record<string, number>> => {
      const counted: Record<string, number> = {};
      for (const { plugin } of usesIn((await source()).loads)) {
        counted[plugin] = (counted[plugin] ?? 0) + 1;
      }
      return counted;
    };
    expect(await counts()).toEqual({});
    await load();
    const apart = await counts();
    expect(Object.values(apart).reduce((sum, times) => sum + times)).toBe(400);
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
    const { [from.id]: moved = 0, ...others } = apart;
    expect(moved).toBeGreaterThan(0);
    expect(await counts()).toEqual({ ...others, [into.id]: (apart[into.id] ?? 0) + moved });
    await server.call('POST', 'undo');
    expect(await counts()).toEqual(apart);
    await server.call('DELETE', 'loads');
    expect(await counts()).toEqual({});
  });

  it('tells no loads where nothing is learnt', async () => {
    await load();
    await server.call('PATCH', 'habits', { isLearning: false });
    const { isLearning, loads } = await source();
    expect([isLearning, loads.plugin]).toEqual([false, []]);
  });

  it('keeps what was put off over a restart, and tells it again when asked', async () => {
    const until = '2026-12-24T00:00:00.000Z';
    await server.call('PUT', 'review/put-off', { what: 'retire', until });
    await server.call('PUT', 'review/put-off', { what: 'merge a b', until: null });
    await server.restart();
    const held = async (): Promise<PutOff> =>
      (await server.call<PutOff>('GET', 'review/put-off')).body;
    expect(await held()).toEqual({ retire: until, 'merge a b': null });
    await server.call('PUT', 'review/put-off', { what: 'retire' });
    expect(await held()).toEqual({ 'merge a b': null });
    const wrong = await server.call('PUT', 'review/put-off', { what: 'retire', until: 'soon' });
    expect(wrong.status).toBe(400);
  });

  it('knows the folder that was open when something was loaded', async () => {
    const { records } = (await server.call<OrderView>('GET', 'order')).body;
    const folder = records.find((record) => record.table === 'folder');
    const [plugin] = await plugins();
    const { tracks } = (await server.call<SessionView>('GET', 'session')).body;
    const loaded = await server.call('POST', 'session/loads', {
      track: tracks[0]?.id,
      index: 0,
      plugin: plugin?.id,
      copy: null,
      typed: '',
      keys: 2,
      took: null,
      folder: folder?.id,
    });
    expect(loaded.status).toBe(200);
    expect(usesIn((await source()).loads)).toMatchObject([
      { plugin: plugin?.id, folder: folder?.id },
    ]);
  });
});
