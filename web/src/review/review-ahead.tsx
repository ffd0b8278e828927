/**
 * Works out the parts of a review while the window is idle, one after the other, once: opened, they
 * stand at once, and are worked out anew beside that where something changed meanwhile.
 */
import { useEffect, useState } from 'react';
import { reviewParts, type ReviewPart } from '@clever-drawer/core';
import { firstWish } from './model/wish-now.ts';
import { useReview } from './use-review.ts';

export function ReviewAhead() {
  const [at, setAt] = useState(0);
  const part = reviewParts[at];
  return part ? (
    <Ahead
      part={part}
      onDone={() => {
        setAt(at + 1);
      }}
    />
  ) : null;
}

interface AheadProps {
  readonly part: ReviewPart;
  readonly onDone: () => void;
}

function Ahead({ part, onDone }: AheadProps) {
  const [wish] = useState(firstWish);
  const { review, keptAt, error } = useReview(part, wish, false);
  const isAnswered = (review[part] !== undefined && keptAt === null) || error !== null;
  useEffect(() => {
    if (isAnswered) {
      onDone();
    }
  }, [isAnswered, onDone]);
  return null;
}
