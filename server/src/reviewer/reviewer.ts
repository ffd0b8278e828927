/** The thread that works reviews out: started when it is first asked, and ended when nobody asks. */
import type { ReviewPart, ReviewView } from '@clever-drawer/core/review';
import { helperProgram } from '../helper-program.ts';
import { Thread } from '../thread.ts';
import type { ReviewDone, ReviewFacts, ReviewTask } from './review-worker.ts';

/** So long after it was asked last the thread ends, and gives its memory back. Milliseconds. */
const idle = 10 * 60_000;

/** Works out one part after the other. */
export class Reviewer {
  #thread: Thread<ReviewTask, ReviewDone> | null = null;
  /** What the thread works on. */
  #facts: ReviewFacts | null = null;
  #timer: NodeJS.Timeout | undefined;

  /** That part as JSON. Rejects where the thread breaks, as for want of memory; the next has a new one. */
  work(facts: ReviewFacts, part: ReviewPart, view: ReviewView): Promise<ReviewDone> {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => {
      this.close().catch(() => undefined);
    }, idle).unref();
    const thread = (this.#thread ??= this.#start());
    const task = { facts: this.#facts === facts ? null : facts, part, view };
    this.#facts = facts;
    return new Promise((resolve, reject) => {
      thread.give({ task, limit: null, resolve, reject });
    });
  }

  async close(): Promise<void> {
    clearTimeout(this.#timer);
    const thread = this.#forget();
    await thread?.end();
  }

  #start(): Thread<ReviewTask, ReviewDone> {
    const program = helperProgram('review-worker-start', import.meta.url);
    return new Thread<ReviewTask, ReviewDone>(
      program,
      {},
      {
        onAnswered: () => undefined,
        onBroken: (left) => {
          this.#forget();
          for (const { reject } of left) {
            reject(new Error('the thread that works reviews out ended'));
          }
        },
      },
    );
  }

  #forget(): Thread<ReviewTask, ReviewDone> | null {
    const thread = this.#thread;
    this.#thread = null;
    this.#facts = null;
    return thread;
  }
}
