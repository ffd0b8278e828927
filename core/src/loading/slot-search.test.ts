import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { entryOf, noGivenNames } from '../search/entry.ts';
import { Finder } from '../search/finder.ts';
import { habitsOf, noUse } from '../search/habits.ts';
import { folderOf } from '../order/records.test-data.ts';
import {
  countScopes,
  createSlotSearch,
  loadableWithin,
  slotFolders,
  type SlotContents,
} from './slot-search.ts';

const plugin = (name: string, kind: Plugin['kind'] = 'effect'): Plugin => ({
  id: asId(name),
  name,
  vendor: 'Quoin',
  kind,
  types: ['delay'],
  arrived: '2026-01-01',
  copies: [],
});
const inCabinet = ['Shoalwater', 'Tape Echo Mk 2', 'Harbour Verb'];
const elsewhere = ['Silt', 'Grey Tide Hall'];
const ended = ['Shoal'];
const unclear = ['Tape Hiss'];
const reasons = new Map([
  ...[...inCabinet, ...elsewhere, ...unclear].map((name) => [name, null] as const),
  ...ended.map((name) => [name, 'its trial ended on 3 November'] as const),
]);
const filed = new Set([...inCabinet, ...unclear]);
const contents: SlotContents = {
  finder: new Finder(
    [
      ...[...inCabinet, ...elsewhere, ...ended].map((name) => plugin(name)),
      ...unclear.map((name) => plugin(name, 'unknown')),
    ].map((one) => entryOf(one, noGivenNames)),
  ),
  reasons,
  filed,
  counts: countScopes(reasons, filed),
  scope: 'cabinet',
  inFolder: null,
  forgotten: null,
  settings: () => [],
};
const habits = habitsOf(noUse);
const hits = (typed: string, more: Partial<SlotContents> = {}): unknown[] =>
  createSlotSearch({ ...contents, ...more })
    .find(typed, habits)
    .hits.map(({ plugin: { name }, part }) => (part === 'here' ? name : [part, name]));

describe('the search of a slot', () => {
  it('is one list: what stands where one looks, then the rest, last what cannot be loaded', () => {
    expect(hits('s')).toEqual(['Shoalwater', ['elsewhere', 'Silt'], ['barred', 'Shoal']]);
    expect(hits('s', { inFolder: ['Silt'] })).toEqual([
      'Silt',
      ['elsewhere', 'Shoalwater'],
      ['barred', 'Shoal'],
    ]);
    expect(hits('s', { scope: 'all' })).toEqual(['Silt', 'Shoalwater', ['barred', 'Shoal']]);
    expect(hits('s', { scope: 'rest' })).toEqual(['Shoal']);
  });
  it('without letters has what stands there alone, a folder in its order', () => {
    expect(hits('')).toEqual([
      'Harbour Verb',
      'Shoalwater',
      'Tape Echo Mk 2',
      ['unknown', 'Tape Hiss'],
    ]);
    expect(hits('', { inFolder: ['Tape Hiss', 'Shoalwater'] })).toEqual([
      'Tape Hiss',
      'Shoalwater',
    ]);
  });
  it('counts what was found where one looks, and each part', () => {
    expect(createSlotSearch(contents).find('ta', habits)).toMatchObject({
      found: 2,
      among: 4,
      counts: { here: 1, unknown: 1, elsewhere: 0, settings: 0, barred: 0 },
    });
    expect(createSlotSearch(contents).find('s', habits)).toMatchObject({
      found: 1,
      counts: { here: 1, elsewhere: 1, barred: 1 },
    });
  });
  it('has plugins of unknown kind below the others, but for one that is called exactly so', () => {
    expect(hits('tape')).toEqual(['Tape Echo Mk 2', ['unknown', 'Tape Hiss']]);
    expect(hits('tape hiss')).toEqual(['Tape Hiss']);
  });
  it('has saved settings behind plugins, but for those that are found as plugins', () => {
    const setting = plugin('Siltier');
    const found = { settings: () => [setting, contents.finder.entries[0]?.plugin as Plugin] };
    expect(hits('silt', found)).toEqual(['Silt', ['settings', 'Siltier']]);
  });
  it('puts what is called exactly so in front, though it cannot be loaded', () => {
    expect(hits('shoal')).toEqual(['Shoal', 'Shoalwater']);
    expect(hits('Shoa')).toEqual(['Shoalwater', ['barred', 'Shoal']]);
    expect(createSlotSearch(contents).find('shoal', habits)).toMatchObject({
      found: 2,
      counts: { here: 2, barred: 0 },
      hits: [{ because: 'called so' }, {}],
    });
    expect(createSlotSearch(contents).find('silt', habits).hits[0]?.because).toBe(
      'called so, and outside of where you look',
    );
  });
  it('puts what has these initials in front where nothing in the cabinet begins so', () => {
    expect(hits('gth')[0]).toBe('Grey Tide Hall');
  });
  it('tells of what is hidden only where it is called exactly so', () => {
    const hidden = new Map([...reasons, ['Silt', 'hidden from loading'] as const]);
    expect(hits('sil', { reasons: hidden })).toEqual([]);
    expect(hits('silt', { reasons: hidden })).toEqual(['Silt']);
    expect(hits('s', { reasons: hidden, scope: 'rest' })).toEqual(['Silt', 'Shoal']);
  });
  it('leaves everything as it was where the cabinet has what is called so', () => {
    expect(hits('harbour verb')).toEqual(['Harbour Verb']);
    expect(hits('tem')[0]).toBe('Tape Echo Mk 2');
  });
  it('gives each part its least of twelve rows, and to what cannot be loaded what is left', () => {
    const many = (what: string, count: number): string[] =>
      Array.from({ length: count }, (_, n) => `Zest ${what} ${String.fromCharCode(97 + n)}`);
    const shown = (here: number, there: number, barred: number): Record<string, number> => {
      const [inside, outside, out] = [many('in', here), many('out', there), many('barred', barred)];
      const all = new Map([
        ...[...inside, ...outside].map((name) => [name, null] as const),
        ...out.map((name) => [name, 'not licensed'] as const),
      ]);
      const parts = createSlotSearch({
        ...contents,
        finder: new Finder([...all.keys()].map((name) => entryOf(plugin(name)))),
        reasons: all,
        filed: new Set(inside),
      })
        .find('zest', habits)
        .hits.map(({ part }) => part);
      return Object.fromEntries(
        parts.map((part) => [part, parts.filter((one) => one === part).length]),
      );
    };
    expect(shown(20, 20, 20)).toEqual({ here: 9, elsewhere: 3 });
    expect(shown(20, 2, 20)).toEqual({ here: 10, elsewhere: 2 });
    expect(shown(4, 20, 20)).toEqual({ here: 4, elsewhere: 8 });
    expect(shown(4, 5, 20)).toEqual({ here: 4, elsewhere: 5, barred: 3 });
    expect(shown(20, 0, 20)).toEqual({ here: 12 });
  });
});

