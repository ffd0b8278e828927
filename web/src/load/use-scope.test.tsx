/**
 * @jest-environment jsdom
 */
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useScope } from './use-scope.ts';

beforeEach(() => {
  localStorage.clear();
});

const wrapper = studioOf({});
const scopeOf = (slot: 'track' | 'instrument' = 'track', onChange = () => undefined) =>
  renderHook(() => useScope(slot, onChange), { wrapper }).result;

describe('where is looked for a slot', () => {
  it('is the cabinet until another scope was chosen', () => {
    expect(scopeOf().current.scope).toBe('cabinet');
  });
  it('walks on to everything, to the rest, and round', () => {
    const result = scopeOf();
    const seen = [1, 1, 1].map(() => {
      act(() => {
        result.current.tab(1);
      });
      return result.current.scope;
    });
    expect(seen).toEqual(['all', 'rest', 'cabinet']);
  });
  it('is remembered for each kind of slot', () => {
    const result = scopeOf();
    act(() => {
      result.current.changeScope('all');
    });
    expect([scopeOf('track').current.scope, scopeOf('instrument').current.scope]).toEqual([
      'all',
      'cabinet',
    ]);
  });
  it('goes back from the forgotten ones to where it was', () => {
    const result = scopeOf();
    act(() => {
      result.current.changeScope('all');
    });
    act(() => {
      result.current.changeScope('forgot');
    });
    const forgot = result.current.scope;
    act(() => {
      result.current.tab(1);
    });
    expect([forgot, result.current.scope]).toEqual(['forgot', 'all']);
  });
  it('does not look in a folder that is not there', () => {
    const result = scopeOf();
    act(() => {
      result.current.goTo('gone');
    });
    expect(result.current.folder).toBeNull();
  });
  it('tells of each change, so that the list begins anew', () => {
    const onChange = jest.fn<() => undefined>();
    const result = scopeOf('track', onChange);
    act(() => {
      result.current.tab(-1);
    });
    expect(onChange).toHaveBeenCalledTimes(1);
  });
});
