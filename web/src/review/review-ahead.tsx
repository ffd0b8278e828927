/**
 * Works out the first part of a review while the window is idle, once: opened, it stands at once, and
 * is worked out anew beside that where something changed meanwhile.
 */
import { useEffect, useState } from 'react';
import { firstWish } from './model/wish-now.ts';
import { useReview } from './use-review.ts';

export function ReviewAhead() {
  const [isDone, setDone] = useState(false);
  return isDone ? null : <Ahead onDone={setDone} />;
}

function Ahead({ onDone }: { readonly onDone: (isDone: true) => void }) {
  const [wish] = useState(firstWish);
  const { review, error } = useReview('worth', wish);
  const isAnswered = review.worth !== undefined || error !== null;
  useEffect(() => {
    if (isAnswered) {
      onDone(true);
    }
  }, [isAnswered, onDone]);
  return null;
}
