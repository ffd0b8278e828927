/**
 * @jest-environment jsdom
 */
import { afterEach, beforeEach, expect, it, jest } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { usePrinting } from './use-printing.ts';

let change: () => void = () => undefined;
const media = {
  matches: false,
  addEventListener: (_: string, listener: () => void) => {
    change = listener;
  },
  removeEventListener: jest.fn(),
};

beforeEach(() => {
  media.matches = false;
  media.removeEventListener.mockClear();
  window.matchMedia = () => media as unknown as MediaQueryList;
});
afterEach(cleanup);

it('is told before the pages are laid out and when they are', () => {
  const { result } = renderHook(usePrinting);
  expect(result.current).toBe(false);
  act(() => {
    window.dispatchEvent(new Event('beforeprint'));
  });
  expect(result.current).toBe(true);
  act(() => {
    window.dispatchEvent(new Event('afterprint'));
  });
  expect(result.current).toBe(false);
});

it('follows a preview that changes the medium, and one that was there before', () => {
  const { result } = renderHook(usePrinting);
  media.matches = true;
  act(() => {
    change();
  });
  expect(result.current).toBe(true);
  expect(renderHook(usePrinting).result.current).toBe(true);
});

it('listens no longer once it is left', () => {
  const { unmount } = renderHook(usePrinting);
  unmount();
  expect(media.removeEventListener).toHaveBeenCalledTimes(1);
});
