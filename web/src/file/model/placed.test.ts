import { describe, expect, it } from '@jest/globals';
import { asId } from '@clever-drawer/core/id';
import type { Placement } from '@clever-drawer/core/order';
import { neighboursOf } from './placed.ts';

const all = ['a', 'b', 'c', 'd', 'e'].map(
  (id): Placement => ({
    table: 'placement',
    id: asId(id),
    folder: asId('f'),
    plugin: asId(`plugin ${id}`),
    position: id,
  }),
);
const around = (...ids: string[]) => {
  const { before, next, isLast } = neighboursOf(
    all,
    all.filter(({ id }) => ids.includes(id)),
  );
  return [before?.id, next?.id, isLast];
};

describe('what is beside placements', () => {
  it('is the one before, and the second behind, which they come to stand before', () => {
    expect(around('b')).toEqual(['a', 'd', false]);
    expect(around('b', 'c')).toEqual(['a', 'e', false]);
  });
  it('is nothing at either end', () => {
    expect(around('a')).toEqual([undefined, 'c', false]);
    expect(around('d')).toEqual(['c', undefined, false]);
    expect(around('e')).toEqual(['d', undefined, true]);
  });
  it('is beside all of them where others stand between', () => {
    expect(around('b', 'd')).toEqual(['a', undefined, false]);
  });
});
