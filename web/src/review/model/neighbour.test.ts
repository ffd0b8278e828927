import { describe, expect, it } from '@jest/globals';
import { markAfter } from './neighbour.ts';

/** Two rows of three. */
const marks = [0, 1].flatMap((y) => [0, 1, 2].map((x) => ({ x: x * 30, y: y * 20 })));

describe('markAfter', () => {
  it.each([
    ['ArrowRight', 0, 1],
    ['ArrowRight', 2, 2],
    ['ArrowLeft', 4, 3],
    ['ArrowDown', 1, 4],
    ['ArrowUp', 5, 2],
    ['ArrowUp', 1, 1],
    ['Home', 4, 0],
    ['End', 1, 5],
    ['Enter', 1, null],
  ])('%s from %d goes to %s', (key, from, to) => {
    expect(markAfter(marks, from, key)).toBe(to);
  });
  it('goes over gaps to the nearest', () => {
    expect(
      markAfter(
        [
          { x: 0, y: 0 },
          { x: 90, y: 5 },
          { x: 40, y: 60 },
        ],
        0,
        'ArrowRight',
      ),
    ).toBe(1);
  });
});
