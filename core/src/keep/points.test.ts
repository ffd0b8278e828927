import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyStep, newWorld, triedOneByOne, type Step } from '../acts/any-act.test-data.ts';
import type { OrderChange } from '../acts/act-result.ts';
import { fitChange } from '../acts/undo.ts';
import { applyChange, plainText, reverse } from '../change.ts';
import type { Order } from '../order/records.ts';
import { dayOf, partOfChange, pointsToThin, sizeOf, squashAll, wayBack } from './points.ts';

const steps = fc.array(anyStep, { minLength: 5, maxLength: 40 });
const nothing: Order = new Map();
const textOf = (order: Order): string =>
  [...order]
    .map(([key, record]) => key + plainText(record))
    .sort()
    .join('\n');

/** Orders and the changes between them. */
function history(wanted: readonly Step[]) {
  const changes: OrderChange[] = [];
  const orders: Order[] = [newWorld().order];
  for (const { change, after } of triedOneByOne(wanted)) {
    if (change) {
      changes.push(change);
      orders.push(after.order);
    }
  }
  return { changes, orders };
}

describe('the way back to a point', () => {
  it('leads to the order it held, and undoing the return leads to now', () => {
    fc.assert(
      fc.property(steps, fc.nat(40), (wanted, number) => {
        const { changes, orders } = history(wanted);
        const at = number % orders.length;
        const now = orders.at(-1) ?? nothing;
        const change = fitChange(now, wayBack(changes.slice(at)), (plugin) => plugin);
        const then = applyChange(now, change);
        expect(textOf(then)).toBe(textOf(orders[at] ?? nothing));
        expect(textOf(applyChange(then, reverse(change)))).toBe(textOf(now));
      }),
      { numRuns: 100 },
    );
  });
  it('is the same in one stretch or in several', () => {
    fc.assert(
      fc.property(steps, fc.nat(40), (wanted, number) => {
        const { changes, orders } = history(wanted);
        const at = number % (changes.length + 1);
        const parts = [squashAll(changes.slice(0, at)), squashAll(changes.slice(at))];
        const start = orders[0] ?? nothing;
        expect(textOf(applyChange(start, squashAll(parts)))).toBe(textOf(orders.at(-1) ?? nothing));
      }),
      { numRuns: 60 },
    );
  });
  it('can be gone for one folder or cabinet alone', () => {
    fc.assert(
      fc.property(steps, (wanted) => {
        const { changes, orders } = history(wanted);
        const now = orders.at(-1) ?? nothing;
        const whole = fitChange(now, wayBack(changes.slice(1)), (plugin) => plugin);
        const cabinet = [...now.values()].find((record) => record.table === 'cabinet');
        const part = partOfChange(now, whole, { cabinet: cabinet?.id ?? '' });
        expect(sizeOf(part)).toBeLessThanOrEqual(sizeOf(whole));
        const after = applyChange(
          now,
          fitChange(now, part, (plugin) => plugin),
        );
        // Nothing of another cabinet is touched, and nothing said of plugins.
        for (const [key, record] of now) {
          const isOther =
            (record.table === 'folder' &&
              record.cabinet !== cabinet?.id &&
              record.shortcutTo === null) ||
            record.table === 'answer' ||
            record.table === 'plugin-names';
          if (isOther) {
            expect(after.get(key)).toEqual(record);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('thinning', () => {
  const now = new Date(2026, 10, 27, 12);
  const ago = (days: number, hour = 23): Date => new Date(2026, 10, 27 - days, hour);

  it('keeps all of two days, one of each day, then of each week, then of each month', () => {
    const points = Array.from({ length: 800 }, (_, days) =>
      [10, 23].map((hour) => ({
        id: `${days} ${hour}`,
        at: ago(days, hour),
        reason: 'evening' as const,
      })),
    ).flat();
    const gone = new Set(pointsToThin(points, now));
    const left = points.filter(({ id }) => !gone.has(id));
    const ofAge = (from: number, to: number): number =>
      left.filter(({ at }) => dayOf(now) - dayOf(at) >= from && dayOf(now) - dayOf(at) <= to)
        .length;
    expect(ofAge(0, 1)).toBe(4);
    expect(ofAge(2, 31)).toBe(30);
    // 335 days are 47 or 48 weeks, the ones cut at the ends counted; 433 days 14 to 16 months.
    expect(ofAge(32, 366)).toBeGreaterThanOrEqual(47);
    expect(ofAge(32, 366)).toBeLessThanOrEqual(50);
    expect(ofAge(367, 800)).toBeGreaterThanOrEqual(14);
    expect(ofAge(367, 800)).toBeLessThanOrEqual(16);
    expect(pointsToThin(left, now)).toEqual([]);
  });
  it('keeps what somebody named', () => {
    const points = [1, 2, 3].map((hour) => ({
      id: String(hour),
      at: ago(400, 10 + hour),
      reason: 'by-hand' as const,
    }));
    expect(pointsToThin(points, now)).toEqual([]);
  });
  it('lets the night belong to the evening', () => {
    expect(dayOf(new Date(2026, 10, 27, 3, 59))).toBe(dayOf(new Date(2026, 10, 26, 23)));
    expect(dayOf(new Date(2026, 10, 27, 4, 1))).toBe(dayOf(new Date(2026, 10, 26, 23)) + 1);
  });
});
