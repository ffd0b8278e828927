import { describe, expect, it } from '@jest/globals';
import { perform, type Act } from '@clever-drawer/core/acts';
import { applyChange } from '@clever-drawer/core/change';
import { asId } from '@clever-drawer/core/id';
import { orderOf, type Folder, type Order } from '@clever-drawer/core/order';
import { planByJob } from '@clever-drawer/core/plans';
import { addCabinetAct, copyFolderAct, shareFavouritesAct, splitAct } from './acts.ts';

const done = (order: Order, act: Act): Order => {
  const result = perform(order, act, (plugin) => plugin);
  if (!result.ok) {
    throw new Error(JSON.stringify(result.problems));
  }
  return applyChange(order, result.value.change);
};
const foldersIn = (order: Order): Folder[] =>
  [...order.values()].filter((record): record is Folder => record.table === 'folder');

const plan = planByJob();
const make = addCabinetAct('By job', ['track'], plan);
const start = done(orderOf([]), make);

describe('acts of the File screen', () => {
  it('make a cabinet as it was planned, with favourites', () => {
    const names = foldersIn(start).map((folder) => folder.name);
    expect(plan.every((folder) => names.includes(folder.name))).toBe(true);
    expect(foldersIn(start).filter((folder) => folder.form === 'favourites')).toHaveLength(1);
  });
  it('copy a folder under new ids', () => {
    const folder = foldersIn(start).find((each) => each.form === 'folder') as Folder;
    const after = done(start, copyFolderAct(start, folder, make.id));
    const same = foldersIn(after).filter((each) => each.name === folder.name);
    expect(new Set(same.map((each) => each.id)).size).toBe(2);
  });
  it('share favourites with what the others hold, each plugin once', () => {
    const second = addCabinetAct('Second', [], []);
    const file = (folder: string, plugin: string, placement: string): Act => ({
      act: 'file',
      folder: asId(folder),
      plugins: [{ placement: asId(placement), plugin: asId(plugin) }],
      before: null,
    });
    const both = [
      second,
      file(make.favourites, 'gull', 'a'),
      file(second.favourites, 'gull', 'b'),
    ].reduce(done, start);
    const act = shareFavouritesAct(both, make.favourites);
    expect(act.act === 'share-favourites' && act.plugins.map((each) => each.plugin)).toEqual([
      'gull',
    ]);
  });
  it('split a folder into parts with ids of their own', () => {
    const act = splitAct(asId('folder'), [
      { name: 'Plates', placements: ['a'] },
      { name: 'Halls', placements: ['b', 'c'] },
    ]);
    expect(act.act === 'split-folder' && act.parts.map(({ name }) => name)).toEqual([
      'Plates',
      'Halls',
    ]);
  });
});
