/** A thread that works reviews out, so that the server stays quick. It keeps what it was told last. */
import { parentPort } from 'node:worker_threads';
import {
  materialOf,
  reviewPart,
  wishOf,
  type PastUse,
  type ReviewMaterial,
  type ReviewPart,
  type ReviewSource,
  type ReviewView,
} from '@clever-drawer/core/review';

/** What a computer tells at a moment. */
export interface ReviewFacts {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly source: Omit<ReviewSource, 'uses'>;
  /** A list of `PastUse` as JSON: the database writes it, for so many rows would hold the server up. */
  readonly uses: string;
}

/** What a thread is asked: a part of a review. `facts` null: of those that it was told last. */
export interface ReviewTask {
  readonly facts: ReviewFacts | null;
  readonly part: ReviewPart;
  readonly view: ReviewView;
}

/** What it answers: that part as JSON. */
export type ReviewDone = string;

let at = 0;
let material: ReviewMaterial | null = null;

parentPort?.on('message', ({ facts, part, view }: ReviewTask) => {
  if (facts !== null) {
    at = facts.at;
    material = materialOf({ ...facts.source, uses: JSON.parse(facts.uses) as PastUse[] }, at);
  }
  if (material === null) {
    throw new Error('a review without facts');
  }
  const done: ReviewDone = JSON.stringify(reviewPart[part](material, wishOf(view, at)));
  parentPort?.postMessage(done);
});
