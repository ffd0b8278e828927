/** What the page and the worker of a review say to each other. */
import type { LoadColumns, Review, ReviewMaterial, ReviewWish } from '@clever-drawer/core';

/** To the worker: hold this, or work that out. */
export type Asked =
  | {
      readonly ask: 'hold';
      readonly material: Omit<ReviewMaterial, 'uses'> & { readonly loads: LoadColumns };
    }
  | { readonly ask: 'review'; readonly number: number; readonly wish: ReviewWish };

/** From the worker: the review that was asked for under this number. */
export interface Answered {
  readonly number: number;
  readonly review: Review;
}
