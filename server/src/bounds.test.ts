/** What comes from outside has bounds: too much, too deep, too odd ends in words and changes nothing. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { createSocket } from 'node:dgram';
import { randomUUID } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogView, HabitsView, OrderView, ScanView } from '@clever-drawer/core/api';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  await server.freshComputer();
});
afterAll(async () => {
  await server.stop();
});

const post = (path: string, body: string, headers: Record<string, string> = {}) =>
  fetch(`${server.address}/api/computers/${server.computer}/${path}`, {
    method: 'POST',
    body,
    headers: { 'Content-Type': 'application/json', ...headers },
  });

const firstCabinet = async (): Promise<string> =>
  (await server.call<OrderView>('GET', 'order')).body.records.find(
    (record) => record.table === 'cabinet',
  )?.id ?? '';

describe('a wrong request', () => {
  it.each([
    ['an unknown encoding', { 'Content-Encoding': 'snappy' }, '{}', 415],
    ['an unknown character set', { 'Content-Type': 'application/json; charset=koi8-r' }, '{}', 415],
    ['lists within lists', {}, `${'['.repeat(50_000)}${']'.repeat(50_000)}`, 400],
    ['records within records', {}, `${'{"a":'.repeat(20_000)}1${'}'.repeat(20_000)}`, 400],
    ['no JSON', {}, '{"act": ', 400],
    ['too much', {}, `{"name": "${'x'.repeat(5_000_000)}"}`, 413],
  ])('with %s is refused in words', async (_, headers, body, status) => {
    const response = await post('acts', body, headers);
    expect(response.status).toBe(status);
    const { problems } = (await response.json()) as { problems: { message: string }[] };
    expect(problems[0]?.message).toMatch(/./);
  });
  it.each(['/nothing', '/api/nothing', '/assets/nothing.js', '/%ff', '/file.php'])(
    'to %s is answered with 4xx',
    async (path) => {
      const { status } = await fetch(`${server.address}${path}`);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(500);
    },
  );
  it.each(['catalog', 'order', 'events', 'find?q=a'])(
    'about a computer that is none is unknown: %s',
    async (path) => {
      const address = `${server.address}/api/computers/${randomUUID()}/${path}`;
      expect((await fetch(address)).status).toBe(404);
    },
  );
  it('with thirty thousand faults keeps nobody else waiting for long', async () => {
    const plugins = Array.from({ length: 30_000 }, () => ({ placement: 1, plugin: 'x' }));
    const wrong = post('acts', JSON.stringify({ act: 'file', folder: 'x', before: 3, plugins }));
    const from = performance.now();
    await server.call('GET', 'order');
    const waited = performance.now() - from;
    expect((await wrong).status).toBe(400);
    expect(waited).toBeLessThan(3_000);
  });
  it.each(['1900-01-01T00:00:00Z', '+200000-01-01T00:00:00Z', '0000-01-01T00:00:00Z'])(
    'with a load of %s is refused, and habits go on',
    async (time) => {
      const place = newPlace();
      writeBundle(place, 'a.lv2', { uri: 'urn:a', name: 'Kelp' });
      await server.call('POST', 'places', { path: place });
      await server.scan();
      const plugin = (await server.call<CatalogView>('GET', 'catalog')).body.plugins[0]?.id;
      const loads = [{ plugin, after: null, track: 'track', at: time }];
      expect((await server.call('POST', 'loads', { loads })).status).toBe(400);
      expect((await server.call<HabitsView>('GET', 'habits')).status).toBe(200);
    },
  );
});

describe('texts that cannot be kept', () => {
  it.each(['a\u0000b', '\ud800', 'x\udfff', '\u001b[2J'])(
    'are refused with where they are: %j',
    async (name) => {
      const body = {
        act: 'add-folder',
        id: randomUUID(),
        cabinet: await firstCabinet(),
        parent: null,
        form: 'folder',
        name,
        rule: null,
        before: null,
      };
      expect(await server.call('POST', 'acts', body)).toMatchObject({
        status: 400,
        body: { problems: [{ at: 'name' }] },
      });
    },
  );
  it('may be typed as letters', async () => {
    const body = {
      act: 'add-folder',
      id: randomUUID(),
      cabinet: await firstCabinet(),
      parent: null,
      form: 'folder',
      name: 'the escape \\u0000 and \\ud800',
      rule: null,
      before: null,
    };
    expect((await server.call('POST', 'acts', body)).status).toBe(200);
  });
});

/** A bundle whose description says what is given, escaped as Turtle and JSON have it. */
function writeOdd(place: string, file: string, name: string, uri = `urn:${file}`): void {
  const bundle = join(place, file);
  mkdirSync(bundle, { recursive: true });
  writeFileSync(
    join(bundle, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
<${uri}> a lv2:Plugin ; doap:name "${name}" .
`,
  );
}

describe('an odd file', () => {
  const oddities: [string, (place: string) => void][] = [
    ['a NUL in a name', (place) => writeOdd(place, 'odd.lv2', 'Ec\\u0000ho')],
    ['half a character in a name', (place) => writeOdd(place, 'odd.lv2', 'Echo \\uD800')],
    ['a NUL in an identity', (place) => writeOdd(place, 'odd.lv2', 'Echo', 'urn:\\u0000odd')],
    [
      'an identity of megabytes',
      (place) => writeOdd(place, 'odd.lv2', 'Echo', `urn:${'long/'.repeat(300_000)}`),
    ],
    ['a name of megabytes', (place) => writeOdd(place, 'odd.lv2', 'Echo '.repeat(300_000))],
    [
      'a name cut through a character',
      (place) => writeOdd(place, 'odd.lv2', `${'e'.repeat(999)}🌿`),
    ],
    ['control characters in its path', (place) => writeOdd(place, 'o\u0001d\u001bd.lv2', 'Echo')],
    ['a path of its own length', (place) => writeOdd(place, deepPath(), 'Echo')],
  ];
  const deepPath = (): string =>
    [...Array.from({ length: 8 }, () => 'd'.repeat(250)), 'odd.lv2'].join('/');
  it.each(oddities)('with %s stops nothing', async (_, write) => {
    const place = newPlace();
    writeBundle(place, 'sound.lv2', { uri: 'urn:sound', name: 'Sound' });
    write(place);
    await server.call('POST', 'places', { path: place });
    await server.scan();
    const { scans } = (await server.call<{ scans: ScanView[] }>('GET', 'scans')).body;
    expect(scans[0]).toMatchObject({ state: 'done' });
    const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
    expect(plugins.map((plugin) => plugin.name)).toContain('Sound');
    expect((scans[0]?.counts.arrived ?? 0) + (scans[0]?.counts.failed ?? 0)).toBe(2);
  });
});

describe('an OSC message', () => {
  it('from the port of the server itself is not answered, and the next one is', async () => {
    const socket = createSocket('udp4');
    await new Promise<void>((resolve) => socket.bind(0, '127.0.0.1', resolve));
    const heard = new Promise<string>((resolve) => {
      socket.once('message', (bytes) => {
        resolve(bytes.toString('latin1'));
      });
    });
    socket.send(Buffer.from([0xff, 0, 1]), server.oscPort, '127.0.0.1');
    expect(await heard).toContain('/clever-drawer/refused');
    socket.close();
  });
});

describe('a request about directories', () => {
  it.each(['/etc', '/usr/share', '/boot', '/proc/self'])(
    'is told no names in one that was not named: %s',
    async (text) => {
      const incoming = { form: 'tree', text, how: 'add', choices: {} };
      const { status, body } = await server.call<{ problems: { code: string }[] }>(
        'POST',
        'document/preview',
        incoming,
      );
      expect([status, body.problems[0]?.code]).toEqual([422, 'directory-refused']);
    },
  );
  it.each(['/etc/shelf', '/proc/x', '/usr/share/shelf'])(
    'writes no shelf and no backups where the system is: %s',
    async (directory) => {
      const cabinet = await firstCabinet();
      const shelf = await server.call('PUT', 'shelf', { cabinet, directory, hasFigures: true });
      const backups = await fetch(`${server.address}/api/backups`, {
        method: 'PUT',
        body: JSON.stringify({ directory, keep: 2 }),
        headers: { 'Content-Type': 'application/json' },
      });
      expect([shelf.status, backups.status]).toEqual([422, 422]);
    },
  );
});

describe('a spelling', () => {
  it('that is longer than any index takes is refused in words', async () => {
    // No repetition: what repeats is packed until it fits.
    const spelling = Array.from({ length: 4_000 }, () =>
      String.fromCodePoint(0x4e00 + Math.floor(Math.random() * 20_000)),
    ).join('');
    const { status, body } = await server.call<{ problems: { message: string }[] }>(
      'POST',
      'acts',
      {
        act: 'spell',
        spellings: [{ id: randomUUID(), spelling }],
        vendor: 'Quoin',
      },
    );
    expect(status).toBe(400);
    expect(body.problems[0]?.message).toMatch(/./);
  });
});
