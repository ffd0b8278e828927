import { expect, it } from '@jest/globals';
import { remembered } from './remembered.ts';

it('works out once what is asked again, nothing included, and never keeps more than it may', () => {
  const kept = new Map<string, number | null>();
  const asked: string[] = [];
  const lengthOf = (text: string): number | null =>
    remembered(kept, 2, text, () => {
      asked.push(text);
      return text === '' ? null : text.length;
    });
  expect([lengthOf('ab'), lengthOf(''), lengthOf('ab'), lengthOf('')]).toEqual([2, null, 2, null]);
  expect(asked).toEqual(['ab', '']);
  expect(lengthOf('abc')).toBe(3);
  expect([...kept]).toEqual([['abc', 3]]);
  expect(lengthOf('ab')).toBe(2);
  expect(asked).toEqual(['ab', '', 'abc', 'ab']);
});
