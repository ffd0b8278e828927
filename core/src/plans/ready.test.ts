import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createArranger } from '../arrangement/arrangement.ts';
import { copyOf, pluginOf } from '../catalog/plugin.test-data.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { asId } from '../id.ts';
import { cabinetOf, folderOf } from '../order/records.test-data.ts';
import { orderOf, type OrderRecord } from '../order/records.ts';
import { countPlan, type PlannedFolder } from './plan.ts';
import { planReady, type ReadyOptions } from './ready.ts';

const snapshot: ReadyOptions = { atMost: 3, atLeast: 2, isApart: false, isLiving: false };

const there = (name: string, more: Partial<Plugin>): Plugin =>
  pluginOf(name, { copies: [copyOf(`${name} copy`)], ...more });
const catalog = [
  there('Kelp', { types: ['reverb/hall'], vendor: 'Osier' }),
  there('Silt', { types: ['reverb/hall'], vendor: 'Osier' }),
  there('Gorse', { types: ['reverb/plate'], vendor: 'Osier' }),
  there('Tarn', { types: ['reverb'], vendor: 'Quoin' }),
  there('Both', { types: ['reverb/plate', 'delay/tape-echo'], vendor: null }),
  there('Reeds', { types: ['keys/organ'], vendor: 'Quoin', kind: 'instrument' }),
  there('Bare', { types: [], vendor: 'Quoin', kind: 'unknown' }),
  there('Gone', { types: ['delay'], copies: [copyOf('gone', { state: 'gone' })] }),
];
const said = ({ name, form, plugins, below }: PlannedFolder): unknown => [
  form === 'divider' ? `— ${name}` : name,
  ...plugins,
  ...below.map(said),
];
const plan = (by: Parameters<typeof planReady>[0], more: Partial<ReadyOptions> = {}): unknown[] =>
  planReady(by, catalog, { ...snapshot, ...more }).map(said);

describe('a snapshot', () => {
  it('by type has a folder for each group, with folders for its types where it is large', () => {
    expect(plan('type')).toEqual([
      ['Reverb', 'tarn', ['Hall', 'kelp', 'silt'], ['Plate', 'both', 'gorse']],
      ['Delay', 'both'],
      ['Keys', 'reeds'],
    ]);
    expect(plan('type', { atMost: 9 })).toEqual([
      ['Reverb', 'both', 'gorse', 'kelp', 'silt', 'tarn'],
      ['Delay', 'both'],
      ['Keys', 'reeds'],
    ]);
  });
  it('keeps effects, instruments and note effects apart where that is wished', () => {
    expect(plan('type', { atMost: 9, isApart: true })).toEqual([
      ['— Effects'],
      ['Reverb', 'both', 'gorse', 'kelp', 'silt', 'tarn'],
      ['Delay', 'both'],
      ['— Instruments'],
      ['Keys', 'reeds'],
    ]);
    expect(plan('vendor', { isApart: true })).toEqual([
      ['Osier', 'gorse', 'kelp', 'silt'],
      ['Quoin', ['Effects', 'bare', 'tarn'], ['Instruments', 'reeds']],
      ['Other vendors', 'both'],
    ]);
  });
  it('by vendor has those with so many, the most first, and all others together', () => {
    expect(plan('vendor', { atLeast: 3 })).toEqual([
      ['Osier', 'gorse', 'kelp', 'silt'],
      ['Quoin', 'bare', 'reeds', 'tarn'],
      ['Other vendors', 'both'],
    ]);
    expect(plan('vendor', { atMost: 2, atLeast: 9, isApart: true })).toEqual([
      [
        'Other vendors',
        ['Effects', 'bare', 'both', 'gorse', 'kelp', 'silt', 'tarn'],
        ['Instruments', 'reeds'],
      ],
    ]);
  });
  it('by format has each that is there, and what runs on 32-bit machines only', () => {
    const old = copyOf('old', { format: 'VST2', is32Bit: true });
    const formats = [
      pluginOf('New', { copies: [copyOf('new'), old] }),
      pluginOf('Old', { copies: [old] }),
    ];
    expect(planReady('format', formats, snapshot).map(said)).toEqual([
      ['VST3', 'new'],
      ['VST2', 'new', 'old'],
      ['32 bit only', 'old'],
    ]);
  });
});

