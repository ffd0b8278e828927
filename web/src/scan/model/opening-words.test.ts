import { describe, expect, it } from '@jest/globals';
import type { OpeningView } from '@clever-drawer/core/api';
import { offerOf } from './opening-words.ts';

const view = (more: Partial<OpeningView>): OpeningView => ({
  wish: 'ask',
  nameless: 0,
  unopened: 0,
  lacks: null,
  ...more,
});

describe('what is said of opening', () => {
  it.each([
    [{ nameless: 1, unopened: 1 }, 'One copy: only the file name is known.'],
    [{ nameless: 212, unopened: 400 }, '212 of 400 copies: only the file name is known.'],
    [{ nameless: 0, unopened: 3 }, '3 copies have been read but not opened.'],
    [{ nameless: 0, unopened: 0 }, null],
    [{ nameless: 9, unopened: 9, wish: 'never' as const }, null],
  ])('%j', (more, words) => {
    expect(offerOf(view(more))).toBe(words);
  });
});
