/** A review, part by part, as JSON text: a `WorkedReview`. */
import {
  failed,
  ok,
  reviewParts,
  usualView,
  type Result,
  type ReviewPart,
  type ReviewView,
} from '@clever-drawer/core';
import { findComputer } from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';
import type { Told } from '../../reviewer/index.ts';

/** Works a part out. */
export async function workOutReview(
  { reviewer }: Parts,
  told: Told,
  part: ReviewPart,
  view: ReviewView,
): Promise<string> {
  const worked = await reviewer.work(told, part, view);
  const at = new Date(told.at).toISOString();
  return `{"at":"${at}","isLearning":${told.isLearning},"review":{"${part}":${worked}}}`;
}

/** A part as it is now. */
export async function viewReview(
  parts: Parts,
  computer: string,
  part: ReviewPart,
  view: ReviewView,
): Promise<Result<string>> {
  return (await findComputer(parts.database.manager, computer))
    ? ok(await parts.reviews.now(computer, part, view))
    : failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
}

/** A part as it was worked out last, at once; `null` where there is none, or `viewReview` is at once, too. */
export const viewReviewBefore = (
  parts: Parts,
  computer: string,
  part: ReviewPart,
  view: ReviewView,
): string => parts.reviews.before(computer, part, view) ?? 'null';

/** Works out what a window opens first, one part after the other, so that it is there. */
export async function workOutAhead(parts: Parts, computer: string): Promise<void> {
  for (const part of reviewParts) {
    await parts.reviews.now(computer, part, usualView);
  }
}
