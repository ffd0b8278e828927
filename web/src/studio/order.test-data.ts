/** Records of an order, for tests. */
import { asId } from '@clever-drawer/core/id';
import { plainFolder, type Cabinet, type Folder } from '@clever-drawer/core/order';

/** A cabinet, with what a test says of it. */
export const cabinetOf = (id: string, more: Partial<Cabinet> = {}): Cabinet => ({
  table: 'cabinet',
  id: asId(id),
  name: 'Everyday',
  position: 'V',
  opensFor: [],
  sortedBy: null,
  ...more,
});

/** A folder at the top of the cabinet `c`, called as its id unless a test says otherwise. */
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
