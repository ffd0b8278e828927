/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { WorkedReview } from '@clever-drawer/core/api';
import { usualView, type ReviewPart, type ReviewView } from '@clever-drawer/core/review';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useReview } from './use-review.ts';

const workedOut = (words: string): WorkedReview => ({
  at: '2026-11-28T09:00:00.000Z',
  isLearning: true,
  review: { worth: { summary: [words], advice: [] } },
});

/** A server whose answers come when a test lets them. */
function reviewOn() {
  const asked: { readonly of: string; readonly answer: (worked: WorkedReview) => void }[] = [];
  const review = (part: ReviewPart, view: ReviewView) =>
    new Promise<WorkedReview>((resolve) => {
      asked.push({ of: `${part} of ${view.period}`, answer: resolve });
    });
  const hook = renderHook((view: ReviewView) => useReview('worth', view), {
    wrapper: studioOf({ client: { review } }),
    initialProps: usualView,
  });
  return {
    ...hook,
    asks: () => asked.map(({ of }) => of),
    answer: (of: string, worked: WorkedReview) =>
      act(async () => {
        asked.findLast((one) => one.of === of)?.answer(worked);
        await Promise.resolve();
      }),
    /** What is shown, and whether one of now is waited for. */
    shown: () => {
      const { review: part, isBusy } = hook.result.current;
      return [part.worth?.summary[0] ?? null, isBusy];
    },
  };
}

it('shows one part while another view of it is worked out, and keeps none that was left', async () => {
  const { shown, asks, answer, rerender } = reviewOn();
  expect(shown()).toEqual([null, true]);
  await answer('worth of year', workedOut('of a year'));
  await waitFor(() => {
    expect(shown()).toEqual(['of a year', false]);
  });
  rerender({ ...usualView, period: 'month' });
  expect(shown()).toEqual(['of a year', true]);
  await answer('worth of month', workedOut('of a month'));
  await waitFor(() => {
    expect(shown()).toEqual(['of a month', false]);
  });
  rerender(usualView);
  expect(asks().filter((of) => of === 'worth of year')).toHaveLength(2);
});
