import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import { cabinetOf, folderOf, placementOf } from './records.test-data.ts';
import {
  belowIn,
  cabinetsOf,
  folderAndBelow,
  foldersBelow,
  foldersWithin,
  orderOf,
  placementsIn,
  resolveShortcut,
} from './records.ts';

const tone = folderOf('Tone', { position: 'b' });
const warm = folderOf('Warm', { parent: tone.id, position: 'b' });
const cold = folderOf('Cold', { parent: tone.id, position: 'a' });
const hot = folderOf('Hot', { parent: warm.id });
const room = folderOf('Room', { position: 'a' });
const elsewhere = folderOf('Elsewhere', { cabinet: asId('d'), position: 'a' });
const alias = folderOf('Tone there', { cabinet: asId('d'), shortcutTo: tone.id });
const order = orderOf([
  cabinetOf('d', { position: 'b' }),
  cabinetOf('c', { position: 'a' }),
  tone,
  warm,
  cold,
  hot,
  room,
  elsewhere,
  alias,
  placementOf('Tone', 'Silt', 'b'),
  placementOf('Tone', 'Kelp', 'a'),
  placementOf('Warm', 'Marl', 'a'),
]);

const ids = (records: readonly { readonly id: string }[]): string[] => records.map(({ id }) => id);

describe('records of an order', () => {
  it('are listed by position, those of one cabinet, parent or folder', () => {
    expect(ids(cabinetsOf(order))).toEqual(['c', 'd']);
    expect(ids(foldersBelow(order, asId('c'), null))).toEqual(['Room', 'Tone']);
    expect(ids(foldersBelow(order, asId('c'), tone.id))).toEqual(['Cold', 'Warm']);
    expect(placementsIn(order, tone.id).map(({ plugin }) => plugin)).toEqual(['Kelp', 'Silt']);
  });
  it('are found with all that stands below them', () => {
    expect(ids(folderAndBelow(order, tone))).toEqual(['Tone', 'Cold', 'Warm', 'Hot']);
    const below = belowIn(order);
    expect(below('Tone')).toEqual(['Tone', 'Cold', 'Warm', 'Hot']);
    expect(below('Room')).toEqual(['Room']);
    // A folder that stands for another has what that one has.
    expect(below('Tone there')).toEqual(below('Tone'));
    expect([resolveShortcut(order, alias.id), resolveShortcut(order, room.id)]).toEqual([
      'Tone',
      'Room',
    ]);
  });
  it('are found below several, in whatever order they come', () => {
    expect([...foldersWithin([hot, cold, warm, room, tone], ['Warm', 'Room'])].sort()).toEqual([
      'Hot',
      'Room',
      'Warm',
    ]);
    expect([...foldersWithin([hot, warm, tone], ['Tone'])].sort()).toEqual(['Hot', 'Tone', 'Warm']);
  });
});
