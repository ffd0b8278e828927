import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { firstWish, sameWish, timeOfReview } from './wish-now.ts';

const minute = 60_000;

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-11-27T12:00:00Z') });
});
afterEach(() => {
  jest.useRealTimers();
});

describe('the moment that a review is of', () => {
  it('stands for some minutes, so that what was worked out is shown again', () => {
    const opened = timeOfReview();
    jest.advanceTimersByTime(9 * minute);
    expect(timeOfReview()).toBe(opened);
  });
  it('is another one later', () => {
    const opened = timeOfReview();
    jest.advanceTimersByTime(11 * minute);
    expect(timeOfReview() - opened).toBe(11 * minute);
  });
});

describe('what is wished for', () => {
  it('is the same object as long as the same is wished', () => {
    const first = firstWish();
    expect(sameWish({ ...first })).toBe(first);
  });
  it('is another one where something differs', () => {
    const first = firstWish();
    expect(sameWish({ ...first, vendor: 'Gannet & Rope' })).not.toBe(first);
  });
});
