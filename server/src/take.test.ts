/** Copies of a computer elsewhere, read in as that computer's scan. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import type {
  CatalogView,
  ComputerView,
  FindingView,
  Refusal,
  TakenView,
} from '@clever-drawer/core/api';
import { copiesEnd, copiesHead } from '@clever-drawer/core/exchange';
import { startTestServer, type TestServer } from './testing.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

interface Given {
  readonly name: string;
  readonly [field: string]: unknown;
}

const lineOf = ({ name, ...more }: Given): string =>
  JSON.stringify({
    format: 'VST3',
    path: `C:\\Plugins\\${name}.vst3`,
    identity: name.padEnd(32, '0'),
    name,
    vendor: 'Quoin',
    declared: ['Fx', 'Delay'],
    version: '1.0',
    architectures: ['x86_64'],
    audioIn: 2,
    audioOut: 2,
    notesIn: false,
    notesOut: false,
    replaces: [],
    picture: '/etc/hostname',
    examined: 'opened',
    status: 'ok',
    ...more,
  });
const syllables = ['ka', 'lo', 'mi', 'ru', 'te', 'so', 'va', 'ne', 'du', 'pi', 'ho', 'ze'];

/** A name of its own for each number. */
function madeUpName(number: number): string {
  let name = '';
  for (let rest = number; rest > 0 || name.length < 6; rest = Math.floor(rest / syllables.length)) {
    name += syllables[rest % syllables.length] ?? '';
  }
  return `${name[0]?.toUpperCase() ?? ''}${name.slice(1)}`;
}

const linesOf = (...copies: readonly Given[]): string => `${copies.map(lineOf).join('\n')}\n`;

async function take<T = TakenView>(
  computer: string,
  body: string | Uint8Array<ArrayBuffer>,
  asked: Readonly<Record<string, string>> = {},
): Promise<{ status: number; body: T }> {
  const response = await fetch(
    `${server.address}/api/take?${new URLSearchParams({ computer, ...asked }).toString()}`,
    { method: 'POST', body },
  );
  return { status: response.status, body: (await response.json()) as T };
}
const get = async <T>(path: string): Promise<T> =>
  (await (await fetch(`${server.address}/api/${path}`)).json()) as T;
const computerNames = async (): Promise<string[]> =>
  (await get<ComputerView[]>('computers')).map(({ name }) => name);
const wordsOf = (body: unknown): string =>
  (body as Refusal).problems.map(({ message }) => message).join(' ');

describe('another computer', () => {
  it('is made of its copies, with its own paths and without pictures', async () => {
    const { status, body } = await take('Mixing room', linesOf({ name: 'Tide' }, { name: 'Ebb' }));
    expect(status).toBe(201);
    expect(body).toMatchObject({
      isNew: true,
      computer: { name: 'Mixing room', isElsewhere: true },
      scan: { state: 'done', looked: 2, counts: { arrived: 2 } },
    });
    const { plugins } = await get<CatalogView>(`computers/${body.computer.id}/catalog`);
    expect(plugins.map(({ name, types }) => [name, types])).toEqual([
      ['Ebb', ['delay']],
      ['Tide', ['delay']],
    ]);
    expect(plugins[1]?.copies[0]).toMatchObject({
      path: 'C:\\Plugins\\Tide.vst3',
      hasPicture: false,
    });
  });
  it('is brought up to date by a later file, and keeps what was made of its plugins', async () => {
    const first = await take('Stage', linesOf({ name: 'Tide' }, { name: 'Ebb' }, { name: 'Gust' }));
    const { id } = first.body.computer;
    const before = await get<CatalogView>(`computers/${id}/catalog`);
    const tide = before.plugins.find(({ name }) => name === 'Tide');
    const named = await fetch(`${server.address}/api/computers/${id}/acts`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ act: 'name', plugin: tide?.id, nickname: 'My tide', slotLabel: null }),
    });
    expect(named.status).toBe(200);
    const again = await take(
      'Stage',
      linesOf(
        { name: 'Tide', version: '1.1' },
        { name: 'Ebb', path: 'D:\\Other\\Ebb.vst3' },
        { name: 'Surge bell' },
      ),
    );
    expect(again.body).toMatchObject({
      isNew: false,
      scan: { counts: { updated: 1, moved: 1, arrived: 1, gone: 1 } },
    });
    const findings = await get<FindingView[]>(
      `computers/${id}/scans/${again.body.scan.id}/findings`,
    );
    expect(findings.map(({ sort, name }) => `${sort} ${name}`).sort()).toEqual([
      'arrived Surge bell',
      'gone Gust',
      'moved Ebb',
      'updated Tide',
    ]);
    const after = await get<CatalogView>(`computers/${id}/catalog`);
    expect(after.plugins.some((plugin) => plugin.id === tide?.id)).toBe(true);
  });
  it('says of failed ones what was said there', async () => {
    const { body } = await take(
      'Broken',
      linesOf(
        { name: 'Tide' },
        { name: 'Gust', status: 'failed', problem: { code: 'crashed', message: 'Gust crashed.' } },
      ),
    );
    const failed = await get<FindingView[]>(`computers/${body.computer.id}/copies/failed`);
    expect(failed.map(({ problem }) => problem)).toMatchObject([{ detail: 'Gust crashed.' }]);
  });
  it('takes tens of thousands of lines', async () => {
    const many = Array.from({ length: 20_000 }, (_, at) => ({ name: madeUpName(at) }));
    const { body } = await take('Large', linesOf(...many));
    expect(body.scan).toMatchObject({ state: 'done', counts: { arrived: 20_000 } });
  });
});

