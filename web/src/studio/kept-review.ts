/**
 * What was worked out of a review last, kept in this browser: a fresh window shows it, and says of
 * when it is, until what is of now takes its place.
 */
import type { ReviewParts } from '@clever-drawer/core';
import { forget, remember, remembered } from '../ui/keys.ts';

const place = 'review';

export interface KeptReview {
  readonly computer: string;
  /** The program that worked it out: another one may make something else of it. */
  readonly by: string;
  /** What was looked at: period, kind, track, cabinet and vendor. */
  readonly view: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly isLearning: boolean;
  readonly review: Partial<ReviewParts>;
}

/** The one of that computer, worked out by the same program; null where there is none. */
export function keptReview(computer: string, by: string): KeptReview | null {
  try {
    const kept = JSON.parse(remembered(place, 'null')) as KeptReview | null;
    return kept?.computer === computer && kept.by === by ? kept : null;
  } catch {
    return null;
  }
}

let forgotten = 0;
/** How often a review was forgotten in this window: asked for before, it is not to be kept any more. */
export const timesForgotten = (): number => forgotten;

/** Keeps it in place of what was kept before; where nothing is learnt, nothing is kept. */
export function keepReview(kept: KeptReview, askedAfter: number): void {
  if (!kept.isLearning) {
    forgetReview();
  } else if (askedAfter === forgotten) {
    remember(place, JSON.stringify(kept));
  }
}

/** Nothing of what was learnt stays here. */
export function forgetReview(): void {
  forgotten += 1;
  forget(place);
}
