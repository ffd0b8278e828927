import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { between, byPosition, positionBefore, positionsBefore, spread } from './position.ts';

describe('positions', () => {
  it('always have room between two neighbours, wherever one inserts', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { maxLength: 200 }), (places) => {
        const keys: string[] = [];
        for (const place of places) {
          const at = place % (keys.length + 1);
          keys.splice(at, 0, between(keys[at - 1] ?? null, keys[at] ?? null));
        }
        expect(keys).toEqual([...new Set(keys)].sort());
      }),
    );
  });
  it('stay short when one inserts at the end, at the start and in bulk', () => {
    let last = between(null, null);
    let first = last;
    for (let i = 0; i < 500; i += 1) {
      last = between(last, null);
      first = between(null, first);
    }
    expect(Math.max(last.length, first.length)).toBeLessThan(110);
    const keys = spread(null, null, 5000);
    expect(keys).toEqual([...new Set(keys)].sort());
    expect(Math.max(...keys.map((k) => k.length))).toBeLessThan(5);
  });
  it('take the middle of what is free, and one digit more where two are next to each other', () => {
    expect([between(null, null), between('B', 'F'), between('B', 'C'), between('B', null)]).toEqual(
      ['V', 'D', 'BV', 'a'],
    );
    expect([between('Bz', 'C'), between('By', 'C')]).toEqual(['BzV', 'Bz']);
  });
  it('refuse neighbours in the wrong order, and equal ones', () => {
    expect(() => between('b', 'a')).toThrow(RangeError);
    expect(() => between('a', 'a')).toThrow(RangeError);
  });
});

describe('things put into a row', () => {
  const row = [
    { id: 'third', position: 'n' },
    { id: 'first', position: 'F' },
    { id: 'second', position: 'V' },
  ];
  /** The ids of the row with new things at those positions. */
  const rowWith = (positions: readonly string[]): string[] =>
    [...row, ...positions.map((position, n) => ({ id: `new ${n + 1}`, position }))]
      .sort(byPosition)
      .map(({ id }) => id);
  it('stand before the one that is named, in front of all, or at the end', () => {
    expect(rowWith(positionsBefore(row, 'second', 2))).toEqual([
      'first',
      'new 1',
      'new 2',
      'second',
      'third',
    ]);
    expect(rowWith(positionsBefore(row, 'first', 1))[0]).toBe('new 1');
    expect(rowWith(positionsBefore(row, null, 1))[3]).toBe('new 1');
    expect(rowWith(positionsBefore(row, 'not there', 1))[3]).toBe('new 1');
    expect(positionsBefore(row, 'second', 0)).toEqual([]);
  });
  it('share the key of two neighbours that have one', () => {
    const twins = [
      { id: 'a', position: 'V' },
      { id: 'b', position: 'V' },
    ];
    expect(positionsBefore(twins, 'b', 2)).toEqual(['V', 'V']);
    expect(positionsBefore([], null, 1)).toEqual(['V']);
  });
  it('do not count themselves', () => {
    expect(positionBefore(row, 'third', 'second')).toBe(between('F', 'n'));
    expect(positionBefore(row, 'third', null)).toBe(between('V', 'n'));
  });
});