describe('the folders of a slot', () => {
  const folders = {
    below: new Map([
      [
        'c',
        [
          folderOf('Line', { form: 'divider' }),
          folderOf('Mend'),
          folderOf('Empty'),
          folderOf('Voices'),
        ],
      ],
      ['Mend', [folderOf('Hum')]],
      ['Hum', [folderOf('Deep')]],
    ]),
    members: new Map([
      ['Hum', ['Silt', 'Shoal', 'Shoalwater']],
      ['Deep', ['Silt', 'Harbour Verb']],
      ['Voices', ['Silt']],
    ]),
  };
  const offered = (chosen: string | null): unknown[] =>
    slotFolders(folders, reasons, 'c', chosen).map((one) => [
      one.folder.id,
      one.count,
      one.countBelow,
      one.depth,
    ]);

  it('count what is below them, each plugin once, and nothing that cannot be loaded', () => {
    expect(offered(null)).toEqual([
      ['Mend', 0, 3, 0],
      ['Voices', 1, 0, 0],
    ]);
  });
  it('stand below their dividers; one with nothing below it is left out', () => {
    const lined = {
      ...folders,
      below: new Map([
        [
          'c',
          [
            folderOf('Voices'),
            folderOf('By job', { form: 'divider' }),
            folderOf('By type', { form: 'divider' }),
            folderOf('Empty'),
            folderOf('Mend'),
            folderOf('Hum'),
          ],
        ],
      ]),
    };
    expect(
      slotFolders(lined, reasons, 'c', null).map((one) => [one.folder.id, one.divider]),
    ).toEqual([
      ['Voices', null],
      ['Hum', 'By type'],
    ]);
  });
  it('show those below the chosen one and on the way to it', () => {
    expect(offered('Hum').slice(0, 3)).toEqual([
      ['Mend', 0, 3, 0],
      ['Hum', 2, 1, 1],
      ['Deep', 2, 0, 2],
    ]);
  });
  it('hold what is below them, their own first', () => {
    expect(loadableWithin('Mend', folders, reasons)).toEqual([
      'Silt',
      'Shoalwater',
      'Harbour Verb',
    ]);
  });
});
