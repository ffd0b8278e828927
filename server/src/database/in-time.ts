/** Waiting for an answer, but not for ever. */
import { setTimeout as pause } from 'node:timers/promises';

/** Time is counted in steps of so many milliseconds. */
const step = 200;

/**
 * What was answered; rejects when it takes longer than the limit, in milliseconds. Time in which this
 * program was itself too busy to hear the answer counts as one step at most: work of our own is no
 * silence of somebody else's.
 */
export async function inTime<T>(answer: Promise<T>, limit: number): Promise<T> {
  const settled = new AbortController();
  const answered = answer.then((value) => ({ value }));
  try {
    for (let left = limit; left > 0; left -= step) {
      const passed = pause(Math.min(step, left), null, { signal: settled.signal });
      const first = await Promise.race([answered, passed.catch(() => null)]);
      if (first) {
        return first.value;
      }
    }
  } finally {
    settled.abort();
    answered.catch(() => undefined);
  }
  throw new Error('it took too long');
}
