/** The part of a review that the address asks for, asked for again when anything it is made of changes. */
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  reviewParts,
  viewOf,
  type ReviewPart,
  type ReviewParts,
  type ReviewView,
} from '@clever-drawer/core/review';
import { useComputer } from '../studio/contexts.ts';

export interface ReviewState {
  readonly part: ReviewPart;
  /** The part, once it is there; of an older view while a new one is worked out. */
  readonly review: Partial<ReviewParts>;
  /** Whether it is not there yet as it is now. */
  readonly isBusy: boolean;
  readonly isLearning: boolean;
  readonly error: Error | null;
}

/** Of the address's part, which is the first where it names none. */
export function useReviewOf(params: URLSearchParams): ReviewState {
  const part = reviewParts.find((one) => one === params.get('part')) ?? 'worth';
  return useReview(
    part,
    useMemo(() => viewOf(params), [params]),
  );
}

export function useReview(part: ReviewPart, view: ReviewView): ReviewState {
  const { client } = useComputer();
  // Nothing of it stays in the window: the server knows what is to be forgotten.
  const now = useQuery({
    queryKey: ['review', client.computer, part, view],
    queryFn: () => client.review(part, view),
    placeholderData: keepPreviousData,
    structuralSharing: false,
    gcTime: 0,
  });
  return {
    part,
    review: now.data?.review ?? {},
    isBusy: !now.isSuccess || now.isPlaceholderData,
    isLearning: now.data?.isLearning ?? true,
    error: now.error,
  };
}
