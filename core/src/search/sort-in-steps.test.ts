import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sortInSteps } from './sort-in-steps.ts';

interface Card {
  readonly number: number;
  readonly place: number;
}
const compare = (one: Card, other: Card): number => one.number - other.number;

/** The cards in order, and in how many steps. */
function sorted(cards: readonly Card[]): { order: readonly Card[]; steps: number } {
  const sorting = sortInSteps(cards, compare);
  let steps = 0;
  let next = sorting.next();
  for (; !next.done; next = sorting.next()) {
    steps += 1;
  }
  return { order: next.value, steps };
}

describe('sorting in steps', () => {
  it('gives what the sort of the language gives, those that are alike in the order they had', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(40), { maxLength: 3_000, size: 'max' }), (numbers) => {
        const cards = numbers.map((number, place) => ({ number, place }));
        expect(sorted(cards).order).toEqual(cards.toSorted(compare));
      }),
      { numRuns: 50 },
    );
  });
  it('takes many steps for many, one for few and none for nothing', () => {
    const cards = (count: number): Card[] =>
      Array.from({ length: count }, (_, place) => ({ number: (place * 7_919) % count, place }));
    expect([0, 1, 500, 1_001].map((count) => sorted(cards(count)).steps)).toEqual([0, 1, 1, 6]);
  });
});
