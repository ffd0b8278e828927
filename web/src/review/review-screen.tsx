/** Review: pictures of the collection, and what to do about them. */
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Review, ReviewSource } from '@clever-drawer/core';
import { WishBar } from './wish-bar.tsx';
import { wishOf } from './model/wish.ts';
import { ChangesPart } from './parts/changes-part.tsx';
import { OrderPart } from './parts/order-part.tsx';
import { OwnPart } from './parts/own-part.tsx';
import { UsePart } from './parts/use-part.tsx';
import { WorthPart } from './parts/worth-part.tsx';
import { BehindProvider } from './pictures/behind.tsx';
import { useReview } from './use-review.ts';
import './review.css';

const parts = [
  ['worth', 'Worth doing'],
  ['own', 'What you own'],
  ['use', 'What you use'],
  ['changes', 'What changed'],
  ['order', 'Your order'],
] as const;
type Part = (typeof parts)[number][0];

export function ReviewScreen() {
  const [params, setParams] = useSearchParams();
  const [now] = useState(() => Date.now());
  const wish = useMemo(() => wishOf(params, now), [params, now]);
  const { review, source, error } = useReview(wish);
  const part: Part = parts.find(([id]) => id === params.get('part'))?.[0] ?? 'worth';
  const show = (change: Readonly<Record<string, string | null>>): void => {
    setParams((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries(change)) {
        if (value === null || value === '') {
          next.delete(name);
        } else {
          next.set(name, value);
        }
      }
      return next;
    });
  };
  return (
    <main id="content" tabIndex={-1} className="review-screen" aria-busy={review === null}>
      <h1 className="visually-hidden">Review: {parts.find(([id]) => id === part)?.[1]}</h1>
      <header className="review-head">
        <nav className="review-tabs" aria-label="Parts of the review">
          {parts.map(([id, words]) => (
            <button
              key={id}
              type="button"
              aria-current={id === part ? 'page' : undefined}
              onClick={() => {
                show({ part: id === 'worth' ? null : id });
              }}
            >
              {words}
            </button>
          ))}
        </nav>
        <WishBar params={params} onChange={show} />
      </header>
      {error && (
        <p role="alert" className="text-brick">
          {error.message}
        </p>
      )}
      {review && source && (
        <BehindProvider>
          <PartOf part={part} review={review} source={source} now={now} />
        </BehindProvider>
      )}
    </main>
  );
}

interface PartProps {
  readonly part: Part;
  readonly review: Review;
  readonly source: ReviewSource;
  readonly now: number;
}

function PartOf({ part, review, source, now }: PartProps) {
  switch (part) {
    case 'worth':
      return <WorthPart review={review} now={now} />;
    case 'own':
      return <OwnPart review={review} />;
    case 'use':
      return <UsePart review={review} isLearning={source.isLearning} />;
    case 'changes':
      return <ChangesPart review={review} />;
    case 'order':
      return <OrderPart review={review} />;
  }
}
