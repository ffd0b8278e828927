/**
 * @jest-environment jsdom
 */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import { useKeyCount } from './use-key-count.ts';

describe('keys that lead to a load', () => {
  it('are counted since the field was empty', () => {
    const { current } = renderHook(() => useKeyCount()).result;
    current.press();
    current.press();
    current.clear();
    current.press();
    expect(current.taken().keys).toBe(1);
  });
  it('are one where the mouse chose, and took no time', () => {
    const { current } = renderHook(() => useKeyCount()).result;
    expect(current.taken()).toEqual({ keys: 1, took: 0 });
  });
});
