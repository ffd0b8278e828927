import { describe, expect, it } from '@jest/globals';
import { edgeAt, edgeScroll } from './edge-scroll.ts';

const scroll = (y: number, since: number): number => edgeScroll({ y, since }, 100, 500);

describe('scrolling while something is dragged', () => {
  it('leaves what is under the pointer where it is, also near the edge', () => {
    expect([scroll(300, 5_000), scroll(105, 150), scroll(495, 150)]).toEqual([0, 0, 0]);
  });
  it('begins at the edge after resting there, and outside at once, faster further away', () => {
    expect([scroll(105, 900), scroll(495, 900)]).toEqual([-3, 3]);
    expect(scroll(540, 0)).toBeGreaterThan(scroll(510, 0));
    expect(scroll(60, 0)).toBeLessThan(0);
    expect(scroll(5_000, 0)).toBe(18);
  });
  it('knows the edge one is at', () => {
    expect([edgeAt(50, 100, 500), edgeAt(490, 100, 500), edgeAt(300, 100, 500)]).toEqual([
      'top',
      'bottom',
      null,
    ]);
  });
});
