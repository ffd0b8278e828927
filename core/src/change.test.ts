import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  applyChange,
  diff,
  isEmptyChange,
  isSameValue,
  keysBetween,
  plainText,
  reverse,
  squash,
  takeChange,
  type Keyed,
} from './change.ts';

interface Thing extends Keyed {
  readonly value: number;
}
const same = (a: Thing, b: Thing): boolean => a.value === b.value;
const state = fc
  .uniqueArray(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      value: fc.integer({ min: 0, max: 3 }),
    }),
    { selector: (t) => t.id },
  )
  .map((things) => new Map(things.map((t) => [`thing/${t.id}`, { table: 'thing', ...t }])));

const plain = (records: ReadonlyMap<string, Thing>): string =>
  JSON.stringify([...records].sort(([a], [b]) => (a < b ? -1 : 1)));

describe('a change', () => {
  it('turns one state into the other, and its reverse turns it back', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const change = diff(before, after, same);
        expect(plain(applyChange(before, change))).toBe(plain(after));
        expect(plain(applyChange(after, reverse(change)))).toBe(plain(before));
      }),
    );
  });
  it('leaves the given state as it was, or is made in that state itself', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const was = plain(before);
        const change = diff(before, after, same);
        applyChange(before, change);
        expect(plain(before)).toBe(was);
        takeChange(before, change);
        expect(plain(before)).toBe(plain(after));
      }),
    );
  });
  it('squashed with the next one has the effect of both', () => {
    fc.assert(
      fc.property(state, state, state, (a, b, c) => {
        const both = squash(diff(a, b, same), diff(b, c, same));
        expect(plain(applyChange(a, both))).toBe(plain(c));
        expect(plain(applyChange(c, reverse(both)))).toBe(plain(a));
      }),
    );
  });
  it('between equal states is empty', () => {
    fc.assert(
      fc.property(state, (a) => {
        expect(isEmptyChange(diff(a, a, same))).toBe(true);
      }),
    );
  });
});

describe('what two states can differ in', () => {
  const different = (a: ReadonlyMap<string, Thing>, b: ReadonlyMap<string, Thing>): string[] =>
    [...new Set([...a.keys(), ...b.keys()])].filter((key) => a.get(key) !== b.get(key));

  it('is just what is another object in them, or in one of them only', () => {
    fc.assert(
      fc.property(state, state, (before, other) => {
        const after = applyChange(before, diff(before, other, same));
        for (const [one, next] of [
          [before, after],
          [after, before],
          [before, other],
          [after, after],
        ] as const) {
          expect([...keysBetween(one, next)].sort()).toEqual(different(one, next).sort());
        }
      }),
    );
  });
});

describe('two values of JSON', () => {
  const value = fc.jsonValue({ maxDepth: 3 });
  /** The same with the keys of each object the other way round. */
  const turned = (one: unknown): unknown => {
    if (Array.isArray(one)) {
      return one.map(turned);
    }
    return typeof one === 'object' && one !== null
      ? Object.fromEntries(
          Object.entries(one)
            .reverse()
            .map(([key, part]) => [key, turned(part)]),
        )
      : one;
  };

  it('are the same where they read the same, whatever the order of their keys', () => {
    fc.assert(
      fc.property(value, value, (a, b) => {
        expect(isSameValue(a, b)).toBe(plainText(a) === plainText(b));
        expect(isSameValue(a, turned(a))).toBe(true);
      }),
    );
  });
  it.each([
    [{ a: 1, b: undefined }, { a: 1 }, true],
    [{ a: 1 }, { b: 1 }, false],
    [{ a: undefined }, { b: undefined }, true],
    [[1, 2], [2, 1], false],
    [[1], { 0: 1 }, false],
    [null, {}, false],
    [[{ a: [1, null] }], [{ a: [1, null] }], true],
  ])('%j and %j: %s', (a, b, isSame) => {
    expect(isSameValue(a, b)).toBe(isSame);
    expect(isSameValue(b, a)).toBe(isSame);
  });
});
