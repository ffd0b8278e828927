/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import { useStill } from './use-still.ts';

type Given = readonly [value: number, moment: string];

const isFewer = (shown: number, latest: number): boolean => latest < shown;

/** What is shown of each, one after the other. */
function shownOf(first: Given, ...others: readonly Given[]): number[] {
  const { result, rerender } = renderHook(
    ([value, moment]: Given) => useStill(value, moment, isFewer),
    { initialProps: first },
  );
  const shown = [result.current];
  for (const given of others) {
    rerender(given);
    shown.push(result.current);
  }
  return shown;
}

describe('a value that keeps still', () => {
  it('stays as it was until the next moment', () => {
    expect(shownOf([1, 'a'], [2, 'a'], [3, 'a'], [3, 'ab'])).toEqual([1, 1, 1, 3]);
  });
  it('is what it was at the last moment when another comes at the next', () => {
    expect(shownOf([1, 'a'], [2, 'a'], [3, 'b'])).toEqual([1, 1, 2]);
  });
  it('does not go back where a moment comes again', () => {
    expect(shownOf([1, 'a'], [2, 'a'], [2, ''], [2, 'a'])).toEqual([1, 1, 2, 2]);
  });
  it('keeps still in a moment that came again', () => {
    expect(shownOf([1, 'a'], [1, 'b'], [2, 'b'], [2, 'a'], [3, 'a'])).toEqual([1, 1, 1, 2, 2]);
  });
  it('changes at once where it must', () => {
    expect(shownOf([5, 'a'], [2, 'a'])).toEqual([5, 2]);
  });
});
