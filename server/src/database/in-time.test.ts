import { expect, it } from '@jest/globals';
import { setTimeout as pause } from 'node:timers/promises';
import { inTime } from './in-time.ts';

const never = new Promise<never>(() => undefined);

it('gives the answer, or why there is none', async () => {
  expect(await inTime(pause(20, 'here'), 1_000)).toBe('here');
  await expect(inTime(Promise.reject(new Error('gone')), 1_000)).rejects.toThrow('gone');
});

it('does not wait for ever', async () => {
  const began = performance.now();
  await expect(inTime(never, 300)).rejects.toThrow('it took too long');
  expect(performance.now() - began).toBeGreaterThan(250);
});

it('does not take work of our own for silence', async () => {
  const answer = inTime(pause(20, 'here'), 400);
  const end = performance.now() + 1_000;
  while (performance.now() < end) {
    // Too busy to hear anything.
  }
  expect(await answer).toBe('here');
});

it('hears nothing more of an answer that came too late', async () => {
  const late = pause(450).then(() => {
    throw new Error('too late');
  });
  await expect(inTime(late, 200)).rejects.toThrow('it took too long');
  await expect(late).rejects.toThrow('too late');
});
