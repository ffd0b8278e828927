/**
 * @jest-environment jsdom
 */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { useStored } from '../ui/use-stored.ts';

beforeEach(() => {
  localStorage.clear();
});

describe('a choice of this browser', () => {
  it('is what it was chosen to be, also for who comes later', () => {
    const { result } = renderHook(() => useStored('scope', 'cabinet'));
    act(() => result.current[1]('all'));
    const later = renderHook(() => useStored('scope', 'cabinet')).result.current[0];
    expect([result.current[0], later]).toEqual(['all', 'all']);
  });
  it('is read anew when it is that of another slot', () => {
    const { result, rerender } = renderHook(({ name }) => useStored(name, 'cabinet'), {
      initialProps: { name: 'track' },
    });
    act(() => result.current[1]('all'));
    rerender({ name: 'bus' });
    const ofBus = result.current[0];
    rerender({ name: 'track' });
    expect([ofBus, result.current[0]]).toEqual(['cabinet', 'all']);
  });
});
