import { describe, expect, it } from '@jest/globals';
import { sayTime } from './time-words.ts';

describe('a point in time in words', () => {
  const now = new Date(2026, 10, 26, 12, 0);
  it('is told by the clock today, by the day this year, and with the year before', () => {
    const at = (...parts: [number, number, number]): string =>
      sayTime(new Date(...parts, 9, 41).toISOString(), now);
    expect([at(2026, 10, 26), at(2026, 10, 14), at(2025, 10, 14)]).toEqual([
      expect.stringMatching(/^today 0?9:41$/),
      expect.stringMatching(/^14 Nov 0?9:41$/),
      expect.stringMatching(/^14 Nov 2025 0?9:41$/),
    ]);
  });
});
