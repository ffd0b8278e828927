import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { CopyCard, Plugin } from '../catalog/plugin.ts';
import { acceptsAll } from './loadability.ts';
import { asId } from '../id.ts';
import {
  changeSlot,
  moveSlot,
  putSlot,
  removeSlot,
  type HostCopy,
  type HostSession,
  type HostSlot,
} from './host-session.ts';
import { createRepairer, type Known } from './repair.ts';

const asked = (more: Partial<HostCopy> = {}): HostCopy => ({
  format: 'VST2',
  path: '/old/Warble.dll',
  identity: 'warble',
  name: 'Warble',
  vendor: 'Osier',
  binary: null,
  ...more,
});
const known = (
  name: string,
  more: {
    vendor?: string | null;
    identity?: string | null;
    replaces?: string[];
    plugin?: string;
  } & Partial<CopyCard> = {},
): Known => {
  const { vendor = 'Osier', identity = name, replaces = [], plugin: id = name, ...card } = more;
  const copy: CopyCard = {
    id: asId(`${name} ${card.path ?? ''}`),
    format: 'VST3',
    path: `/new/${name}`,
    version: null,
    hasPicture: false,
    is32Bit: false,
    isFailed: false,
    audioIn: null,
    audioOut: null,
    state: 'present',
    ...card,
  };
  const plugin: Plugin = {
    id: asId(id),
    name,
    vendor,
    kind: 'effect',
    types: [],
    arrived: '2026-01-01',
    copies: [copy],
  };
  return { card: copy, plugin, identity, replaces };
};
const repaired = (wanted: HostCopy, ...list: Known[]): unknown => {
  const found = createRepairer(list)(wanted, acceptsAll);
  return found && [found.plugin.name, found.because, found.isSure];
};

describe('a copy that an old session asks for', () => {
  it('is found by identity, by declaration, by the plugin it belonged to, by name and vendor, surest first', () => {
    const same = known('Elsewhere', { format: 'VST2', identity: 'warble' });
    const heir = known('Warble Two', { replaces: ['warble'] });
    const gone = known('Warble', {
      format: 'VST2',
      path: '/old/Warble.dll',
      identity: 'warble',
      state: 'gone',
      plugin: 'w',
    });
    const other = known('Warbler', { plugin: 'w', format: 'CLAP' });
    const name = known('warble (64 bit)');
    expect(repaired(asked(), name, other, gone, heir, same)).toEqual([
      'Elsewhere',
      'the same one at another path',
      true,
    ]);
    expect(repaired(asked(), name, other, gone, heir)).toEqual([
      'Warble Two',
      'it says that it takes the place of the one asked for',
      true,
    ]);
    expect(repaired(asked(), name, other, gone)).toEqual([
      'Warbler',
      'the same plugin as CLAP',
      true,
    ]);
    expect(repaired(asked(), name)).toEqual([
      'warble (64 bit)',
      'the same name and vendor, as VST3',
      true,
    ]);
  });
  it('is guessed by name, which is said to be no more than that', () => {
    expect(repaired(asked({ vendor: null }), known('Warble', { vendor: 'Quoin' }))).toEqual([
      'Warble',
      'the same name, by Quoin',
      false,
    ]);
    expect(repaired(asked({ name: 'Warble LE' }), known('Warble'))).toEqual([
      'Warble',
      'nearly the same name, by the same vendor',
      false,
    ]);
    expect(
      repaired(asked({ name: 'Warble LE' }), known('Warble', { vendor: 'Quoin' }), known('Warp')),
    ).toBeNull();
  });
  it('is never one that the host would not open, nor the one that failed', () => {
    expect(
      repaired(
        asked(),
        known('Warble', { state: 'gone' }),
        known('Warble', { is32Bit: true }),
        known('Warble', { isFailed: true }),
        known('Warble', { format: 'VST2', path: '/old/Warble.dll' }),
      ),
    ).toBeNull();
    expect(
      createRepairer([known('Warble')])(asked(), { formats: ['LV2'], takes32Bit: false }),
    ).toBeNull();
  });
});

describe('a guess by name', () => {
  const near = (name: string, wanted = 'Warble') =>
    repaired(asked({ identity: null, name: wanted, path: '/old/x' }), known(name));
  it('is as near as two letters, of names with at least six', () => {
    expect(
      [near('Wobbly'), near('Wabbles'), near('Marble')].map((found) => found !== null),
    ).toEqual([false, true, true]);
    expect(
      [near('Silts', 'Siltz'), near('Silted', 'Siltex')].map((found) => found !== null),
    ).toEqual([false, true]);
    // One may begin the other, however much longer it is.
    expect([near('Warbledom'), near('Warble', 'Warbledom')].every((found) => found !== null)).toBe(
      true,
    );
  });
  it('is the copy of the format that goes before others, then the first path', () => {
    const list = [
      known('Warble', { format: 'LADSPA', path: '/a' }),
      known('Warble', { format: 'CLAP', path: '/c' }),
      known('Warble', { format: 'CLAP', path: '/b' }),
    ];
    const found = createRepairer(list, ['CLAP', 'VST3'])(asked({ identity: null }), acceptsAll);
    expect([found?.copy.path, found?.isSure]).toEqual(['/b', true]);
  });
});

describe('slots', () => {
  const slot = (id: string): HostSlot => ({
    id: asId(id),
    copy: asked({ name: id }),
    isBypassed: false,
    problem: null,
  });
  const session = (...tracks: string[][]): HostSession => ({
    name: 's',
    settings: acceptsAll,
    tracks: tracks.map((ids, at) => ({
      id: asId(`t${at}`),
      name: `t${at}`,
      sort: 'track',
      slots: ids.map(slot),
    })),
  });
  const ids = (of: HostSession): string[][] =>
    of.tracks.map((track) => track.slots.map((one) => one.id as string));
  it('are replaced where one stands, appended behind, removed and changed', () => {
    const start = session(['a', 'b'], ['c']);
    expect([
      ids(putSlot(start, 't0', 0, slot('x'))),
      ids(putSlot(start, 't1', 9, slot('x'))),
      ids(removeSlot(start, 'a')),
      changeSlot(start, 'c', (one) => ({ ...one, isBypassed: true })).tracks[1]?.slots[0]
        ?.isBypassed,
    ]).toEqual([
      [['x', 'b'], ['c']],
      [
        ['a', 'b'],
        ['c', 'x'],
      ],
      [['b'], ['c']],
      true,
    ]);
  });
  it('move to where they are put, and none is lost', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('a', 'b', 'c', 'd'),
        fc.constantFrom('t0', 't1'),
        fc.nat(5),
        (moved, track, index) => {
          const after = moveSlot(session(['a', 'b', 'c'], ['d']), moved, track, index);
          const row =
            after.tracks.find((one) => one.id === track)?.slots.map((one) => one.id) ?? [];
          expect(ids(after).flat().sort()).toEqual(['a', 'b', 'c', 'd']);
          expect(row[Math.min(index, row.length - 1)]).toBe(moved);
        },
      ),
    );
  });
});
