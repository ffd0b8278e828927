import { describe, expect, it } from '@jest/globals';
import { noChange } from '../change.ts';
import { asId, type FolderId, type PlacementId } from '../id.ts';
import { cabinetOf, folderOf, placementOf } from '../order/records.test-data.ts';
import { folderIn, foldersBelow, orderOf, placementsIn, type Order } from '../order/records.ts';
import type { ActOf } from './act.ts';
import { did, refusalOf } from './performing.test-data.ts';

const folder = (id: string): FolderId => asId(id);
const placement = (id: string): PlacementId => asId(id);

const order = orderOf([
  cabinetOf('c'),
  folderOf('Favourites', { form: 'favourites', position: 'a' }),
  folderOf('Tone', { position: 'b' }),
  folderOf('Warm', { parent: folder('Tone'), position: 'a' }),
  folderOf('Room', { position: 'c' }),
  folderOf('Line', { form: 'divider', position: 'd' }),
  cabinetOf('d'),
  folderOf('Elsewhere', { cabinet: asId('d') }),
  folderOf('Tone there', { cabinet: asId('d'), shortcutTo: folder('Tone') }),
  placementOf('Tone', 'Silt', 'a'),
  placementOf('Tone', 'Kelp', 'b'),
  placementOf('Tone', 'Marl', 'c'),
  placementOf('Room', 'Kelp', 'a'),
]);
const idsBelow = (now: Order, parent: string | null): string[] =>
  foldersBelow(now, asId('c'), parent === null ? null : folder(parent)).map(({ id }) => id);
const filedIn = (now: Order, id: string): string[] =>
  placementsIn(now, folder(id)).map(({ plugin }) => plugin);

describe('a folder that is moved', () => {
  const move = (
    id: string,
    parent: string | null,
    before: string | null,
  ): ActOf<'move-folder'> => ({
    act: 'move-folder',
    folder: folder(id),
    parent: parent === null ? null : folder(parent),
    before: before === null ? null : folder(before),
  });
  it('goes before another, or behind all below a folder', () => {
    expect(idsBelow(did(order, move('Room', null, 'Tone')).order, null)).toEqual([
      'Favourites',
      'Room',
      'Tone',
      'Line',
    ]);
    const inside = did(order, move('Room', 'Tone', null));
    expect([idsBelow(inside.order, 'Tone'), inside.words]).toEqual([['Warm', 'Room'], 'Move Room']);
    expect(did(order, move('Room', null, 'Room')).change).toEqual(noChange);
  });
  it('goes not into itself, a divider or another cabinet, and favourites stay at the top', () => {
    expect(refusalOf(order, move('Tone', 'Warm', null))).toEqual({
      code: 'inside-itself',
      at: 'parent',
      name: 'Tone',
    });
    expect(refusalOf(order, move('Tone', 'Tone', null)).code).toBe('inside-itself');
    expect(refusalOf(order, move('Room', 'Line', null)).code).toBe('holds-no-plugins');
    expect(refusalOf(order, move('Room', 'Elsewhere', null)).code).toBe('unknown-record');
    expect(refusalOf(order, move('Favourites', 'Tone', null)).code).toBe('stays');
    expect(did(order, move('Favourites', null, null)).words).toBe('Move Favourites');
  });
});

describe('a folder that is removed', () => {
  it('takes with it what it holds, what is below it, and where else it is shown', () => {
    const {
      order: now,
      words,
      change,
    } = did(order, { act: 'remove-folder', folder: folder('Tone') });
    expect(words).toBe('Remove the folder Tone');
    expect(change.removed.map(({ id }) => id).sort()).toEqual([
      'Tone',
      'Tone there',
      'Tone/Kelp',
      'Tone/Marl',
      'Tone/Silt',
      'Warm',
    ]);
    expect(filedIn(now, 'Room')).toEqual(['Kelp']);
    expect(did(order, { act: 'remove-folder', folder: folder('Line') }).words).toBe(
      'Remove the divider Line',
    );
    expect(refusalOf(order, { act: 'remove-folder', folder: folder('Favourites') }).code).toBe(
      'stays',
    );
  });
});

