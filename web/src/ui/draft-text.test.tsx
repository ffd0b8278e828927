/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { keepDraft, readDraft, useDraftText } from './draft-text.ts';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const shown = (onSay: (text: string, onStored: () => void) => void) =>
  renderHook(({ said, isSaved }) => useDraftText('notes p1', said, isSaved, onSay), {
    initialProps: { said: '', isSaved: true },
  });

describe('a text that is being typed', () => {
  it('is said when its field goes, and kept until it is saved', () => {
    const said: string[] = [];
    let stored = (): void => undefined;
    const { result, unmount } = shown((text, onStored) => {
      said.push(text);
      stored = onStored;
    });
    act(() => {
      result.current.type('good on voices');
    });
    expect([result.current.value, readDraft('notes p1')]).toEqual([
      'good on voices',
      'good on voices',
    ]);
    unmount();
    expect(said).toEqual(['good on voices']);
    expect(readDraft('notes p1')).toBe('good on voices');
    stored();
    expect(readDraft('notes p1')).toBeNull();
  });
  it('goes from the drafts once what was typed holds and is saved', () => {
    const { result, rerender } = shown(jest.fn());
    act(() => {
      result.current.type('good on voices ');
    });
    rerender({ said: 'good on voices', isSaved: false });
    expect(readDraft('notes p1')).toBe('good on voices ');
    rerender({ said: 'good on voices', isSaved: true });
    expect([result.current.value, readDraft('notes p1')]).toEqual(['good on voices', null]);
  });
  it('is there again after a reload, and in the field when saving failed', () => {
    keepDraft('notes p1', 'half a thou');
    const { result, rerender } = shown(jest.fn());
    expect(result.current.value).toBe('half a thou');
    rerender({ said: 'half a thou', isSaved: false });
    rerender({ said: '', isSaved: true });
    expect(result.current.value).toBe('half a thou');
  });
});
