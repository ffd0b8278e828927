/** The wish of the moment: the same object as long as the same is wished, of a moment that stands for some minutes. */
import type { ReviewWish } from '@clever-drawer/core';
import { wishOf } from './wish.ts';

/** A review stands for some minutes: opened again, it is of the same moment. Milliseconds. */
const standsFor = 10 * 60_000;
let reviewedAt = 0;
let wished: ReviewWish | null = null;

/** The moment that a review is of. Milliseconds since 1970. */
export function timeOfReview(): number {
  if (Date.now() - reviewedAt > standsFor) {
    reviewedAt = Date.now();
  }
  return reviewedAt;
}

/** The same object as long as the same is wished. */
export function sameWish(wish: ReviewWish): ReviewWish {
  if (JSON.stringify(wished) !== JSON.stringify(wish)) {
    wished = wish;
  }
  return wished ?? wish;
}

/** What is wished for when the screen is opened without saying more. */
export const firstWish = (): ReviewWish => sameWish(wishOf(new URLSearchParams(), timeOfReview()));
