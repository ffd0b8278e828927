import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { EntityManager } from 'typeorm';
import { asId, type OrderChange, type OrderRecord } from '@clever-drawer/core';
import { HeldOrders } from './held-orders.ts';

const computer = '7f6d1c1e-0000-4000-8000-000000000001';

/** A database in which nothing is ordered, that counts how often the placements are read. */
const readings = jest.fn();
const manager = {
  getRepository: () => ({
    findBy: () => Promise.resolve([]),
    findOneBy: () => Promise.resolve(null),
  }),
  query: (text: string) => {
    if (text.includes('FROM placement')) {
      readings();
    }
    return Promise.resolve([]);
  },
} as unknown as EntityManager;

const placed = (id: string): OrderRecord => ({
  table: 'placement',
  id: asId(id),
  folder: asId('sluice'),
  plugin: asId('heron'),
  position: 'V',
});
const adding = (id: string): OrderChange => ({ added: [placed(id)], updated: [], removed: [] });

let orders: HeldOrders;
beforeEach(() => {
  readings.mockClear();
  orders = new HeldOrders();
});
const keysAt = async (revision: number): Promise<string[]> => [
  ...(await orders.at(manager, computer, revision)).keys(),
];

describe('the order that is held', () => {
  it('is read once, and follows each step that is stored', async () => {
    expect(await keysAt(1)).toEqual([]);
    orders.follow(computer, 1, adding('a'), 2);
    orders.follow(computer, 2, adding('b'), 3);
    expect(await keysAt(3)).toEqual(['placement/a', 'placement/b']);
    expect(readings).toHaveBeenCalledTimes(1);
  });

  it('is read anew where a step was stored that it did not see', async () => {
    await keysAt(1);
    orders.follow(computer, 2, adding('a'), 3);
    expect(await keysAt(3)).toEqual([]);
    expect(readings).toHaveBeenCalledTimes(2);
  });

  it('is read anew where somebody else counted the revision', async () => {
    await keysAt(1);
    await keysAt(2);
    expect(readings).toHaveBeenCalledTimes(2);
  });

  it('is looked at without being read, and kept by who reads it to look at it', async () => {
    expect(await orders.recordsAt(manager, computer, 1)).toEqual([]);
    orders.follow(computer, 1, adding('a'), 2);
    expect(await orders.recordsAt(manager, computer, 2)).toEqual([placed('a')]);
    expect(await keysAt(2)).toEqual(['placement/a']);
    expect(readings).toHaveBeenCalledTimes(1);
  });

  it('stays the newer one where an older one is looked at, or where a step is followed late', async () => {
    await keysAt(3);
    await orders.recordsAt(manager, computer, 2);
    orders.follow(computer, 2, adding('a'), 3);
    await keysAt(3);
    expect(readings).toHaveBeenCalledTimes(2);
  });

  it('of another computer is another one', async () => {
    await keysAt(1);
    orders.follow('another', 1, adding('a'), 2);
    expect(await keysAt(1)).toEqual([]);
  });
});
