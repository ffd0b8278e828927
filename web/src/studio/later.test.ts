import { describe, expect, it } from '@jest/globals';
import { dayOf, putOffOn } from './later.ts';

describe('what is put off', () => {
  it('is asked again on the next day', () => {
    const lines = '2026-11-26 type a\n2026-11-27 twin b c\n\nof an older program';
    expect(putOffOn('2026-11-27', lines)).toEqual(['twin b c']);
    expect(putOffOn('2026-11-28', lines)).toEqual([]);
  });
  it('goes by the day where the user is', () => {
    expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05');
  });
});
