/** The worker of a review for tests, and what a server tells of which nothing is known. */
import { columnsOf, type ReviewSource } from '@clever-drawer/core';
import type { Asked } from './model/asked.ts';

/** A worker that only notes what it is sent, and answers when it is told to. */
export class NotedWorker {
  static latest: NotedWorker | undefined;
  readonly sent: Asked[] = [];
  onmessage: (event: { data: unknown }) => void = () => undefined;
  constructor() {
    NotedWorker.latest = this;
  }
  postMessage(asked: Asked): void {
    this.sent.push(asked);
  }
  /** Answers the question at that place, from the end with a negative one: with its part worked out to this. */
  answer(nth: number, workedOut: unknown): void {
    const question = this.sent.filter(({ ask }) => ask === 'review').at(nth);
    if (question?.ask === 'review') {
      const { number, part } = question;
      this.onmessage({ data: { number, review: { [part]: workedOut } } });
    }
  }
  /** What it was sent, in short. */
  get asks(): string[] {
    return this.sent.map((one) => (one.ask === 'review' ? one.part : one.ask));
  }
}

export const sourceOf = (isLearning: boolean): ReviewSource => ({
  isLearning,
  loads: columnsOf([]),
  comings: [],
  sessions: [],
});
