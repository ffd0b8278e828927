/**
 * The parts of a review as they were worked out last, kept in this browser: a fresh window shows
 * them, and says of when they are, until what is of now takes their place. An entry a part: no more
 * is read or written than what is shown or was worked out.
 */
import { reviewParts, type ReviewPart, type ReviewParts } from '@clever-drawer/core';
import { forget, remember, remembered } from '../ui/keys.ts';

const placeOf = (part: ReviewPart): string => `review.${part}`;

export interface KeptReview {
  readonly computer: string;
  /** The program that worked it out: another one may make something else of it. */
  readonly by: string;
  /** What was looked at: period, kind, track, cabinet and vendor. */
  readonly view: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly isLearning: boolean;
  /** The parts that were worked out. */
  readonly review: Partial<ReviewParts>;
}

/** That part of the computer, worked out by the same program; null where there is none. */
export function keptReview(computer: string, by: string, part: ReviewPart): KeptReview | null {
  try {
    const kept = JSON.parse(remembered(placeOf(part), 'null')) as KeptReview | null;
    return kept?.computer === computer && kept.by === by ? kept : null;
  } catch {
    return null;
  }
}

let forgotten = 0;
/** How often a review was forgotten in this window: asked for before, it is not to be kept any more. */
export const timesForgotten = (): number => forgotten;

/** Keeps each of its parts in place of what was kept before; where nothing is learnt, nothing is kept. */
export function keepReview(kept: KeptReview, askedAfter: number): void {
  if (!kept.isLearning) {
    forgetReview();
    return;
  }
  if (askedAfter !== forgotten) {
    return;
  }
  for (const part of reviewParts) {
    const review = kept.review[part];
    if (review !== undefined) {
      remember(placeOf(part), JSON.stringify({ ...kept, review: { [part]: review } }));
    }
  }
}

/** Nothing of what was learnt stays here. */
export function forgetReview(): void {
  forgotten += 1;
  for (const part of reviewParts) {
    forget(placeOf(part));
  }
}
