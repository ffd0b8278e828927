/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { wholeReview, type ReviewSource } from '@clever-drawer/core';
import { keptReview, keepReview, timesForgotten } from '../studio/kept-review.ts';
import { studioOf } from '../studio/studio.test-data.tsx';
import { firstScreenStands } from '../ui/idle.ts';
import { NotedWorker, sourceOf } from './reviewer.test-data.ts';
import { useReview } from './use-review.ts';

const asks = (): string[] => NotedWorker.latest?.asks ?? [];
/** Answers the latest question with a summary. */
const answer = (words: string): Promise<void> =>
  act(async () => {
    NotedWorker.latest?.answer(-1, { summary: [words], advice: [] });
    await jest.advanceTimersByTimeAsync(10);
  });
const pass = (milliseconds: number): Promise<void> =>
  act(async () => {
    await jest.advanceTimersByTimeAsync(milliseconds);
  });

const wish = wholeReview(1_700_000_000_000);
const view = JSON.stringify({ cabinet: null, kind: null, track: null, vendor: null, span: null });
/** The program that these tests run. */
const program = new URL('use-review.ts', import.meta.url).href;

/** The part of a review on a computer whose server answers when it is told to. */
function reviewOn(computer: string, isLearning = true) {
  let arrive: () => void = () => undefined;
  const told = new Promise<ReviewSource>((resolve) => {
    arrive = () => {
      resolve(sourceOf(isLearning));
    };
  });
  const wrapper = studioOf({ client: { computer, review: () => told } });
  const hook = renderHook(() => useReview('worth', wish), { wrapper });
  return {
    ...hook,
    shown: () => hook.result.current.review.worth?.summary,
    arrive: async () => {
      arrive();
      await pass(50);
    },
  };
}

/** What another window worked out on that computer before. */
const keepOf = (computer: string, words: string, isLearning = true): void => {
  const review = { worth: { summary: [words], advice: [] } };
  keepReview({ computer, by: program, view, at: 1, isLearning, review }, timesForgotten());
};

beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { Worker: NotedWorker });
  localStorage.clear();
  firstScreenStands();
});
afterEach(() => {
  jest.useRealTimers();
});

describe('a part of a review', () => {
  it('is worked out as soon as the server told, of a window that the worker holds by then', async () => {
    const { shown, arrive, result } = reviewOn('fresh');
    await pass(50);
    expect(asks()).toEqual(['hold here']);
    expect(shown()).toBeUndefined();
    await arrive();
    expect(asks()).toEqual(['hold here', 'hold told', 'worth']);
    await answer('of now');
    expect([shown(), result.current.keptAt]).toEqual([['of now'], null]);
    expect(keptReview('fresh', program, 'worth')?.review.worth?.summary).toEqual(['of now']);
  });

  it('stands as it was worked out last, until hands are at rest and what is of now takes its place', async () => {
    keepOf('later', 'of before');
    const { shown, arrive, result } = reviewOn('later');
    expect([shown(), result.current.keptAt]).toEqual([['of before'], 1]);
    const before = asks().length;
    await arrive();
    expect(asks()).toHaveLength(before);
    await pass(5_000);
    expect(asks().at(-1)).toBe('worth');
    await answer('of now');
    expect([shown(), result.current.keptAt]).toEqual([['of now'], null]);
  });

  it('is not that of another computer', () => {
    keepOf('elsewhere', 'of elsewhere');
    expect(reviewOn('here').shown()).toBeUndefined();
  });

  it('is nothing that was learnt once nothing is learnt any more', async () => {
    keepOf('private', 'learnt');
    const { shown, arrive, result } = reviewOn('private', false);
    expect(shown()).toEqual(['learnt']);
    await arrive();
    expect([shown(), result.current.isLearning]).toEqual([undefined, false]);
    await pass(5_000);
    await answer('not learnt');
    expect(shown()).toEqual(['not learnt']);
    expect(keptReview('private', program, 'worth')).toBeNull();
  });

  it('that comes when the screen was left stands at once when it is opened again', async () => {
    const { unmount, arrive } = reviewOn('left');
    await arrive();
    unmount();
    await answer('in the end');
    const again = reviewOn('left');
    expect([again.shown(), again.result.current.keptAt]).toEqual([['in the end'], null]);
  });
});
