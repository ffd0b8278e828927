/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import {
  usualView,
  type ReviewPart,
  type ReviewView,
  type WorkedReview,
} from '@clever-drawer/core';
import type { Client } from '../api/client.ts';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useReview } from './use-review.ts';

const workedOut = (words: string, at = '2026-11-28T09:00:00.000Z'): WorkedReview => ({
  at,
  isLearning: true,
  review: { worth: { summary: [words], advice: [] } },
});

/** A server whose answers come when a test lets them. */
function reviewOn() {
  const asked: { readonly of: string; readonly answer: (worked: WorkedReview | null) => void }[] =
    [];
  const ask = (which: string) => (part: ReviewPart, view: ReviewView) =>
    new Promise<WorkedReview | null>((resolve) => {
      asked.push({ of: `${which} ${part} of ${view.period}`, answer: resolve });
    });
  const client = { review: ask('now') as Client['review'], reviewBefore: ask('before') };
  const hook = renderHook((view: ReviewView) => useReview('worth', view), {
    wrapper: studioOf({ client }),
    initialProps: usualView,
  });
  return {
    ...hook,
    asks: () => asked.map(({ of }) => of),
    answer: (of: string, worked: WorkedReview | null) =>
      act(async () => {
        asked.findLast((one) => one.of === of)?.answer(worked);
        await Promise.resolve();
      }),
    /** What is shown, of when that is, and whether one of now is waited for. */
    shown: () => {
      const { review, isOf, isBusy } = hook.result.current;
      return [review.worth?.summary[0] ?? null, isOf, isBusy];
    },
  };
}

describe('a part of a review', () => {
  it('stands as it was worked out last, and says of when that is, until one of now is there', async () => {
    const { shown, asks, answer } = reviewOn();
    expect(shown()).toEqual([null, null, true]);
    expect(asks()).toEqual(['now worth of year', 'before worth of year']);
    await answer('before worth of year', workedOut('of before', '2026-11-27T09:00:00.000Z'));
    await waitFor(() => {
      expect(shown()).toEqual(['of before', '2026-11-27T09:00:00.000Z', true]);
    });
    await answer('now worth of year', workedOut('of now'));
    await waitFor(() => {
      expect(shown()).toEqual(['of now', null, false]);
    });
  });

  it('does not go back to what stood before when that comes late', async () => {
    const { shown, answer } = reviewOn();
    await answer('now worth of year', workedOut('of now'));
    await answer('before worth of year', workedOut('of before'));
    await waitFor(() => {
      expect(shown()).toEqual(['of now', null, false]);
    });
  });

  it('is waited for where nothing stood before', async () => {
    const { shown, answer } = reviewOn();
    await answer('before worth of year', null);
    expect(shown()).toEqual([null, null, true]);
    await answer('now worth of year', workedOut('of now'));
    await waitFor(() => {
      expect(shown()).toEqual(['of now', null, false]);
    });
  });

  it('stays while another view is worked out, and nothing of a view stays that was left', async () => {
    const { shown, asks, answer, rerender } = reviewOn();
    await answer('now worth of year', workedOut('of a year'));
    rerender({ ...usualView, period: 'month' });
    expect(shown()).toEqual(['of a year', null, true]);
    await answer('now worth of month', workedOut('of a month'));
    await waitFor(() => {
      expect(shown()).toEqual(['of a month', null, false]);
    });
    rerender(usualView);
    expect(asks().filter((of) => of === 'now worth of year')).toHaveLength(2);
  });
});
