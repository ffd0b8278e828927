/** `find` as scripts use it. */
import { describe, expect, it } from '@jest/globals';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { findCommand } from './find-command.ts';
import { run } from './main.ts';

type Lines = readonly Readonly<Record<string, unknown>>[];
const plugins = [
  { name: 'Slackwater Delay', vendor: 'Osier & Pitch', types: ['delay'], sku: 7 },
  { name: 'Shoal Verb', types: ['reverb/hall'], loads: 3, lastLoaded: '2026-11-20T10:00:00Z' },
  { name: 'Silt', tags: ['under water'], isFavourite: true },
  { name: 'Tern', nickname: 'My slap' },
  { name: 'Sallow', loads: 3, lastLoaded: '2020-01-01T00:00:00Z' },
];
async function find(
  args: readonly string[],
  input: readonly unknown[] = plugins,
): Promise<{ lines: Lines; errors: string; status: number }> {
  const out: string[] = [];
  const errors: string[] = [];
  const status = await findCommand(
    [...args, '--now', '2026-11-24T09:00:00Z'],
    { out: (line) => out.push(line), error: (line) => errors.push(line) },
    Readable.from([
      input.map((one) => `${typeof one === 'string' ? one : JSON.stringify(one)}\n`).join(''),
    ]),
  );
  return {
    lines: out.map((line) => JSON.parse(line) as Lines[number]),
    errors: errors.join('\n'),
    status,
  };
}
const names = async (...args: string[]): Promise<unknown[]> =>
  (await find(args)).lines.map((line) => line['name']);

describe('find', () => {
  it('ranks what is found, with the other fields, a score and the reason', async () => {
    const { lines, status } = await find(['sd']);
    expect([lines, status]).toEqual([
      [{ ...plugins[0], score: expect.any(Number), because: 'name has the initials “sd”' }],
      0,
    ]);
    expect(await names('slap')).toEqual(['Tern', 'Slackwater Delay']);
    expect([await names('under'), await names('ambience'), await names('osier del')]).toEqual([
      ['Silt'],
      ['Shoal Verb'],
      ['Slackwater Delay'],
    ]);
  });
  it('counts loads, less the longer ago they are, and favourites', async () => {
    expect((await names('')).slice(0, 3)).toEqual(['Shoal Verb', 'Silt', 'Sallow']);
    expect((await find(['', '--limit', '1'])).lines[0]).toMatchObject({
      name: 'Shoal Verb',
      because: 'loaded lately',
    });
    expect(await names('s', '--limit', '2')).toEqual(['Shoal Verb', 'Silt']);
  });
  it('answers many queries with names, also those that find nothing', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'clever-drawer-find-')), 'queries.txt');
    writeFileSync(file, 'sd\r\nqqq\nsi\n');
    expect((await find(['--queries', file])).lines).toEqual([
      { query: 'sd', results: ['Slackwater Delay'] },
      { query: 'qqq', results: [] },
      { query: 'si', results: ['Silt'] },
    ]);
  });
  it('says what is wrong', async () => {
    for (const [args, error] of [
      [[], 'A query (or --queries'],
      [['a', '/no', 'b'], 'A query (or --queries'],
      [['a', '--limit', '0'], '--limit takes'],
      [['a', '/nowhere.json'], 'There is no file /nowhere.json'],
      [['--queries', '/nowhere.txt'], 'There is no file /nowhere.txt'],
    ] as const) {
      expect([args, await find(args)]).toEqual([
        args,
        { lines: [], errors: expect.stringContaining(error), status: 2 },
      ]);
    }
    const odd = await find(['s'], [{ name: 'Silt' }, { title: 'x' }, 'nonsense']);
    expect([odd.lines.length, odd.status, odd.errors]).toEqual([
      1,
      1,
      'Line 3 is not a JSON object; it was left out.\n1 of 2 lines have no name; they were left out.',
    ]);
    expect(await run(['find', '--help'], { out: () => undefined, error: () => undefined })).toBe(0);
  });
});
