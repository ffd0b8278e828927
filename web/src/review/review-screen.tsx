/** Review: pictures of the collection, and what to do about them. */
import { useState } from 'react';
import type { ReviewPart, ReviewParts } from '@clever-drawer/core/review';
import { reviewTabs } from '../studio/parts/screen-parts.ts';
import { PartTabs } from '../ui/part-tabs.tsx';
import { useAddress } from '../ui/use-address.ts';
import { WishBar } from './wish-bar.tsx';
import { ChangesPart } from './parts/changes-part.tsx';
import { OrderPart } from './parts/order-part.tsx';
import { OwnPart } from './parts/own-part.tsx';
import { UsePart } from './parts/use-part.tsx';
import { WorthPart } from './parts/worth-part.tsx';
import { BehindProvider } from './pictures/behind.tsx';
import { useReviewOf } from './use-review.ts';
import './review.css';
import * as texts from './texts.ts';

export function ReviewScreen() {
  const [params, show] = useAddress();
  const [now] = useState(() => Date.now());
  const { part, review, isBusy, isLearning, error } = useReviewOf(params);
  return (
    <main id="content" tabIndex={-1} className="review-screen" aria-busy={isBusy}>
      <h1 className="visually-hidden">
        {texts.review} {reviewTabs.find(([id]) => id === part)?.[1]}
      </h1>
      <header className="review-head">
        <PartTabs
          label={texts.partsOfTheReview}
          parts={reviewTabs}
          shown={part}
          onShow={(id) => {
            show({ part: id === 'worth' ? null : id });
          }}
        />
        <WishBar params={params} onChange={show} />
      </header>
      {error && (
        <p role="alert" className="text-brick">
          {error.message}
        </p>
      )}
      <BehindProvider>
        <PartOf part={part} review={review} isLearning={isLearning} now={now} />
      </BehindProvider>
    </main>
  );
}

interface PartProps {
  readonly part: ReviewPart;
  readonly review: Partial<ReviewParts>;
  readonly isLearning: boolean;
  readonly now: number;
}

function PartOf({ part, review, isLearning, now }: PartProps) {
  switch (part) {
    case 'worth':
      return review.worth && <WorthPart review={review.worth} now={now} />;
    case 'own':
      return review.own && <OwnPart review={review.own} />;
    case 'use':
      return review.use && <UsePart review={review.use} isLearning={isLearning} />;
    case 'changes':
      return review.changes && <ChangesPart review={review.changes} />;
    case 'order':
      return review.order && <OrderPart review={review.order} />;
  }
}
