import { describe, expect, it } from '@jest/globals';
import { monthWords } from './month-words.ts';

describe('a month', () => {
  it('is said with its year', () => {
    expect(monthWords('2026-03')).toBe('March 2026');
  });
  it('is short beside others', () => {
    expect(monthWords('2026-03', true)).toBe('Mar');
  });
  it('tells the year where one begins', () => {
    expect(monthWords('2026-01', true)).toBe('Jan 2026');
  });
});
