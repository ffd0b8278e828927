import { describe, expect, it } from '@jest/globals';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { plainFolder, type Folder } from '@clever-drawer/core/order';
import { pluginOf } from '@clever-drawer/core/testing';
import { neighboursOf } from './neighbours.ts';

const plugin = (name: string, type: string): Plugin =>
  pluginOf(name, { id: asId(name), types: [type] });
const folder = (name: string, form: Folder['form'] = 'folder'): Folder => ({
  ...plainFolder,
  table: 'folder',
  id: asId(name),
  cabinet: asId('cabinet'),
  parent: null,
  name,
  form,
  rule: null,
  position: 'V',
});
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
