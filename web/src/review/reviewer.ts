/** The worker of a review as the page sees it. It stays when the screen is left, with what it holds. */
import type { ReviewPart, ReviewParts, ReviewSource, ReviewWish } from '@clever-drawer/core';
import type { Answered, Asked } from './model/asked.ts';
import type { MaterialHere } from './model/material.ts';

type Heard = (review: Partial<ReviewParts>) => void;

/** What is being worked out, of what, and who waits for it. */
interface Question {
  readonly of: readonly [MaterialHere, ReviewSource, ReviewPart, ReviewWish];
  readonly waiting: Heard[];
}

/** The worker, what it was given last, and who waits for its answers. */
class Reviewer {
  readonly #worker: Worker;
  #here: MaterialHere | null = null;
  #source: ReviewSource | null = null;
  #number = 0;
  readonly #asked = new Map<number, Question>();

  constructor() {
    this.#worker = new Worker(new URL('./review.worker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = ({ data }: MessageEvent<Answered>) => {
      const question = this.#asked.get(data.number);
      this.#asked.delete(data.number);
      for (const then of question?.waiting ?? []) {
        then(data.review);
      }
    };
  }

  /** Gives it what the window holds, where it has something else. */
  hold(here: MaterialHere): void {
    if (this.#here !== here) {
      this.#send({ ask: 'hold here', here });
      this.#here = here;
    }
  }

  /** A part of a review that is made of this; who asks the same meanwhile waits for the same answer. */
  ask(
    [here, source]: readonly [MaterialHere, ReviewSource],
    wanted: { readonly part: ReviewPart; readonly wish: ReviewWish },
    then: Heard,
  ): void {
    const of = [here, source, wanted.part, wanted.wish] as const;
    const same = [...this.#asked.values()].find((other) =>
      other.of.every((one, at) => one === of[at]),
    );
    if (same) {
      same.waiting.push(then);
      return;
    }
    this.hold(here);
    if (this.#source !== source) {
      const { loads, comings, sessions } = source;
      this.#send({ ask: 'hold told', told: { loads, comings, sessions } });
      this.#source = source;
    }
    this.#number += 1;
    this.#asked.set(this.#number, { of, waiting: [then] });
    this.#send({ ask: 'review', number: this.#number, ...wanted });
  }

  #send(asked: Asked): void {
    this.#worker.postMessage(asked);
  }
}

let reviewer: Reviewer | null = null;
/** The one of this window, started when it is first needed. */
export const theReviewer = (): Reviewer => (reviewer ??= new Reviewer());
