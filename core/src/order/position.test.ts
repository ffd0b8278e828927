import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { between, spread } from './position.ts';

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
  it('refuse neighbours in the wrong order', () =>
    expect(() => between('b', 'a')).toThrow(RangeError));
});
