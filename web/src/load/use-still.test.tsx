/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import { useStill } from './use-still.ts';

interface Given {
  readonly value: number;
  readonly moment: string;
}

const isFewer = (shown: number, latest: number): boolean => latest < shown;

const still = (first: Given) =>
  renderHook(({ value, moment }: Given) => useStill(value, moment, isFewer), {
    initialProps: first,
  });

describe('a value that keeps still', () => {
  it('stays as it was until the next moment', () => {
    const { result, rerender } = still({ value: 1, moment: 'a' });
    rerender({ value: 2, moment: 'a' });
    expect(result.current).toBe(1);
    rerender({ value: 3, moment: 'a' });
    expect(result.current).toBe(1);
    rerender({ value: 3, moment: 'ab' });
    expect(result.current).toBe(3);
  });
  it('is what it was at the last moment when another comes at the next', () => {
    const { result, rerender } = still({ value: 1, moment: 'a' });
    rerender({ value: 2, moment: 'a' });
    rerender({ value: 3, moment: 'b' });
    expect(result.current).toBe(2);
  });
  it('does not go back where a moment comes again', () => {
    const { result, rerender } = still({ value: 1, moment: 'a' });
    rerender({ value: 2, moment: 'a' });
    rerender({ value: 2, moment: '' });
    rerender({ value: 2, moment: 'a' });
    expect(result.current).toBe(2);
  });
  it('keeps still in a moment that came again', () => {
    const { result, rerender } = still({ value: 1, moment: 'a' });
    rerender({ value: 1, moment: 'b' });
    rerender({ value: 2, moment: 'b' });
    rerender({ value: 2, moment: 'a' });
    rerender({ value: 3, moment: 'a' });
    expect(result.current).toBe(2);
  });
  it('changes at once where it must', () => {
    const { result, rerender } = still({ value: 5, moment: 'a' });
    rerender({ value: 2, moment: 'a' });
    expect(result.current).toBe(2);
  });
});
