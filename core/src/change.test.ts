import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  applyChange,
  diff,
  isEmptyChange,
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