describe('a file that is not whole, or lacks much', () => {
  const copies = Array.from({ length: 12 }, (_, at) => ({ name: madeUpName(at) }));
  const whole = [copiesHead(12), ...copies.map(lineOf), copiesEnd(12), ''].join('\n');

  it('is taken where its head and end agree', async () => {
    const { status, body } = await take('Framed', whole);
    expect([status, body.scan.looked]).toEqual([201, 12]);
  });
  it('is refused where lines are missing at the end or between', async () => {
    const lines = whole.split('\n');
    for (const cut of [lines.slice(0, 7), lines.slice(0, -2), lines.toSpliced(4, 1)]) {
      const { status, body } = await take('Cut short', cut.join('\n'));
      expect(status).toBe(400);
      expect(wordsOf(body)).toMatch(/should have 12 copies and ends after \d+: it is cut off/);
    }
    expect(await computerNames()).not.toContain('Cut short');
  });
  it('says what would go before more than a tenth goes, and does it when that is meant', async () => {
    const { body } = await take('Thinned', whole);
    const few = linesOf(...copies.slice(0, 5));
    const refused = await take('Thinned', few);
    expect(refused.status).toBe(409);
    expect(wordsOf(refused.body)).toContain(
      'The file has 5 copies, and lacks 7 of the 12 known on Thinned',
    );
    const { plugins } = await get<CatalogView>(`computers/${body.computer.id}/catalog`);
    expect(plugins.flatMap((one) => one.copies.map(({ state }) => state))).toEqual(
      copies.map(() => 'present'),
    );
    const accepted = await take('Thinned', few, { gone: 'accept' });
    expect(accepted.body.scan.counts.gone).toBe(7);
  });
  it('is read in UTF-16, as the shell of Windows writes it', async () => {
    const bytes = Buffer.from(`\uFEFF${whole.replaceAll('\n', '\r\n')}`, 'utf16le');
    for (const [name, body] of [
      ['Little', bytes],
      ['Big', Buffer.from(bytes).swap16()],
    ] as const) {
      expect((await take(name, body)).body.scan.looked).toBe(12);
    }
  });
});

