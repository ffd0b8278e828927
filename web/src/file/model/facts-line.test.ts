import { describe, expect, it } from '@jest/globals';
import { nothingSaid, type Answer } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { factsLine } from './facts-line.ts';

const answer: Answer = { ...nothingSaid, table: 'answer', id: asId('tern') };
const copy = copyOf('c', {
  format: 'CLAP',
  version: '2.1',
  path: '/clap/tern',
  audioIn: 2,
  audioOut: 2,
});
const plugin = pluginOf('Tern', { vendor: 'Quoin', types: ['reverb/plate'], copies: [copy] });
const bare = { plugin, copy, answer, usage: undefined, folders: [] };

describe('the facts of a plugin in a line', () => {
  it('are its vendor, copy, width, types, folders, use and path', () => {
    expect(factsLine(bare)).toEqual([
      'Quoin',
      'CLAP 2.1',
      'stereo',
      'Plate',
      'unfiled',
      'never loaded',
      '/clap/tern',
    ]);
  });
  it('are its licence, whether it is hidden, and where it is filed', () => {
    const said = {
      ...answer,
      isHidden: true,
      licence: { state: 'trial', until: '2026-12-24' },
    } as const;
    const usage = {
      plugin: 'tern',
      loads: 3,
      lastLoaded: '2026-11-02T10:00:00.000Z',
      warmth: 1,
    };
    const line = factsLine({ ...bare, answer: said, usage, folders: ['Voice', 'Rooms'] });
    expect(line).toEqual(
      expect.arrayContaining([
        'trial until 2026-12-24',
        'hidden in Load',
        'in Voice, Rooms',
        'loaded 3 times, last on 2026-11-02',
      ]),
    );
  });
  it('say from which width to which where they differ, and no width where it is not known', () => {
    expect(factsLine({ ...bare, copy: { ...copy, audioIn: 1 } })).toContain('mono → stereo');
    expect(factsLine({ ...bare, copy: { ...copy, audioIn: 0 } })).toContain('stereo');
    expect(factsLine({ ...bare, copy: { ...copy, audioOut: null } })).not.toContain('stereo');
  });
  it('are fewer for a chain, which has no copy', () => {
    expect(factsLine({ ...bare, copy: undefined })).toEqual([
      'Quoin',
      'Plate',
      'unfiled',
      'never loaded',
    ]);
  });
});
