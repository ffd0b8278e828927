/**
 * @jest-environment jsdom
 */
import { describe, expect, it } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { PutOff } from '@clever-drawer/core/api';
import { studioOf } from './studio.test-data.tsx';
import { usePutOff } from './use-put-off.ts';

const now = Date.parse('2026-11-27T12:00:00Z');

/** A server that holds that much, and takes what it is told. */
function hookOn(stored: PutOff) {
  let all = stored;
  const wrapper = studioOf({
    client: {
      putOffs: () => Promise.resolve(all),
      putOff: (what, until) => {
        const others = Object.entries(all).filter(([key]) => key !== what);
        all = Object.fromEntries(until === undefined ? others : [...others, [what, until]]);
        return Promise.resolve(all);
      },
    },
  });
  return renderHook(usePutOff, { wrapper }).result;
}

describe('what was put off', () => {
  it('is put off until its time has come', async () => {
    const result = hookOn({ dust: '2026-11-28T00:00:00Z', twins: '2026-11-27T11:00:00Z' });
    await waitFor(() => {
      expect(result.current.isPutOff('other', now)).toBe(false);
    });
    expect(['dust', 'twins'].map((what) => result.current.isPutOff(what, now))).toEqual([
      true,
      false,
    ]);
  });
  it('is put off for good where no time is said', async () => {
    const result = hookOn({ dust: null });
    await waitFor(() => {
      expect(result.current.isPutOff('other', now)).toBe(false);
    });
    expect(result.current.isPutOff('dust', now + 1e12)).toBe(true);
  });
  it('is everything until the server told: nothing flickers up to go again', () => {
    expect(hookOn({}).current.isPutOff('other', now)).toBe(true);
  });
  it('is told at once when it is put off here, and taken back', async () => {
    const result = hookOn({});
    await waitFor(() => {
      expect(result.current.isPutOff('dust', now)).toBe(false);
    });
    act(() => {
      result.current.putOff('dust', '2026-12-24T00:00:00Z');
    });
    await waitFor(() => {
      expect(result.current.isPutOff('dust', now)).toBe(true);
    });
    act(() => {
      result.current.putOff('dust');
    });
    await waitFor(() => {
      expect(result.current.isPutOff('dust', now)).toBe(false);
    });
  });
});
