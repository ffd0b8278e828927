import { describe, expect, it } from '@jest/globals';
import { day } from '@clever-drawer/core';
import { monthWords } from './month-words.ts';
import { wishOf } from './wish.ts';

const now = Date.UTC(2026, 9, 15);
const wish = (address: string) => wishOf(new URLSearchParams(address), now);

describe('wishOf', () => {
  it('is the last year of everything where the address says nothing', () => {
    expect(wish('')).toEqual({
      from: now - 365 * day,
      now,
      cabinet: null,
      kind: null,
      track: null,
      vendor: null,
    });
  });
  it('takes what it knows, and passes over what it does not', () => {
    expect(wish('period=all&kind=effect&track=bus&vendor=Saltglass&cabinet=c')).toMatchObject({
      from: null,
      kind: 'effect',
      track: 'bus',
      vendor: 'Saltglass',
      cabinet: 'c',
    });
    expect(wish('period=aeon&kind=hat&track=moon')).toMatchObject({
      from: now - 365 * day,
      kind: null,
      track: null,
    });
  });
});

describe('monthWords', () => {
  it('says the year where it begins', () => {
    expect(monthWords('2026-03')).toBe('March 2026');
    expect(monthWords('2026-03', true)).toBe('Mar');
    expect(monthWords('2026-01', true)).toBe('Jan 2026');
  });
});