/** What smart folders take in, the folders put into an order and filled by their rules. */
function filled(folders: readonly PlannedFolder[], plugins: readonly Plugin[]) {
  const records: OrderRecord[] = [cabinetOf('c')];
  const add = (planned: readonly PlannedFolder[], parent: string | null): void => {
    for (const [at, { form, name, rule, below }] of planned.entries()) {
      const id = `${parent ?? ''}/${at}${name}`;
      records.push(
        folderOf(id, {
          form,
          rule,
          parent: parent === null ? null : asId(parent),
          position: String.fromCharCode(65 + at),
        }),
      );
      add(below, id);
    }
  };
  add(folders, null);
  const { members } = createArranger()(orderOf(records), plugins, 'c');
  const inside = (planned: readonly PlannedFolder[], parent: string): unknown[] =>
    planned.map(({ form, name, below }, at) => {
      const id = `${parent}/${at}${name}`;
      const own = form === 'divider' ? [] : [...(members.get(id) ?? [])].sort();
      return [name, own, inside(below, id)];
    });
  return inside(folders, '');
}

/** The sizes of what was filled. */
const sizes = (folders: readonly unknown[]): unknown[] =>
  (folders as readonly (readonly [string, readonly string[], readonly unknown[]])[]).map(
    ([, own, below]) => [own.length, sizes(below)],
  );

/** What the folders of a snapshot hold with all that is inside them. */
const held = (folders: readonly PlannedFolder[]): unknown[] =>
  folders.map((folder) => {
    const all = ({ plugins, below }: PlannedFolder): string[] => [
      ...plugins,
      ...below.flatMap(all),
    ];
    return [folder.name, [...new Set(all(folder))].sort(), held(folder.below)];
  });

describe('a living cabinet', () => {
  const types = ['reverb', 'reverb/hall', 'reverb/plate', 'delay', 'delay/tape-echo', 'keys/organ'];
  const anyPlugin = fc.record({
    types: fc.uniqueArray(fc.constantFrom(...types), { maxLength: 3 }),
    vendor: fc.constantFrom('Osier', 'Quoin', 'Saltglass', null),
    kind: fc.constantFrom('effect', 'instrument', 'note-effect', 'tool', 'unknown'),
    format: fc.constantFrom('VST3', 'LV2', 'VST2'),
    is32Bit: fc.boolean(),
  });
  const anyOptions = fc.record({
    atMost: fc.integer({ min: 1, max: 8 }),
    atLeast: fc.integer({ min: 1, max: 5 }),
    isApart: fc.boolean(),
  });

  it('takes in by its rules what a snapshot holds', () => {
    fc.assert(
      fc.property(
        fc.array(anyPlugin, { maxLength: 25 }),
        fc.constantFrom('type', 'vendor', 'format'),
        anyOptions,
        (list, by, options) => {
          const plugins = list.map(({ format, is32Bit, ...more }, n) =>
            pluginOf(`P${n}`, { ...more, copies: [copyOf(`c${n}`, { format, is32Bit })] }),
          );
          const living = planReady(by, plugins, { ...options, isLiving: true });
          const still = planReady(by, plugins, { ...options, isLiving: false });
          expect(countPlan(living).plugins).toBe(0);
          const takenIn = ({ takesIn, below }: PlannedFolder): unknown => [
            takesIn ?? 0,
            below.map(takenIn),
          ];
          expect(living.map(takenIn)).toEqual(sizes(filled(living, plugins)));
          expect(filled(living, plugins)).toEqual(held(still));
        },
      ),
      { numRuns: 300 },
    );
  });
  it('follows what arrives and what is corrected', () => {
    const living = planReady('type', catalog, { ...snapshot, isLiving: true });
    const later = [
      ...catalog.filter(({ name }) => name !== 'Kelp'),
      there('Kelp', { types: ['delay'], vendor: 'Osier' }),
      there('Fresh', { types: ['reverb/plate'] }),
    ];
    expect(filled(living, later)).toEqual([
      [
        'Reverb',
        ['both', 'fresh', 'gorse', 'silt', 'tarn'],
        [
          ['Hall', ['silt'], []],
          ['Plate', ['both', 'fresh', 'gorse'], []],
        ],
      ],
      ['Delay', ['both', 'gone', 'kelp'], []],
      ['Keys', ['reeds'], []],
    ]);
  });
});
