import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { beginsAlmost, editDistance, isOneApart } from './edit-distance.ts';

const short = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), maxLength: 6 });

/** The definition of optimal string alignment, by recursion (as in Boytsov 2011, from memory). */
function distance(a: string, b: string): number {
  if (a === '' || b === '') {
    return a.length + b.length;
  }
  const isSwapped = a.length > 1 && b.length > 1 && a.at(-1) === b.at(-2) && a.at(-2) === b.at(-1);
  return Math.min(
    distance(a.slice(0, -1), b) + 1,
    distance(a, b.slice(0, -1)) + 1,
    distance(a.slice(0, -1), b.slice(0, -1)) + (a.at(-1) === b.at(-1) ? 0 : 1),
    isSwapped ? distance(a.slice(0, -2), b.slice(0, -2)) + 1 : Infinity,
  );
}

describe('the distance of two texts', () => {
  it('is that of the examples in the literature', () => {
    // Commonly given ones, from memory; "ca" and "abc" tell optimal alignment (3) from Damerau's distance (2).
    expect([
      editDistance('kitten', 'sitting'),
      editDistance('saturday', 'sunday'),
      editDistance('ca', 'abc'),
      editDistance('reverb', 'revreb'),
      editDistance('', 'echo'),
    ]).toEqual([3, 3, 3, 1, 4]);
  });
  it('is that of the definition', () => {
    fc.assert(
      fc.property(short, short, (a, b) => {
        expect(editDistance(a, b)).toBe(distance(a, b));
      }),
    );
  });
});

describe('a slip of the fingers', () => {
  it('is a distance of at most one', () => {
    fc.assert(
      fc.property(short, short, (a, b) => {
        expect(isOneApart(a, b)).toBe(editDistance(a, b) <= 1);
      }),
      { numRuns: 1_000 },
    );
  });
  it('is forgiven once where a text begins with what was typed', () => {
    fc.assert(
      fc.property(short, short, (text, typed) => {
        const beginnings = Array.from({ length: text.length + 1 }, (_, end) => text.slice(0, end));
        expect(beginsAlmost(text, typed)).toBe(
          beginnings.some((beginning) => editDistance(beginning, typed) <= 1),
        );
      }),
      { numRuns: 1_000 },
    );
  });
});
