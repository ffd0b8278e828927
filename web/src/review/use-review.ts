/**
 * The part of a review that the address asks for, worked out in a worker, and again when anything it
 * is made of changes.
 */
import { useEffect, useMemo, useState } from 'react';
import type { ReviewPart, ReviewParts, ReviewSource, ReviewWish } from '@clever-drawer/core';
import { useArrangement, useCatalog, useComputer, useOrder } from '../studio/contexts.ts';
import { keepReview, keptReview, timesForgotten } from '../studio/kept-review.ts';
import { useReviewSource } from '../studio/use-review-source.ts';
import { oncePainted, whenAtRest } from '../ui/idle.ts';
import { materialOf, type MaterialHere } from './model/material.ts';
import { theReviewer } from './reviewer.ts';

export interface ReviewState {
  /** The parts that are there; of an older wish while a new one is worked out. */
  readonly review: Partial<ReviewParts>;
  /** When the part that is asked for was worked out, where that was in another window. Milliseconds. */
  readonly keptAt: number | null;
  readonly isLearning: boolean;
  readonly error: Error | null;
}

/** What was worked out last, and of what: the same again is there at once. */
let latest: {
  readonly computer: string;
  readonly of: readonly [MaterialHere, ReviewSource, ReviewWish];
  readonly review: Partial<ReviewParts>;
} | null = null;

/** What is looked at, whatever the moment. */
const viewOf = ({ now, from, ...others }: ReviewWish): string =>
  JSON.stringify({ ...others, span: from === null ? null : now - from });

/** The program, by the name it was built under. */
const program = import.meta.url;

const isLatest = (
  material: MaterialHere | null,
  source: ReviewSource | undefined,
  wish: ReviewWish,
) =>
  latest !== null && latest.of[0] === material && latest.of[1] === source && latest.of[2] === wish;

type Held = Parameters<typeof materialOf>[0];

/** What the window held when the material was made last; the same again gives the same material. */
let made: { readonly of: readonly unknown[]; readonly material: MaterialHere } | null = null;

const partsOf = ({ plugins, answers, formatOrder, order, arrangement }: Held): unknown[] => [
  plugins,
  answers,
  formatOrder,
  order,
  arrangement.rules.membersOf,
];

/** The material of what the window holds, where it was made already. */
function madeOf(held: Held): MaterialHere | null {
  const parts = partsOf(held);
  return made?.of.every((one, at) => one === parts[at]) ? made.material : null;
}

/** With many plugins this takes longer than a frame. */
function makeMaterial(held: Held): MaterialHere {
  const material = madeOf(held) ?? materialOf(held);
  made = { of: partsOf(held), material };
  return material;
}

/** What stands until what is of now takes its place: of this window, else of one before it. */
interface Before {
  readonly review: Partial<ReviewParts>;
  readonly keptAt: number | null;
  readonly isLearning: boolean;
}

function before(computer: string, wish: ReviewWish, part: ReviewPart): Before {
  if (latest?.computer === computer && viewOf(latest.of[2]) === viewOf(wish)) {
    return { review: latest.review, keptAt: null, isLearning: latest.of[1].isLearning };
  }
  const kept = keptReview(computer, program, part);
  return kept?.view === viewOf(wish)
    ? { review: kept.review, keptAt: kept.at, isLearning: kept.isLearning }
    : { review: {}, keptAt: null, isLearning: true };
}

/** The same for each part that is shown, looked up once. */
function standingOf(computer: string, wish: ReviewWish): (part: ReviewPart) => Before {
  const known = new Map<ReviewPart, Before>();
  return (part) => {
    const stands = known.get(part) ?? before(computer, wish, part);
    known.set(part, stands);
    return stands;
  };
}

/** Takes down what was worked out, for this window and the next. */
function takeDown(
  computer: string,
  of: readonly [MaterialHere, ReviewSource, ReviewWish],
  answer: Partial<ReviewParts>,
  askedAfter: number,
): void {
  const [material, source, wish] = of;
  const review = isLatest(material, source, wish) ? { ...latest?.review, ...answer } : answer;
  latest = { computer, of, review };
  const { isLearning } = source;
  const view = viewOf(wish);
  keepReview({ computer, by: program, view, at: wish.now, isLearning, review: answer }, askedAfter);
}

/** What nobody waits for, or what stands from before meanwhile, is worked out when hands are at rest. */
export function useReview(part: ReviewPart, wish: ReviewWish, isAwaited = true): ReviewState {
  const { client } = useComputer();
  const { plugins, answers, formatOrder } = useCatalog();
  const { order } = useOrder();
  const { arrangement } = useArrangement();
  const { data: source, error } = useReviewSource();
  const held = useMemo(
    () => ({ plugins, answers, formatOrder, order: order.records, arrangement }),
    [plugins, answers, formatOrder, order.records, arrangement],
  );
  const [standing] = useState(() => standingOf(client.computer, wish));
  const stands = standing(part);
  const isStanding = stands.review[part] !== undefined;
  const [review, setReview] = useState<Partial<ReviewParts>>({});
  useEffect(() => {
    let isWanted = true;
    const askFor = (of: ReviewSource): void => {
      const material = makeMaterial(held);
      if (isLatest(material, of, wish) && latest?.review[part] !== undefined) {
        return;
      }
      const askedAfter = timesForgotten();
      theReviewer().ask([material, of], { part, wish }, (answer) => {
        takeDown(client.computer, [material, of, wish], answer, askedAfter);
        if (isWanted) {
          setReview((others) => ({ ...others, ...answer }));
        }
      });
    };
    const soon = isAwaited && !isStanding ? oncePainted : whenAtRest;
    soon(() => {
      if (!isWanted) {
        return;
      }
      if (source) {
        askFor(source);
      } else {
        // The worker starts, and has what the window holds, while the rest is on its way.
        theReviewer().hold(makeMaterial(held));
      }
    });
    return () => {
      isWanted = false;
    };
  }, [client, held, source, part, wish, isAwaited, isStanding]);
  // What was worked out ahead meanwhile is there, too.
  const ahead = isLatest(madeOf(held), source, wish) ? latest?.review : undefined;
  const ofNow = { ...review, ...ahead };
  // What is not learnt any more is not shown.
  const isKept = source?.isLearning !== false || !stands.isLearning;
  return {
    review: isKept ? { ...stands.review, ...ofNow } : ofNow,
    keptAt: ofNow[part] === undefined ? stands.keptAt : null,
    isLearning: source?.isLearning ?? stands.isLearning,
    error,
  };
}
