import { describe, expect, it } from '@jest/globals';
import { day } from '../time.ts';
import { usualView, viewOf, wishOf } from './view.ts';

const now = Date.UTC(2026, 9, 15);
const view = (address: string) => viewOf(new URLSearchParams(address));

describe('what an address looks at', () => {
  it('is the last year of everything where it says nothing', () => {
    expect(view('')).toEqual(usualView);
  });
  it('takes what it knows, and passes over what it does not', () => {
    expect(view('period=all&kind=effect&track=bus&vendor=Saltglass&cabinet=c')).toEqual({
      period: 'all',
      kind: 'effect',
      track: 'bus',
      vendor: 'Saltglass',
      cabinet: 'c',
    });
    expect(view('period=aeon&kind=hat&track=moon')).toEqual(usualView);
  });
});

describe('the wish of a moment', () => {
  it('begins so many days before it, or at the beginning', () => {
    expect(wishOf(usualView, now)).toEqual({
      from: now - 365 * day,
      now,
      cabinet: null,
      kind: null,
      track: null,
      vendor: null,
    });
    expect(wishOf({ ...usualView, period: 'all', vendor: 'Saltglass' }, now)).toMatchObject({
      from: null,
      vendor: 'Saltglass',
    });
  });
});
