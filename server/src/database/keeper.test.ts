import { expect, it } from '@jest/globals';
import { DatabaseKeeper } from './keeper.ts';

/** A database that answers or not, as the test says by time, and a clock that only waiting moves. */
function play(isUp: (time: number, revived: number) => boolean, until: number) {
  let now = 0;
  let revived = 0;
  const heard: [number, boolean][] = [];
  const revivals: number[] = [];
  const closing: Promise<void>[] = [];
  const keeper = new DatabaseKeeper({
    ping: () => (isUp(now, revived) ? Promise.resolve() : Promise.reject(new Error('away'))),
    revive: () => {
      revived += 1;
      revivals.push(now);
      return Promise.resolve();
    },
    changed: (isThere) => {
      heard.push([now, isThere]);
    },
    failed: () => undefined,
    wait: (milliseconds) => {
      now += milliseconds;
      if (now >= until) {
        closing.push(keeper.close());
      }
      return Promise.resolve();
    },
  });
  keeper.start();
  return { heard, revivals, closed: () => Promise.all(closing) };
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

it('a database that answers is only asked', async () => {
  const { heard, revivals, closed } = play(() => true, 10_000);
  await settled();
  await closed();
  expect([heard, revivals]).toEqual([[], []]);
});

it('one that goes is told of within a second, started again, and told of when it is back', async () => {
  const { heard, revivals, closed } = play((time, revived) => time < 3_000 || revived > 0, 20_000);
  await settled();
  await closed();
  expect(heard.map(([, isThere]) => isThere)).toEqual([false, true]);
  expect(heard[0]?.[0]).toBe(3_000);
  expect(revivals).toEqual([3_000]);
});

it('one that stays away is tried ever more slowly', async () => {
  const { heard, revivals, closed } = play((time) => time < 1_000, 600_000);
  await settled();
  await closed();
  expect(heard).toEqual([[1_000, false]]);
  expect(revivals.length).toBeGreaterThan(10);
  expect(revivals.length).toBeLessThan(40);
});
