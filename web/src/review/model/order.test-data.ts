/** A cabinet and folders of few words, for tests of what advice does. */
import { asId, type FolderId } from '@clever-drawer/core/id';
import { plainFolder, type Cabinet, type Folder } from '@clever-drawer/core/order';

export const cabinet: Cabinet = {
  table: 'cabinet',
  id: asId('cabinet'),
  name: 'All',
  position: 'a',
  opensFor: [],
  sortedBy: null,
};

/** A folder of the cabinet, called like its id. */
export const folder = (id: string, more: Partial<Folder> = {}): Folder => ({
  ...plainFolder,
  table: 'folder',
  id: asId<FolderId>(id),
  cabinet: cabinet.id,
  parent: null,
  form: 'folder',
  name: id,
  position: 'aV',
  rule: null,
  ...more,
});
