import { expect, it } from '@jest/globals';
import { asId } from '@clever-drawer/core/id';
import { plainFolder, type Folder } from '@clever-drawer/core/order';
import { filingTargets, isNameTaken, newFolderAct } from './filing-targets.ts';

const folder = (name: string, more: Partial<Folder> = {}): Folder => ({
  table: 'folder',
  id: asId(name.toLowerCase()),
  cabinet: asId('cabinet'),
  parent: null,
  form: 'folder',
  name,
  position: '',
  rule: null,
  ...plainFolder,
  ...more,
});
const folders = [
  folder('Squeeze'),
  folder('Tools', { form: 'divider' }),
  folder('Rooms'),
  folder('Echoes', { form: 'smart' }),
  folder('Also Squeeze', { shortcutTo: asId('squeeze') }),
];
const names = (found: readonly Folder[]): string[] => found.map(({ name }) => name);

it('all but dividers are offered, those filed in lately first', () => {
  expect(names(filingTargets(folders, ['rooms', 'gone'], undefined))).toEqual([
    'Rooms',
    'Squeeze',
    'Echoes',
    'Also Squeeze',
  ]);
});

it('nothing is moved into smart folders, nor to where it is, by any of its names', () => {
  expect(names(filingTargets(folders, [], { folder: asId('squeeze') }))).toEqual(['Rooms']);
});

it('a name is taken whatever its capitals', () => {
  expect(isNameTaken(folders, 'ROOMS')).toBe(true);
  expect(isNameTaken(folders, 'Room')).toBe(false);
});

it('a new folder holds the plugins, each by a placement of its own', () => {
  const act = newFolderAct(asId('new'), asId('cabinet'), 'Halls', ['a', 'b']);
  expect(act).toMatchObject({ act: 'add-folder', name: 'Halls' });
  const plugins = act.act === 'add-folder' ? (act.plugins ?? []) : [];
  expect(plugins.map((one) => one.plugin)).toEqual(['a', 'b']);
  expect(new Set(plugins.map((one) => one.placement)).size).toBe(2);
});
