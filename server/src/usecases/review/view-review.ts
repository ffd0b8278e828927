/** A review, part by part, as JSON text: a `WorkedReview`. */
import { memoizeByObject, memoizeIn } from '@clever-drawer/core/memoize';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import type { ReviewPart, ReviewView } from '@clever-drawer/core/review';
import { findComputer } from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';
import type { StudioNow } from '../../studio/studios.ts';
import { gatherReview } from './gather-review.ts';

/** The most parts that are remembered of one moment. */
const most = 30;
const workedOutAt = memoizeByObject<StudioNow, [], Map<string, Promise<string>>>(() => new Map());

/** A part as it is now; who asks for the same meanwhile waits for the same. */
export async function viewReview(
  parts: Parts,
  computer: string,
  part: ReviewPart,
  view: ReviewView,
): Promise<Result<string>> {
  if (!(await findComputer(parts.database.manager, computer))) {
    return failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
  }
  const now = await parts.studios.of(computer);
  const known = workedOutAt(now);
  const key = JSON.stringify([part, view]);
  const work = async (): Promise<string> => {
    const facts = await gatherReview(now, parts, computer);
    const worked = await parts.reviewer.work(facts, part, view);
    const at = new Date(now.at).toISOString();
    return `{"at":"${at}","isLearning":${now.isLearning},"review":{"${part}":${worked}}}`;
  };
  const text = memoizeIn(known, most, key, work);
  // Asked again, it is tried again.
  text.catch(() => known.delete(key));
  return ok(await text);
}
