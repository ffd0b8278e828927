/**
 * @jest-environment jsdom
 */
import { describe, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { useSelection } from './use-selection.ts';

const order = ['a', 'b', 'c', 'd'];
const selection = () => renderHook(() => useSelection(order)).result;

describe('the selection of rows', () => {
  it('is one row by a press, and none by another press on it', () => {
    const result = selection();
    act(() => result.current.press('b', false, false));
    const once = [...result.current.ids];
    act(() => result.current.press('b', false, false));
    expect([once, [...result.current.ids]]).toEqual([['b'], []]);
  });
  it('grows by one with Ctrl and by a run with Shift', () => {
    const result = selection();
    act(() => result.current.press('a', false, false));
    act(() => result.current.press('c', false, true));
    const withCtrl = [...result.current.ids];
    act(() => result.current.press('d', true, false));
    expect([withCtrl, [...result.current.ids].sort()]).toEqual([
      ['a', 'c'],
      ['a', 'c', 'd'],
    ]);
  });
  it('follows the keys: arrows move, with Shift they take along what is passed', () => {
    const result = selection();
    act(() => void result.current.move(1));
    act(() => void result.current.move(1, true));
    expect([result.current.active, [...result.current.ids].sort()]).toEqual(['b', ['a', 'b']]);
  });
  it('runs from where it began also when the row that ends it has the focus already', () => {
    const result = selection();
    act(() => result.current.press('b', false, false));
    act(() => result.current.aim('d'));
    act(() => result.current.press('d', true, false));
    expect([...result.current.ids].sort()).toEqual(['b', 'c', 'd']);
  });
  it('is all, and none again', () => {
    const result = selection();
    act(() => result.current.all());
    const all = result.current.ids.size;
    act(() => result.current.clear());
    expect([all, result.current.ids.size]).toEqual([4, 0]);
  });
});
