import { describe, expect, it } from '@jest/globals';
import type { PointView } from '@clever-drawer/core/api';
import { byMonth, pointTime, pointTitle } from './point-words.ts';

const now = new Date(2026, 10, 27, 18, 2);
const point = (at: Date, more: Partial<PointView> = {}): PointView => ({
  id: at.toISOString(),
  at: at.toISOString(),
  name: null,
  reason: 'evening',
  before: null,
  folders: 1,
  filed: 2,
  ...more,
});

describe('points in words', () => {
  it('are called by their name, else by why there is one', () => {
    expect(pointTitle(point(now, { name: 'Before the tour' }))).toBe('Before the tour');
    expect(pointTitle(point(now))).toBe('Evening');
    expect(
      pointTitle(point(now, { reason: 'before-much', before: 'Merge Wear into Wobble' })),
    ).toBe('Before “Merge Wear into Wobble”');
  });
  it('say when, as exactly as one wants to know', () => {
    expect(pointTime(point(new Date(2026, 10, 27, 9, 5)), now)).toBe('today 09:05');
    expect(pointTime(point(new Date(2026, 10, 23, 23, 0)), now)).toBe('Mon 23:00');
    expect(pointTime(point(new Date(2026, 9, 12)), now)).toBe('12 Oct');
    expect(pointTime(point(new Date(2024, 1, 3)), now)).toBe('3 Feb 2024');
  });
  it('stand by week, then by month', () => {
    const list = [
      point(new Date(2026, 10, 26)),
      point(new Date(2026, 10, 3)),
      point(new Date(2026, 10, 1)),
      point(new Date(2025, 10, 1)),
    ];
    expect(byMonth(list, now).map(([month, points]) => [month, points.length])).toEqual([
      ['This week', 1],
      ['November', 2],
      ['November 2025', 1],
    ]);
  });
});