describe('what is set of a folder', () => {
  const set = (id: string, to: ActOf<'set-folder'>['set']) =>
    did(order, { act: 'set-folder', folder: folder(id), set: to });
  it('is said in words, one for each', () => {
    expect(
      [
        set('Tone', { sortedBy: 'name' }),
        set('Tone', { sortedBy: null }),
        set('Tone', { firstFormat: 'VST2' }),
        set('Tone', { firstFormat: null }),
      ].map(({ words }) => words),
    ).toEqual([
      'Sort Tone by name',
      'Sort Tone in your own order',
      'Use VST2 copies first in Tone',
      'Use the usual copies in Tone',
    ]);
  });
  it('changes nothing where it is so already, and notes lose their edges', () => {
    expect(set('Tone', { isPinned: false, sortedBy: null }).change).toEqual(noChange);
    const noted = set('Tone', { notes: '  for the sea \n' });
    expect(folderIn(noted.order, 'Tone')?.notes).toBe('for the sea');
  });
});

describe('a folder that is split', () => {
  const split = (parts: ActOf<'split-folder'>['parts'], id = 'Tone'): ActOf<'split-folder'> => ({
    act: 'split-folder',
    folder: folder(id),
    parts,
  });
  const soft = {
    id: folder('Soft'),
    name: ' Soft ',
    placements: [placement('Tone/Marl'), placement('Tone/Silt')],
  };
  const hard = { id: folder('Hard'), name: 'Hard', placements: [placement('Tone/Kelp')] };
  it('has new folders behind the old ones, with what goes into each in the order that is given', () => {
    const { order: now, words } = did(order, split([soft, hard]));
    expect(words).toBe('Split Tone into 2 folders');
    expect(idsBelow(now, 'Tone')).toEqual(['Warm', 'Soft', 'Hard']);
    expect(folderIn(now, 'Soft')?.name).toBe('Soft');
    expect([filedIn(now, 'Tone'), filedIn(now, 'Soft'), filedIn(now, 'Hard')]).toEqual([
      [],
      ['Marl', 'Silt'],
      ['Kelp'],
    ]);
  });
  it('is refused without a name, with a placement twice, of another folder, or an id that is taken', () => {
    expect(refusalOf(order, split([{ ...hard, name: ' ' }])).code).toBe('name-empty');
    expect(refusalOf(order, split([hard, { ...hard, id: folder('x') }])).code).toBe(
      'unknown-record',
    );
    expect(refusalOf(order, split([{ ...hard, placements: [placement('Room/Kelp')] }])).code).toBe(
      'unknown-record',
    );
    expect(refusalOf(order, split([{ ...hard, id: folder('Room') }])).code).toBe('id-taken');
    expect(refusalOf(order, split([hard], 'Favourites')).code).toBe('stays');
    expect(refusalOf(order, split([hard], 'Line')).code).toBe('holds-no-plugins');
  });
});

describe('folders that are merged', () => {
  it('are one: what both hold stands once, what is below goes along, and what showed the one shows the other', () => {
    const { order: now, words } = did(order, {
      act: 'merge-folders',
      from: folder('Tone'),
      into: folder('Room'),
    });
    expect(words).toBe('Merge Tone into Room');
    expect(filedIn(now, 'Room')).toEqual(['Kelp', 'Silt', 'Marl']);
    expect([folderIn(now, 'Tone'), idsBelow(now, 'Room')]).toEqual([undefined, ['Warm']]);
    expect(folderIn(now, 'Tone there')?.shortcutTo).toBe('Room');
  });
  it('are no folder and one inside it or in another cabinet', () => {
    const merge = (from: string, into: string) =>
      refusalOf(order, { act: 'merge-folders', from: folder(from), into: folder(into) }).code;
    expect([
      merge('Tone', 'Warm'),
      merge('Tone', 'Elsewhere'),
      merge('Favourites', 'Room'),
    ]).toEqual(['inside-itself', 'inside-itself', 'stays']);
  });
});

describe('plugins in folders', () => {
  it('are taken out and moved, in words that name where', () => {
    const out = (...ids: string[]) =>
      did(order, { act: 'take-out', placements: ids.map(placement) }).words;
    expect([
      out('Tone/Silt'),
      out('Tone/Silt', 'Tone/Kelp'),
      out('Tone/Kelp', 'Room/Kelp'),
    ]).toEqual([
      'Remove Silt from Tone',
      'Remove 2 plugins from Tone',
      'Remove Kelp from 2 folders',
    ]);
  });
  it('are put before others of their folder, and before themselves stay where they are', () => {
    const move = (before: string | null) =>
      did(order, {
        act: 'move-placement',
        placement: placement('Tone/Marl'),
        before: before === null ? null : placement(before),
      });
    expect(filedIn(move('Tone/Kelp').order, 'Tone')).toEqual(['Silt', 'Marl', 'Kelp']);
    expect(move('Tone/Kelp').words).toBe('Move Marl within Tone');
    expect(move('Tone/Marl').change).toEqual(noChange);
  });
});
