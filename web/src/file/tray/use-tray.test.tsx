/**
 * @jest-environment jsdom
 */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { addToTray, readTray } from '../../annotate/stored-tray.ts';
import { pluginOf } from '@clever-drawer/core/testing';
import { studioOf } from '../../studio/studio.test-data.tsx';
import { useTray } from './use-tray.ts';

const wrapper = studioOf({ plugins: [pluginOf('Sluice'), pluginOf('Heron')] });

beforeEach(() => {
  sessionStorage.clear();
});

describe('the tray', () => {
  it('takes a plugin in and, asked again, out', () => {
    const { result } = renderHook(useTray, { wrapper });
    act(() => {
      result.current.toggle('sluice');
      result.current.toggle('heron');
      result.current.toggle('sluice');
    });
    expect([...result.current.ids]).toEqual(['heron']);
  });
  it('is still there after a reload', () => {
    const { result, unmount } = renderHook(useTray, { wrapper });
    act(() => {
      result.current.add(['sluice', 'heron']);
    });
    unmount();
    expect([...renderHook(useTray, { wrapper }).result.current.ids]).toEqual(['sluice', 'heron']);
  });
  it('shows none that the catalog no longer has, and keeps it for when it comes back', () => {
    addToTray('desk', ['gone', 'heron']);
    const { result } = renderHook(useTray, { wrapper });
    expect([[...result.current.ids], readTray('desk')]).toEqual([['heron'], ['gone', 'heron']]);
  });
  it('is empty when it was emptied', () => {
    const { result } = renderHook(useTray, { wrapper });
    act(() => {
      result.current.add(['sluice']);
    });
    act(() => {
      result.current.empty();
    });
    expect([result.current.ids.size, readTray('desk')]).toEqual([0, []]);
  });
});
