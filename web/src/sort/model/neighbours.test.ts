import { describe, expect, it } from '@jest/globals';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import { neighboursOf } from './neighbours.ts';

const plugin = (name: string, type: string): Plugin => ({
  id: asId(name),
  name,
  vendor: null,
  kind: 'effect',
  types: [type],
  arrived: '2026-11-01',
  copies: [],
});
const folder = (name: string, form: Folder['form'] = 'folder'): Folder =>
  ({ id: name, name, form }) as unknown as Folder;
const plugins = [
  plugin('Gull', 'reverb/plate'),
  plugin('Tern', 'reverb/hall'),
  plugin('Knot', 'reverb/plate'),
  plugin('Rail', 'delay'),
];
const foldersOf = new Map([
  ['Gull', [folder('Rooms'), folder('All rooms', 'smart')]],
  ['Knot', [folder('Rooms')]],
]);
const loads = (id: string): number => (id === 'Knot' ? 5 : 0);

describe('the neighbours of an answer', () => {
  it('are the others of its type, most used first, with the folder most of them are in', () => {
    const found = neighboursOf('reverb/plate', new Set(['Rail']), plugins, loads, foldersOf);
    expect(found.plugins.map(({ name }) => name)).toEqual(['Knot', 'Gull']);
    expect(found.folder).toEqual({ name: 'Rooms', count: 2 });
  });
  it('are all of a group, without what is asked about, and may be none', () => {
    const all = neighboursOf('reverb', new Set(['Gull']), plugins, loads, new Map());
    expect([all.count, all.folder]).toEqual([2, null]);
    expect(neighboursOf('drums', new Set(), plugins, loads, foldersOf).count).toBe(0);
  });
});
