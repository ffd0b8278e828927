import { describe, expect, it } from '@jest/globals';
import { asId, type PlacementId } from '../id.ts';
import { folderOf, placementOf } from '../order/records.test-data.ts';
import { orderOf, placementsIn, type OrderRecord } from '../order/records.ts';
import { did } from './performing.test-data.ts';

const placed = (id: string, position: string): OrderRecord => ({
  ...placementOf('Space', `plugin ${id}`, position),
  id: asId<PlacementId>(id),
});
const order = orderOf([
  folderOf('Space'),
  ...['a', 'b', 'c', 'd', 'e'].map((id, at) => placed(id, 'ABCDE'.charAt(at))),
]);
const moved = (ids: readonly string[], before: string | null) => {
  const done = did(order, {
    act: 'move-to',
    placements: ids.map((id) => asId<PlacementId>(id)),
    folder: asId('Space'),
    before: before === null ? null : asId(before),
  });
  return { words: done.words, row: placementsIn(done.order, asId('Space')).map(({ id }) => id) };
};

describe('several plugins moved within their folder', () => {
  it('stand together before the one that is meant, in the order they are given in', () => {
    expect(moved(['a', 'b'], 'e')).toEqual({
      words: 'Move 2 plugins within Space',
      row: ['c', 'd', 'a', 'b', 'e'],
    });
    expect(moved(['e', 'c'], 'a').row).toEqual(['e', 'c', 'a', 'b', 'd']);
  });
  it('stand at the end without one', () => {
    expect(moved(['a', 'c'], null).row).toEqual(['b', 'd', 'e', 'a', 'c']);
  });
  it('stand where they are dropped on one of themselves', () => {
    expect(moved(['b', 'd'], 'b').row).toEqual(['a', 'b', 'd', 'c', 'e']);
    expect(moved(['d', 'e'], 'e').row).toEqual(['a', 'b', 'c', 'd', 'e']);
  });
});
