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
