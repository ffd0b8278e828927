import { describe, expect, it } from '@jest/globals';
import { printNumber } from '../print-number.ts';
import { oneOrMany, plural } from './plural.ts';

describe('a number with its word', () => {
  it('is singular for one only, and plural otherwise', () => {
    expect([0, 1, 2, 2_000].map((count) => plural(count, 'plugin'))).toEqual([
      '0 plugins',
      '1 plugin',
      '2 plugins',
      '2,000 plugins',
    ]);
    expect(plural(3, 'copy', 'copies')).toBe('3 copies');
  });

  it('chooses the words of a sentence alike', () => {
    expect([0, 1, 2].map((count) => oneOrMany(count, 'waits', 'wait'))).toEqual([
      'wait',
      'waits',
      'wait',
    ]);
  });

  it('is written and chosen as Intl does for English', () => {
    const rules = new Intl.PluralRules('en');
    for (const count of [0, 1, 2, 11, 21, 999, 1_000, 1_001, 12_345, 999_999, 1_000_000, -4_000]) {
      expect(printNumber(count)).toBe(count.toLocaleString('en'));
      expect(oneOrMany(count, 'one', 'other')).toBe(rules.select(count));
    }
  });
});
