/** The one builder of cabinets, folders and placements for tests of core. */
import { asId } from '../id.ts';
import { plainFolder, type Cabinet, type Folder, type Placement } from './records.ts';

/** A cabinet of that id and name, with what a test says of it. */
export const cabinetOf = (id: string, more: Partial<Cabinet> = {}): Cabinet => ({
  table: 'cabinet',
  id: asId(id),
  name: id,
  position: 'V',
  opensFor: [],
  sortedBy: null,
  ...more,
});

/** A folder of that id and name at the top of the cabinet `c`, with what a test says of it. */
export const folderOf = (id: string, more: Partial<Folder> = {}): Folder => ({
  table: 'folder',
  id: asId(id),
  cabinet: asId('c'),
  parent: null,
  form: 'folder',
  name: id,
  position: 'V',
  rule: null,
  ...plainFolder,
  ...more,
});

/** A plugin filed in a folder, by the id of both. */
export const placementOf = (folder: string, plugin: string, position = 'V'): Placement => ({
  table: 'placement',
  id: asId(`${folder}/${plugin}`),
  folder: asId(folder),
  plugin: asId(plugin),
  position,
});
