import { describe, expect, it } from '@jest/globals';
import { asId } from '@clever-drawer/core/id';
import { plainFolder, type Folder } from '@clever-drawer/core/order';
import {
  cabinetByName,
  moveOutAct,
  neighbourAbove,
  openedPath,
  rowOf,
  shiftAct,
} from './folder-moves.ts';

const folder = (name: string, parent: string | null, form: Folder['form'] = 'folder'): Folder => ({
  table: 'folder',
  id: asId(name),
  cabinet: asId('cabinet'),
  parent: parent === null ? null : asId(parent),
  form,
  name,
  position: '',
  rule: null,
  ...plainFolder,
});
const squeeze = folder('squeeze', null);
const divider = folder('divider', null, 'divider');
const rooms = folder('rooms', null);
const halls = folder('halls', 'rooms');
const plates = folder('plates', 'rooms');
const chest = {
  folders: [squeeze, divider, rooms, halls, plates],
  below: new Map<Folder['cabinet'] | Folder['id'], readonly Folder[]>([
    [squeeze.cabinet, [squeeze, divider, rooms]],
    [rooms.id, [halls, plates]],
  ]),
};

describe('the row of a folder', () => {
  it('is that of its cabinet at the top', () => {
    expect(rowOf(chest, divider)).toEqual([squeeze, divider, rooms]);
  });
  it('is that of the folder it stands in below', () => {
    expect(rowOf(chest, halls)).toEqual([halls, plates]);
  });
});

describe('moving along the row', () => {
  it('goes before the one in front', () => {
    expect(shiftAct(chest, rooms, -1)).toMatchObject({ folder: 'rooms', before: 'divider' });
  });
  it('goes behind the next one', () => {
    expect(shiftAct(chest, squeeze, 1)).toMatchObject({ folder: 'squeeze', before: 'rooms' });
  });
  it('goes to the end behind the last one', () => {
    expect(shiftAct(chest, divider, 1)).toMatchObject({ before: null });
  });
  it.each([
    [squeeze, -1],
    [rooms, 1],
    [plates, 1],
  ] as const)('does nothing at an end (%#)', (one, by) => {
    expect(shiftAct(chest, one, by)).toBeNull();
  });
});

describe('moving out', () => {
  it('stands behind what it stood in', () => {
    expect(moveOutAct(chest, halls)).toEqual({
      act: 'move-folder',
      folder: 'halls',
      parent: null,
      before: null,
    });
  });
  it('does nothing at the top', () => {
    expect(moveOutAct(chest, rooms)).toBeNull();
  });
});

it('moving in takes the nearest folder in front, past dividers', () => {
  expect(neighbourAbove(chest, rooms)).toBe(squeeze);
});

it('there is none to move into in front of the first', () => {
  expect(neighbourAbove(chest, squeeze)).toBeUndefined();
});

it('the path of an open folder begins outermost', () => {
  expect(openedPath(chest, 'plates')).toEqual(['rooms', 'plates']);
});

it('a folder that is gone has no path', () => {
  expect(openedPath(chest, 'gone')).toEqual([]);
});

it('a cabinet by name says so, another does not', () => {
  const cabinet = { id: asId<Folder['cabinet']>('cabinet'), name: 'Everyday', sortedBy: null };
  expect(cabinetByName([{ ...cabinet, sortedBy: 'name' }], squeeze)?.name).toBe('Everyday');
  expect(cabinetByName([cabinet], squeeze)).toBeUndefined();
});
