/**
 * @jest-environment jsdom
 */
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import type * as idle from './idle.ts';

/** A window in which nothing happened yet. */
async function freshWindow(): Promise<typeof idle> {
  jest.resetModules();
  return import('./idle.ts');
}
const press = (): void => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }));
};

beforeEach(() => {
  jest.useFakeTimers();
});

describe('what can wait', () => {
  it('waits for the first screen', async () => {
    const { whenIdle, firstScreenStands } = await freshWindow();
    const act = jest.fn();
    whenIdle(act);
    await jest.advanceTimersByTimeAsync(2_000);
    expect(act).not.toHaveBeenCalled();
    firstScreenStands();
    await jest.advanceTimersByTimeAsync(600);
    expect(act).toHaveBeenCalledTimes(1);
  });
  it('waits three seconds at most for a screen that never says so', async () => {
    const { whenIdle } = await freshWindow();
    const act = jest.fn();
    whenIdle(act);
    await jest.advanceTimersByTimeAsync(3_600);
    expect(act).toHaveBeenCalledTimes(1);
  });
  it('does not wait for hands where it is small', async () => {
    const { whenIdle, firstScreenStands } = await freshWindow();
    const act = jest.fn();
    firstScreenStands();
    press();
    whenIdle(act);
    await jest.advanceTimersByTimeAsync(600);
    expect(act).toHaveBeenCalledTimes(1);
  });
  it('comes one after the other, also behind what failed', async () => {
    const { oneByOne } = await freshWindow();
    const begun: string[] = [];
    let arrive: () => void = () => undefined;
    oneByOne(() => {
      begun.push('first');
      return new Promise<void>((resolve) => {
        arrive = resolve;
      });
    });
    oneByOne(() => {
      begun.push('lost');
      return Promise.reject(new Error('no answer'));
    });
    oneByOne(() => Promise.resolve(begun.push('last')));
    await jest.advanceTimersByTimeAsync(100);
    expect(begun).toEqual(['first']);
    arrive();
    await jest.advanceTimersByTimeAsync(100);
    expect(begun).toEqual(['first', 'lost', 'last']);
  });
  it('waits while somebody types, where it is large', async () => {
    const { whenAtRest, firstScreenStands } = await freshWindow();
    const act = jest.fn();
    firstScreenStands();
    press();
    whenAtRest(act);
    for (let key = 0; key < 8; key += 1) {
      await jest.advanceTimersByTimeAsync(400);
      press();
    }
    expect(act).not.toHaveBeenCalled();
    await jest.advanceTimersByTimeAsync(1_300);
    expect(act).toHaveBeenCalledTimes(1);
  });
  it('does not wait for ever for who never stops', async () => {
    const { whenAtRest, firstScreenStands } = await freshWindow();
    const act = jest.fn();
    firstScreenStands();
    press();
    whenAtRest(act);
    for (let key = 0; key < 30; key += 1) {
      await jest.advanceTimersByTimeAsync(400);
      press();
    }
    expect(act).toHaveBeenCalledTimes(1);
  });
});

describe('something large, step by step', () => {
  it('goes on in several moments until no more is left', async () => {
    const { inIdleMoments, firstScreenStands } = await freshWindow();
    let left = 5;
    // Each step takes 4 of the 6 milliseconds of a moment.
    const step = jest.fn(() => {
      jest.setSystemTime(Date.now() + 4);
      performance.now = () => Date.now();
      left -= 1;
      return left > 0;
    });
    performance.now = () => Date.now();
    inIdleMoments(step);
    firstScreenStands();
    await jest.advanceTimersByTimeAsync(510);
    const first = step.mock.calls.length;
    expect(first).toBeGreaterThan(0);
    expect(first).toBeLessThan(5);
    await jest.advanceTimersByTimeAsync(200);
    expect(step).toHaveBeenCalledTimes(5);
    await jest.advanceTimersByTimeAsync(200);
    expect(step).toHaveBeenCalledTimes(5);
  });
  it('lets all that waits go first, where the browser knows how', async () => {
    const { inIdleMoments, firstScreenStands } = await freshWindow();
    const behind: [act: () => void, priority: string | undefined][] = [];
    Object.assign(globalThis, {
      scheduler: {
        postTask: (act: () => void, { priority }: SchedulerPostTaskOptions) => {
          behind.push([act, priority]);
          return Promise.resolve();
        },
      },
    });
    try {
      let left = 3;
      performance.now = () => Date.now();
      inIdleMoments(() => {
        jest.setSystemTime(Date.now() + 7);
        left -= 1;
        return left > 0;
      });
      firstScreenStands();
      await jest.advanceTimersByTimeAsync(510);
      for (let act = behind.shift(); act; act = behind.shift()) {
        expect(act[1]).toBe('background');
        act[0]();
      }
      expect(left).toBe(0);
    } finally {
      Reflect.deleteProperty(globalThis, 'scheduler');
    }
  });
  it('does not begin once it was stopped, nor go on', async () => {
    const { inIdleMoments, firstScreenStands } = await freshWindow();
    const step = jest.fn(() => true);
    const stop = inIdleMoments(step);
    stop();
    firstScreenStands();
    await jest.advanceTimersByTimeAsync(2_000);
    expect(step).not.toHaveBeenCalled();
  });
});
