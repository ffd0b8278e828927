/** `match` as scripts use it. */
import { describe, expect, it } from '@jest/globals';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { run } from './main.ts';
import { matchCommand } from './match-command.ts';

const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-rule-'));
async function match(
  rule: string,
  plugins: readonly (object | string)[],
  ...options: string[]
): Promise<{ names: unknown[]; because: unknown[]; errors: string; status: number }> {
  const file = join(directory, 'rule.txt');
  const out: string[] = [];
  const errors: string[] = [];
  writeFileSync(file, rule);
  const text = plugins
    .map((one) => `${typeof one === 'string' ? one : JSON.stringify(one)}\n`)
    .join('');
  const status = await matchCommand(
    [file, ...options],
    { out: (line) => out.push(line), error: (line) => errors.push(line) },
    Readable.from([text]),
  );
  const lines = out.map((line) => JSON.parse(line) as Record<string, unknown>);
  return {
    names: lines.map((line) => line['name']),
    because: lines.map((line) => line['because']),
    errors: errors.join('\n'),
    status,
  };
}

describe('match', () => {
  it('gives what the rule takes in, each with the reason', async () => {
    const plugins = [
      { name: 'Twinmoor TapeEcho', kind: 'effect' },
      { name: 'Grebe', types: ['Looper'] },
      { name: 'Silt', types: ['delay/delay'] },
      { name: 'Echo synth', kind: 'instrument' },
      { name: 'Tern', nickname: 'my slap', kind: 'effect' },
    ];
    const { names, because, status } = await match(
      'name has delay, echo, slap\nkind is effect\n\ntype is delay\n\nnever\ntype is looper',
      plugins,
    );
    expect([names, because, status]).toEqual([
      ['Twinmoor TapeEcho', 'Silt', 'Tern'],
      ['name has “echo”, kind is effect', 'type is Delay', 'name has “slap”, kind is effect'],
      0,
    ]);
  });
  it('reads every field, one or a list, and the time as of now or as given', async () => {
    const one = {
      name: 'Kelp',
      vendor: 'Osier',
      kind: 'note-effect',
      types: ['arpeggiator'],
      formats: ['vst3', 'LV2'],
      bits: [32],
      tags: ['film'],
      licence: { state: 'trial', until: '2026-12-01' },
      loads: 4,
      lastLoaded: '2026-11-20T10:00:00Z',
      arrived: '2026-01-02',
      notes: 'for the eel',
      version: '2.10',
      audioIn: 2,
      outputs: [2],
      folders: ['Wear'],
      isHidden: true,
    };
    for (const line of [
      'vendor is osier',
      'kind is note effect',
      'type is notes',
      'format is only VST3, LV2',
      'bits is only 32',
      'tag is Film',
      'licence is trial',
      'trial ends within the next 10 days',
      'times loaded at least 4',
      'last loaded within the last 4 days',
      'arrived after 2026-01-01',
      'notes has eel',
      'version at least 2.9',
      'inputs is 2',
      'outputs at most 2',
      'folder is wear',
      'state is hidden',
    ]) {
      expect([line, (await match(line, [one], '--now', '2026-11-24T09:00:00Z')).names]).toEqual([
        line,
        ['Kelp'],
      ]);
    }
    expect((await match('last loaded never', [{ name: 'Bare' }])).names).toEqual(['Bare']);
  });
  it('says where a rule is not understood, and which lines are no objects', async () => {
    const wrong = await match('name has x\ntipe is delay', []);
    expect([wrong.status, wrong.errors]).toEqual([
      2,
      expect.stringContaining(
        'Line 2, column 1, at “tipe”: A line begins with what it asks about. Understood is type.',
      ),
    ]);
    const odd = await match('name has x', [{ name: 'x' }, 'nonsense']);
    expect([odd.status, odd.names, odd.errors]).toEqual([
      1,
      ['x'],
      'Line 2 is not a JSON object; it was left out.',
    ]);
    expect((await match('folder is Wear', [{ name: 'x' }])).errors).toContain('names the folders');
  });
  it('tells how it is used', async () => {
    const errors: string[] = [];
    const terminal = {
      out: (line: string) => errors.push(line),
      error: (line: string) => errors.push(line),
    };
    expect([
      await run(['match'], terminal),
      await run(['match', '/nowhere.txt'], terminal),
      await run(['match', '--help'], terminal),
    ]).toEqual([2, 2, 0]);
    expect(errors.join('\n')).toMatch(
      /A rule file[\s\S]*There is no file \/nowhere\.txt[\s\S]*empty line begins another card/,
    );
  });
});
