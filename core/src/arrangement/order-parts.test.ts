import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anySteps, ordersOf } from '../acts/any-act.test-data.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { allFolders, orderOf, placementsIn, type Order } from '../order/records.ts';
import { createArranger } from './arrangement.ts';
import { createPartsReader } from './order-parts.ts';

/** All that the parts say, without what is the same object as before. */
const saidBy = (order: Order, parts: ReturnType<ReturnType<typeof createPartsReader>>) => ({
  ...parts,
  andBelow: allFolders(order).map(({ id }) => parts.andBelow(id)),
});

describe('the parts of an order', () => {
  it('read after one act upon another, say what they say when read anew', () => {
    fc.assert(
      fc.property(anySteps, (steps) => {
        const read = createPartsReader();
        for (const order of ordersOf(steps)) {
          expect(saidBy(order, read(order))).toEqual(saidBy(order, createPartsReader()(order)));
        }
      }),
      { numRuns: 150 },
    );
  });

  it('hold of each folder what the order has filed in it', () => {
    fc.assert(
      fc.property(anySteps, (steps) => {
        const read = createPartsReader();
        for (const order of ordersOf(steps)) {
          const { placements, placed } = read(order);
          for (const { id } of allFolders(order)) {
            expect(placements.get(id) ?? []).toEqual(placementsIn(order, id));
            expect(placed.get(id) ?? []).toEqual(placementsIn(order, id).map((p) => p.plugin));
          }
        }
      }),
    );
  });

  const placement = (id: string, folder: string) =>
    ({ table: 'placement', id, folder, plugin: `${id} it`, position: id }) as never;
  const folder = (id: string) =>
    ({
      table: 'folder',
      id,
      cabinet: 'c',
      parent: null,
      form: 'folder',
      name: id,
      position: id,
      rule: null,
      alwaysIn: [],
      alwaysOut: [],
      shortcutTo: null,
    }) as never;
  const before = [folder('f'), folder('g'), placement('a', 'f'), placement('b', 'g')];

  it('stay the same objects where nothing is said anew', () => {
    const read = createPartsReader();
    const first = read(orderOf(before));
    const next = read(orderOf([...before, placement('c', 'g')]));
    expect(next.placements.get('f')).toBe(first.placements.get('f'));
    expect(next.placed.get('f')).toBe(first.placed.get('f'));
    expect(next.placed.get('g')).toEqual(['b it', 'c it']);
    expect(next.everywhere).toBe(first.everywhere);
    expect(next.pluginNames).toBe(first.pluginNames);
    expect(read(orderOf([...before, placement('c', 'g')].slice(0, 4))).placed.has('g')).toBe(true);
  });

  it('are all the same, and so is what is arranged of them, where another order says the same', () => {
    const arrange = createArranger();
    const plugins: Plugin[] = [];
    const arrangement = arrange(orderOf(before), plugins, 'c');
    expect(arrange(orderOf(before), plugins, 'c')).toBe(arrangement);
    expect(arrange(orderOf(before.slice(0, 3)), plugins, 'c')).not.toBe(arrangement);
  });
});
