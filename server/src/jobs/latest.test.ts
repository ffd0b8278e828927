import { describe, expect, it } from '@jest/globals';
import type { DataSource, EntityManager } from 'typeorm';
import { Latest } from './latest.ts';

/** A database whose transactions are none, and which does not answer while it is away. */
function databaseOf() {
  const state = { isAway: false };
  const transaction = (_: string, work: (manager: EntityManager) => Promise<unknown>) =>
    state.isAway ? Promise.reject(new Error('away')) : work(undefined as never);
  return { state, database: { transaction } as unknown as DataSource };
}

describe('what is held of each computer', () => {
  it('is brought up to date one after the other, each from what the one before left', async () => {
    const begun: string[] = [];
    const latest = new Latest<readonly number[]>(
      databaseOf().database,
      () => [],
      async (_, computer, held) => {
        begun.push(`${computer} ${held.length}`);
        await new Promise((resolve) => setTimeout(resolve, 5));
        return [...held, held.length];
      },
    );
    const [first, second, other] = await Promise.all([
      latest.of('desk'),
      latest.of('desk'),
      latest.of('barn'),
    ]);
    expect([first, second, other]).toEqual([[0], [0, 1], [0]]);
    expect(begun.filter((one) => one.startsWith('desk'))).toEqual(['desk 0', 'desk 1']);
  });
  it('stays as it was when the database does not answer, which is told', async () => {
    const { state, database } = databaseOf();
    const latest = new Latest<number>(
      database,
      () => 0,
      (_, __, held) => Promise.resolve(held + 1),
    );
    expect(await latest.of('desk')).toBe(1);
    state.isAway = true;
    await expect(latest.of('desk')).rejects.toThrow('away');
    state.isAway = false;
    expect(await latest.of('desk')).toBe(2);
  });
});
