import { describe, expect, it } from '@jest/globals';
import type { Row } from '@clever-drawer/core/search';
import { pluginOf } from '@clever-drawer/core/testing';
import { between, listSteps, rowAfter } from './list-keys.ts';

const rows = ['a', 'b', 'c', 'd'].map((id): Row => ({ plugin: pluginOf(id), nickname: null }));

describe('keys in the list', () => {
  it('move by a row in the list and by a card among pictures', () => {
    expect([
      listSteps('list', 1, 10, 50)['ArrowRight'],
      listSteps('pictures', 4, 3, 50)['ArrowRight'],
      listSteps('pictures', 4, 3, 50)['ArrowDown'],
      listSteps('pictures', 4, 3, 50)['PageDown'],
    ]).toEqual([undefined, 1, 4, 8]);
  });
  it.each([
    [-1, 1, 0],
    [-1, -1, 3],
    [2, 5, 3],
    [1, -5, 0],
  ])('from %d by %d lead to %d', (at, step, to) => {
    expect(rowAfter(at, step, 4)).toBe(to);
  });
  it.each([
    [1, 3, 'b c d'],
    [3, 1, 'b c d'],
    [-1, 2, 'c'],
  ])('take along what lies between %d and %d', (from, to, wanted) => {
    expect(between(rows, from, to).join(' ')).toBe(wanted);
  });
});
