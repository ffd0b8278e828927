/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals';
import {
  forgetReview,
  keepReview,
  keptReview,
  timesForgotten,
  type KeptReview,
} from './kept-review.ts';

const review: KeptReview = {
  computer: 'net-loft',
  by: 'review-1.js',
  view: 'all',
  at: 1_700_000_000_000,
  isLearning: true,
  review: { worth: { summary: ['Much is used.'], advice: [] } },
};

describe('the review that a browser keeps', () => {
  beforeEach(() => {
    localStorage.clear();
  });
  it('comes back as it was kept, and is gone once it is forgotten', () => {
    keepReview(review, timesForgotten());
    expect(keptReview('net-loft', 'review-1.js', 'worth')).toEqual(review);
    forgetReview();
    expect(keptReview('net-loft', 'review-1.js', 'worth')).toBeNull();
  });
  it('is not kept where it was asked for before it was forgotten, or nothing is learnt', () => {
    const asked = timesForgotten();
    forgetReview();
    keepReview(review, asked);
    expect(keptReview('net-loft', 'review-1.js', 'worth')).toBeNull();
    keepReview(review, timesForgotten());
    keepReview({ ...review, isLearning: false }, timesForgotten());
    expect(keptReview('net-loft', 'review-1.js', 'worth')).toBeNull();
  });
  it('is kept part by part, each of its own time', () => {
    const changes = { comings: [], trials: [] };
    keepReview(review, timesForgotten());
    keepReview({ ...review, at: review.at + 1, review: { changes } }, timesForgotten());
    const at = (part: 'worth' | 'changes' | 'own') =>
      keptReview('net-loft', 'review-1.js', part)?.at ?? null;
    expect([at('worth'), at('changes'), at('own')]).toEqual([review.at, review.at + 1, null]);
    forgetReview();
    expect([at('worth'), at('changes')]).toEqual([null, null]);
  });
  it('is not shown for another computer, nor by another program', () => {
    keepReview(review, timesForgotten());
    expect(keptReview('stage', 'review-1.js', 'worth')).toBeNull();
    expect(keptReview('net-loft', 'review-2.js', 'worth')).toBeNull();
  });
  it('is none where what was kept is damaged', () => {
    localStorage.setItem('clever-drawer.review.worth', '{"computer":"net-l');
    expect(keptReview('net-loft', 'review-1.js', 'worth')).toBeNull();
  });
});