describe('what is refused and changes nothing', () => {
  it.each([
    ['cut off', linesOf({ name: 'Tide' }, { name: 'Ebb' }).slice(0, -40), 'Line 2 is not a copy'],
    ['empty', '', 'The file has no copies'],
    ['something else', '<html></html>', 'Line 1 is not a copy'],
    ['one endless line', 'x'.repeat(3_000_000), 'longer than any copy'],
  ])('a file that is %s', async (_, text, words) => {
    const before = await computerNames();
    const { status, body } = await take('Nowhere', text);
    expect(status).toBe(400);
    expect(wordsOf(body)).toContain(words);
    expect(await computerNames()).toEqual(before);
  });
  it('a cut file leaves a known computer as it was', async () => {
    const { body } = await take('Kept', linesOf({ name: 'Tide' }));
    await take('Kept', `${lineOf({ name: 'Ebb' })}\n{"format":`);
    const { plugins } = await get<CatalogView>(`computers/${body.computer.id}/catalog`);
    expect(plugins.map(({ name }) => name)).toEqual(['Tide']);
  });
  it('this computer itself', async () => {
    const { status, body } = await take('Test computer', linesOf({ name: 'Tide' }));
    expect(status).toBe(409);
    expect(wordsOf(body)).toContain('scan it instead');
  });
  it('loading and looking through places of a computer elsewhere', async () => {
    const { body } = await take('Far', linesOf({ name: 'Tide' }));
    const post = async (path: string, what: object): Promise<string> => {
      const response = await fetch(`${server.address}/api/computers/${body.computer.id}/${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(what),
      });
      return wordsOf(await response.json());
    };
    const load = { plugin: randomUUID(), index: 0, copy: null, typed: '', keys: 0, took: null };
    expect(await post('session/loads', { track: randomUUID(), ...load })).toContain(
      'Far is another computer',
    );
    expect(await post('places', { path: '/tmp' })).toContain('Far is another computer');
  });
});

describe('the name of a computer', () => {
  const call = async <T = Refusal>(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ status: number; body: T }> => {
    const response = await fetch(`${server.address}/api/${path}`, {
      method,
      headers: { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as T };
  };

  it('is one line, and the same in small and capital letters', async () => {
    const first = await take(' Dock\tshed ', linesOf({ name: 'Tide' }));
    expect(first.body.computer.name).toBe('Dock shed');
    const again = await take('DOCK SHED', linesOf({ name: 'Tide' }));
    expect(again.body).toMatchObject({ isNew: false, computer: { id: first.body.computer.id } });
    const long = await take<Refusal>('x'.repeat(201), linesOf({ name: 'Tide' }));
    expect(wordsOf(long.body)).toMatch(/^The name is too long. It can have up to \d+ characters.$/);
  });
  it('can be changed, unless another computer is called so', async () => {
    const { id } = (await take('Wharf', linesOf({ name: 'Tide' }))).body.computer;
    await take('Pier', linesOf({ name: 'Tide' }));
    const rename = (name: string) => call('PATCH', `computers/${id}`, { name });
    expect((await rename('  Long   wharf ')).body).toMatchObject({ id, name: 'Long wharf' });
    expect((await rename('LONG WHARF')).status).toBe(200);
    const taken = await rename('pier');
    expect([taken.status, wordsOf(taken.body)]).toEqual([
      409,
      'There is already a computer called Pier. Choose another name.',
    ]);
    expect(wordsOf((await rename(' \t')).body)).toBe('Enter a name.');
    expect(await computerNames()).toContain('LONG WHARF');
  });
  it('goes with a computer that is removed, and comes back with all that was known', async () => {
    const { id } = (await take('Cellar', linesOf({ name: 'Tide' }))).body.computer;
    const before = await get<CatalogView>(`computers/${id}/catalog`);
    expect((await call('DELETE', `computers/${id}`)).status).toBe(200);
    expect(await computerNames()).not.toContain('Cellar');
    expect((await call('GET', `computers/${id}/catalog`)).status).toBe(404);
    expect((await call('DELETE', `computers/${id}`)).status).toBe(404);
    const restore = () => call('POST', 'removed-computers/restore', { computer: id });
    expect((await get<ComputerView[]>('removed-computers')).map(({ name }) => name)).toEqual([
      'Cellar',
    ]);
    const other = (await take('cellar', linesOf({ name: 'Ebb' }))).body.computer;
    expect(other.id).not.toBe(id);
    expect(wordsOf((await restore()).body)).toBe(
      'There is a computer called Cellar now. Rename that one first.',
    );
    await call('PATCH', `computers/${other.id}`, { name: 'Cellar below' });
    expect((await restore()).status).toBe(200);
    expect(await get<CatalogView>(`computers/${id}/catalog`)).toEqual(before);
    expect((await restore()).status).toBe(404);
  });
  it('stays with the computer that the program runs on', async () => {
    const { status, body } = await call('DELETE', `computers/${server.computer}`);
    expect([status, wordsOf(body)]).toEqual([
      409,
      expect.stringContaining('Only other computers can be removed.'),
    ]);
  });
});

describe('what the application writes of a computer', () => {
  it('it reads back, copies that failed as well', async () => {
    const failed = { status: 'failed', problem: { code: 'crashed', message: 'It crashed.' } };
    await take('First room', linesOf({ name: 'Whole' }, { name: 'Broken', ...failed }));
    const first = (await get<ComputerView[]>('computers')).find(
      ({ name }) => name === 'First room',
    );
    const { status, body } = await take('Second room', await (await copiesOf(first)).text());
    expect([status, body.scan.looked, body.scan.counts.failed]).toEqual([201, 2, 1]);
    expect((await take('Second room', await (await copiesOf(body.computer)).text())).status).toBe(
      201,
    );
  });
});

const copiesOf = (computer: Pick<ComputerView, 'id'> | undefined): Promise<Response> =>
  fetch(`${server.address}/api/computers/${computer?.id ?? ''}/copies.ndjson`);
