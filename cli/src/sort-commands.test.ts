/** `classify` and `group` as scripts use them. */
import { describe, expect, it } from '@jest/globals';
import { Readable } from 'node:stream';
import { run } from './main.ts';
import { classifyCommand, groupCommand } from './sort-commands.ts';

type Command = typeof classifyCommand;
async function ask(
  command: Command,
  ...lines: (object | string)[]
): Promise<{ out: Record<string, unknown>[]; errors: string; status: number }> {
  const out: string[] = [];
  const errors: string[] = [];
  const text = lines
    .map((line) => `${typeof line === 'string' ? line : JSON.stringify(line)}\n`)
    .join('');
  const status = await command(
    [],
    { out: (line) => out.push(line), error: (line) => errors.push(line) },
    Readable.from([text]),
  );
  return {
    out: out.map((line) => JSON.parse(line) as Record<string, unknown>),
    errors: errors.join('\n'),
    status,
  };
}

describe('classify', () => {
  it('adds kind and suggestions, best first with their reasons, and passes all other fields on', async () => {
    const { out, status } = await ask(classifyCommand, {
      name: 'Kelp Gate Reverb',
      audioIn: 2,
      audioOut: 2,
      notesIn: false,
      mine: 7,
    });
    expect([status, out.length]).toEqual([0, 1]);
    expect(out[0]).toMatchObject({ name: 'Kelp Gate Reverb', mine: 7, kind: 'effect' });
    const suggestions = out[0]?.['suggestions'] as {
      type: string;
      probability: number;
      reasons: string[];
    }[];
    expect(suggestions[0]).toMatchObject({
      type: 'reverb',
      reasons: expect.arrayContaining([expect.stringContaining('reverb')]),
    });
    expect(suggestions.map((s) => s.probability)).toEqual(
      [...suggestions.map((s) => s.probability)].sort((a, b) => b - a),
    );
    expect(
      suggestions.some((s) => s.reasons.some((reason) => reason.startsWith('against: '))),
    ).toBe(true);
  });
  it('goes by what is declared', async () => {
    const { out } = await ask(classifyCommand, {
      name: 'Kelp',
      format: 'LV2',
      declared: ['http://lv2plug.in/ns/lv2core#DelayPlugin'],
    });
    expect(out[0]?.['suggestions']).toMatchObject([{ type: 'delay' }]);
  });
  it('says which lines are no JSON objects, and ends with 1', async () => {
    const { out, errors, status } = await ask(
      classifyCommand,
      { name: 'Kelp' },
      'nonsense',
      '[]',
      '',
      { name: 'Silt' },
    );
    expect([out.length, status]).toEqual([2, 1]);
    expect(errors).toMatch(/Line 2 .*\n.*Line 3 /);
  });
});

describe('group', () => {
  it('gathers copies into plugins with the reasons', async () => {
    const { out, status } = await ask(
      groupCommand,
      {
        format: 'VST3',
        path: '/a/Kelp Verb.vst3',
        identity: 'AB',
        name: 'Kelp Verb',
        vendor: 'Osier & Pitch',
        status: 'ok',
      },
      {
        format: 'LV2',
        path: '/b/kelp.lv2',
        identity: 'urn:kelp',
        name: 'KelpVerb LV2',
        vendor: 'Osier and Pitch <mail@osier.invalid>',
        declared: ['http://lv2plug.in/ns/lv2core#ReverbPlugin'],
        status: 'ok',
      },
      {
        format: 'CLAP',
        path: '/c/Silt.clap',
        identity: null,
        name: null,
        vendor: null,
        status: 'ok',
      },
      { format: 'CLAP', path: '/c/Broken.clap', status: 'failed' },
    );
    expect(status).toBe(0);
    expect(out).toMatchObject([
      {
        name: 'Kelp Verb',
        vendor: 'Osier & Pitch',
        kind: 'effect',
        types: ['reverb'],
        copies: ['VST3 AB', 'LV2 urn:kelp'],
        reasons: expect.arrayContaining(['their names are the same', 'they have the same vendor']),
      },
      { name: 'Silt', vendor: null, copies: ['CLAP /c/Silt.clap'], reasons: [] },
    ]);
  });
  it('joins by LADSPA numbers that are declared to be replaced', async () => {
    const { out } = await ask(
      groupCommand,
      {
        format: 'LADSPA',
        path: '/l/kelp.so',
        identity: 'kelp.so:kelp',
        name: 'Kelp',
        vendor: 'Some One',
        uniqueId: 4711,
      },
      {
        format: 'LV2',
        path: '/b/k.lv2',
        identity: 'urn:k',
        name: 'Kelp',
        vendor: 'Another Hand',
        replaces: ['urn:ladspa:4711'],
      },
    );
    expect(out).toHaveLength(1);
  });
});

it('wrong use ends with 2 and says what is right', async () => {
  const errors: string[] = [];
  const terminal = {
    out: () => undefined,
    error: (line: string) => {
      errors.push(line);
    },
  };
  expect(await run(['classify', '/no/such/file'], terminal)).toBe(2);
  expect(await run(['group', '--loud'], terminal)).toBe(2);
  expect(await run(['group', '--help'], terminal)).toBe(0);
  expect(errors.join('\n')).toContain('There is no file /no/such/file');
});
