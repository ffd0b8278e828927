import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { entryOf, noGivenNames } from '../search/entry.ts';
import { Finder } from '../search/finder.ts';
import { habitsOf, noUse } from '../search/habits.ts';
import { folderOf } from '../order/records.test-data.ts';
import { countScopes, createSlotSearch, loadableWithin, slotFolders } from './slot-search.ts';

const plugin = (name: string): Plugin => ({
  id: asId(name),
  name,
  vendor: 'Quoin',
  kind: 'effect',
  types: ['delay'],
  arrived: '2026-01-01',
  copies: [],
});
const inCabinet = ['Shoalwater', 'Tape Echo Mk 2', 'Harbour Verb'];
const elsewhere = ['Silt', 'Grey Tide Hall'];
const ended = ['Shoal'];
const finder = new Finder(
  [...inCabinet, ...elsewhere, ...ended].map((name) => entryOf(plugin(name), noGivenNames)),
);
const reasons = new Map([
  ...[...inCabinet, ...elsewhere].map((name) => [name, null] as const),
  ...ended.map((name) => [name, 'its trial ended on 3 November'] as const),
]);
const filed = new Set(inCabinet);
const search = createSlotSearch({
  finder,
  reasons,
  filed,
  counts: countScopes(reasons, filed),
  scope: 'cabinet',
  inFolder: null,
  forgotten: null,
});
const habits = habitsOf(noUse);
const hits = (typed: string): string[] =>
  search.find(typed, habits).hits.map((hit) => hit.plugin.name);

describe('the search of a slot', () => {
  it('puts what is called exactly so in front, though it cannot be loaded', () => {
    expect(hits('shoal')).toEqual(['Shoal', 'Shoalwater']);
    expect(hits('Shoa')).toEqual(['Shoalwater']);
    expect(search.find('shoal', habits)).toMatchObject({ found: 2, isWidened: false });
  });
  it('puts what has these initials in front where nothing in the cabinet begins so', () => {
    expect(hits('gth')[0]).toBe('Grey Tide Hall');
    expect(search.find('silt', habits)).toMatchObject({ isWidened: true, found: 1 });
  });
  it('leaves everything as it was where the cabinet has what is called so', () => {
    expect(hits('harbour verb')).toEqual(['Harbour Verb']);
    expect(hits('tem')[0]).toBe('Tape Echo Mk 2');
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
