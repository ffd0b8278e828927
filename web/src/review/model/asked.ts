/** What the page and the worker of a review say to each other. */
import type { ReviewPart, ReviewParts, ReviewSource, ReviewWish } from '@clever-drawer/core';
import type { MaterialHere } from './material.ts';

/** What the server told that figures are made of. */
export type MaterialTold = Pick<ReviewSource, 'loads' | 'comings' | 'sessions'>;

/** To the worker: hold what the window or what the server knows, or work that part out. */
export type Asked =
  | { readonly ask: 'hold here'; readonly here: MaterialHere }
  | { readonly ask: 'hold told'; readonly told: MaterialTold }
  | {
      readonly ask: 'review';
      readonly number: number;
      readonly part: ReviewPart;
      readonly wish: ReviewWish;
    };

/** From the worker: the part that was asked for under this number. */
export interface Answered {
  readonly number: number;
  readonly review: Partial<ReviewParts>;
}
