/** What the page and the worker of a review say to each other. */
import type {
  LoadColumns,
  ReviewMaterial,
  ReviewPart,
  ReviewParts,
  ReviewWish,
} from '@clever-drawer/core';

/** To the worker: hold this, or work that part out. */
export type Asked =
  | {
      readonly ask: 'hold';
      readonly material: Omit<ReviewMaterial, 'uses'> & { readonly loads: LoadColumns };
    }
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
