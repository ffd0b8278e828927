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
  review: {},
};

describe('the review that a browser keeps', () => {
  beforeEach(() => {
    localStorage.clear();
  });
  it('comes back as it was kept, and is gone once it is forgotten', () => {
    keepReview(review, timesForgotten());
    expect(keptReview('net-loft', 'review-1.js')).toEqual(review);
    forgetReview();
    expect(keptReview('net-loft', 'review-1.js')).toBeNull();
  });
  it('is not kept where it was asked for before it was forgotten, or nothing is learnt', () => {
    const asked = timesForgotten();
    forgetReview();
    keepReview(review, asked);
    expect(keptReview('net-loft', 'review-1.js')).toBeNull();
    keepReview(review, timesForgotten());
    keepReview({ ...review, isLearning: false }, timesForgotten());
    expect(keptReview('net-loft', 'review-1.js')).toBeNull();
  });
  it('is not shown for another computer, nor by another program', () => {
    keepReview(review, timesForgotten());
    expect(keptReview('stage', 'review-1.js')).toBeNull();
    expect(keptReview('net-loft', 'review-2.js')).toBeNull();
  });
  it('is none where what was kept is damaged', () => {
    localStorage.setItem('clever-drawer.review', '{"computer":"net-l');
    expect(keptReview('net-loft', 'review-1.js')).toBeNull();
  });
});
