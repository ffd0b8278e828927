import { expect, it } from '@jest/globals';
import { memoizeByObject, memoizeIn, memoizeLast } from './memoize.ts';

it('works out once what is asked again, nothing included, and never keeps more than it may', () => {
  const kept = new Map<string, number | null>();
  const asked: string[] = [];
  const lengthOf = (text: string): number | null =>
    memoizeIn(kept, 2, text, () => {
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

it('works out once what is asked of the same object, nothing included', () => {
  const asked: string[] = [];
  const firstOf = memoizeByObject(({ words }: { readonly words: readonly string[] }) => {
    asked.push(words.join(' '));
    return words[0] ?? null;
  });
  const [some, none] = [{ words: ['a', 'b'] }, { words: [] }];
  expect([some, none, some, none].map((of) => firstOf(of))).toEqual(['a', null, 'a', null]);
  expect(asked).toEqual(['a b', '']);
});

it('works it out again for the same object beside another value', () => {
  let asked = 0;
  const joined = memoizeByObject(({ name }: { readonly name: string }, beside: string) => {
    asked += 1;
    return `${name} ${beside}`;
  });
  const [one, other] = [{ name: 'one' }, { name: 'other' }];
  expect([joined(one, 'a'), joined(one, 'a'), joined(other, 'a')]).toEqual([
    'one a',
    'one a',
    'other a',
  ]);
  expect(asked).toBe(2);
  expect([joined(one, 'b'), joined(one, 'b'), asked]).toEqual(['one b', 'one b', 3]);
});

it('gives what it gave last while all it is asked with is the same', () => {
  let asked = 0;
  const joined = memoizeLast((one: object, other: string) => {
    asked += 1;
    return `${Object.keys(one).join()} ${other}`;
  });
  const [a, b] = [{ a: 1 }, { b: 1 }];
  expect([joined(a, 'x'), joined(a, 'x'), asked]).toEqual(['a x', 'a x', 1]);
  expect([joined(b, 'x'), joined(b, 'y'), joined(a, 'x'), asked]).toEqual(['b x', 'b y', 'a x', 4]);
});
