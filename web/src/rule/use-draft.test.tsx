/**
 * @jest-environment jsdom
 */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { noWords, type Line, type Rule } from '@clever-drawer/core/rules';
import { draftOf, emptyLine, useDraft, withField } from './use-draft.ts';

beforeEach(() => {
  localStorage.clear();
});

const delay: Line = { field: 'name', relation: 'has', values: ['delay'] };
const echoes: Rule = { cards: [{ lines: [delay] }], never: [] };
const editing = (rule = echoes) => {
  const start = draftOf(undefined, 'Echoes', rule);
  return renderHook(() => useDraft('rule.echoes', start, noWords)).result;
};

describe('a rule that is being edited', () => {
  it('is asked without what is not finished', () => {
    const result = editing();
    act(() => {
      result.current.edit({ edit: 'add-line', at: { isNever: false, card: 0 } });
    });
    expect([result.current.draft.cards[0]?.lines, result.current.rule]).toEqual([
      [delay, emptyLine],
      echoes,
    ]);
  });
  it('loses a card with its last line', () => {
    const result = editing();
    act(() => {
      result.current.edit({ edit: 'line', at: { isNever: false, card: 0 }, line: 0, to: null });
    });
    expect(result.current.draft.cards).toEqual([]);
  });
  it('follows its text as far as that can be read', () => {
    const result = editing({ cards: [], never: [] });
    const { text } = editing().current;
    act(() => {
      result.current.edit({ edit: 'text', text, words: noWords });
    });
    expect(result.current.rule).toEqual(echoes);
  });
  it('keeps its cards while its text says nothing, and tells where that is', () => {
    const result = editing();
    act(() => {
      result.current.edit({ edit: 'text', text: 'name has "delay', words: noWords });
    });
    const { rule, draft, text } = result.current;
    expect([rule, draft.problems.length > 0, text]).toEqual([echoes, true, 'name has "delay']);
  });
  it('goes on where it was left', () => {
    const result = editing();
    act(() => {
      result.current.edit({ edit: 'set', set: { name: 'Slow echoes' } });
    });
    const later = editing().current;
    expect([later.isKept, later.draft.name]).toEqual([true, 'Slow echoes']);
  });
  it('keeps no draft of what it began with', () => {
    const result = editing();
    act(() => {
      result.current.edit({ edit: 'set', set: { name: 'Slow echoes' } });
    });
    act(() => {
      result.current.edit({ edit: 'set', set: { name: 'Echoes' } });
    });
    expect(editing().current.isKept).toBe(false);
  });
});

describe('a line with another field', () => {
  const isText = (field: Line['field']) => field === 'name' || field === 'vendor';
  it('keeps its words where both fields are texts', () => {
    expect(withField(delay, 'vendor', isText).values).toEqual(['delay']);
  });
  it('drops them where the other field asks for something else', () => {
    expect(withField(delay, 'type', isText).values).toEqual([]);
  });
});
