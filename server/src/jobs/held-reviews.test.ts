import { describe, expect, it } from '@jest/globals';
import { usualView, type ServerEvent } from '@clever-drawer/core';
import { EventHub } from './event-hub.ts';
import { HeldReviews } from './held-reviews.ts';

const minute = 60_000;

/** Reviews of a computer whose figures are counted up by whatever is gathered. */
function studio() {
  let time = Date.UTC(2026, 10, 28);
  const clock = () => new Date(time);
  const events = new EventHub(clock);
  const did = { gathered: 0, workedOut: [] as string[] };
  let trouble: Error | null = null;
  const reviews = new HeldReviews<number>(events, clock, {
    gather: () => {
      did.gathered += 1;
      return Promise.resolve(did.gathered);
    },
    workOut: (gathered, part, { period }) => {
      const text = `${part} of ${period}, ${gathered}`;
      did.workedOut.push(text);
      return trouble ? Promise.reject(trouble) : Promise.resolve(text);
    },
  });
  return {
    did,
    now: (part: 'worth' | 'own' = 'worth', period: 'year' | 'month' = 'year') =>
      reviews.now('net-loft', part, { ...usualView, period }),
    ofVendor: (vendor: string) => reviews.now('net-loft', 'worth', { ...usualView, vendor }),
    before: () => reviews.before('net-loft', 'worth', usualView),
    forget: () => {
      reviews.forget('net-loft');
    },
    tell: (event: ServerEvent, computer = 'net-loft') => {
      events.tell(computer, event);
    },
    pass: (milliseconds: number) => {
      time += milliseconds;
    },
    break: (error: Error | null) => {
      trouble = error;
    },
  };
}

describe('reviews in memory', () => {
  it('are worked out once for all who ask, each part and view by itself', async () => {
    const { did, now } = studio();
    expect(await Promise.all([now(), now(), now('own'), now('worth', 'month')])).toEqual([
      'worth of year, 1',
      'worth of year, 1',
      'own of year, 1',
      'worth of month, 1',
    ]);
    expect(await now()).toBe('worth of year, 1');
    expect([did.gathered, did.workedOut.length]).toEqual([1, 3]);
  });

  it.each(['catalog', 'usage', 'session'] as const)(
    'are old after a change of the %s, and stand until one of now is there',
    async (event) => {
      const { now, before, tell } = studio();
      await now();
      expect(before()).toBeNull();
      tell({ event });
      expect(before()).toBe('worth of year, 1');
      const again = now();
      expect(before()).toBe('worth of year, 1');
      expect(await again).toBe('worth of year, 2');
      expect(before()).toBeNull();
    },
  );

  it('that something happened to while they were gathered are old at once', async () => {
    const { now, before, tell } = studio();
    const first = now();
    tell({ event: 'usage' });
    expect(await first).toBe('worth of year, 1');
    expect(before()).toBe('worth of year, 1');
    expect(await now()).toBe('worth of year, 2');
  });

  it('stay of now whatever happens on another computer, and where the database was away', async () => {
    const { did, now, tell } = studio();
    await now();
    tell({ event: 'catalog' }, 'stage');
    tell({ event: 'database', isThere: true });
    await now();
    expect(did.gathered).toBe(1);
  });

  it('are of now for ten minutes', async () => {
    const { now, before, pass } = studio();
    await now();
    pass(9 * minute);
    expect([before(), await now()]).toEqual([null, 'worth of year, 1']);
    pass(2 * minute);
    expect([before(), await now()]).toEqual(['worth of year, 1', 'worth of year, 2']);
  });

  it('are gone when they are forgotten, also what is under way', async () => {
    const { now, before, tell, forget } = studio();
    await now();
    tell({ event: 'usage' });
    const underWay = now();
    forget();
    await underWay;
    expect(before()).toBeNull();
  });

  it('are tried again after a failure, and what stood before stands', async () => {
    const { now, before, tell, break: breakIt } = studio();
    await now();
    tell({ event: 'usage' });
    breakIt(new Error('no memory'));
    await expect(now()).rejects.toThrow('no memory');
    expect(before()).toBe('worth of year, 1');
    breakIt(null);
    expect(await now()).toBe('worth of year, 3');
  });

  it('hold the thirty parts that were asked for last', async () => {
    const { did, ofVendor } = studio();
    for (let n = 0; n < 31; n += 1) {
      await ofVendor(`vendor ${n}`);
    }
    await ofVendor('vendor 1');
    expect(did.workedOut).toHaveLength(31);
    await ofVendor('vendor 0');
    expect(did.workedOut).toHaveLength(32);
  });
});
