/**
 * @jest-environment jsdom
 */
import { describe, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { createOwnActs } from './own-acts.ts';
import { studioOf } from './studio.test-data.tsx';
import { useNextStep } from './use-next-step.ts';

const done = () => Promise.resolve();
const beside = { undo: done, redo: done };

function steps(undo: string | null) {
  const own = createOwnActs();
  const wrapper = studioOf({ own, order: { undo } });
  const { result } = renderHook(() => ({ undo: useNextStep('undo'), redo: useNextStep('redo') }), {
    wrapper,
  });
  return { own, result };
}

describe('what undo would take back', () => {
  it('is the latest change of the order', () => {
    expect(steps('File Sluice in Water').result.current.undo).toBe('File Sluice in Water');
  });
  it('is what this window did beside the order, where that came last', () => {
    const { own, result } = steps('File Sluice in Water');
    act(() => {
      own.add({ words: 'Remove the place /net/loft', screen: '/scan', beside });
    });
    expect(result.current.undo).toBe('Remove the place /net/loft');
  });
  it('is the order again once that was taken back, and redo names it', () => {
    const { own, result } = steps('File Sluice in Water');
    act(() => {
      own.add({ words: 'Empty slot 2', screen: '/load', beside });
      own.undone('Empty slot 2');
    });
    expect(result.current).toEqual({ undo: 'File Sluice in Water', redo: 'Empty slot 2' });
  });
  it('is nothing in a studio where nothing was done', () => {
    expect(steps(null).result.current).toEqual({ undo: null, redo: null });
  });
});
