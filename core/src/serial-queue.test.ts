import { describe, expect, it } from '@jest/globals';
import { createSerialQueue } from './serial-queue.ts';

describe('work in turns', () => {
  it('is done one after the other, also behind work that fails', async () => {
    const inTurn = createSerialQueue();
    const done: string[] = [];
    const work = (name: string, fails = false) =>
      inTurn(async () => {
        done.push(`${name} begins`);
        await Promise.resolve();
        done.push(`${name} ends`);
        if (fails) {
          throw new Error(name);
        }
        return name;
      });
    const results = await Promise.allSettled([work('first'), work('second', true), work('third')]);
    expect([done, results.map((result) => result.status)]).toEqual([
      ['first begins', 'first ends', 'second begins', 'second ends', 'third begins', 'third ends'],
      ['fulfilled', 'rejected', 'fulfilled'],
    ]);
  });
});
