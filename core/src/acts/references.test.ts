/** Whatever is done, nothing refers to what is not there. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyChange } from '../change.ts';
import { asId, type PluginId } from '../id.ts';
import { cabinetIn, chainIn, folderIn, orderOf, type OrderRecord } from '../order/records.ts';
import { pluginsIn, referrersOf, usedIn } from '../order/references.ts';
import {
  actNames,
  anyStep,
  changeOf,
  isThere,
  newWorld,
  triedOneByOne,
  undone,
  type World,
} from './any-act.test-data.ts';
import type { OrderChange } from './act-result.ts';
import { perform, pluginsOfAct } from './perform.ts';

/**
 * What a record points to that is not there. Where copies were before anybody said so is remembered
 * for undo only.
 */
function danglingIn(world: World, record: OrderRecord): string[] {
  const { order } = world;
  const missing: string[] = [];
  const plugins = record.table === 'copy-assignment' ? [record.plugin] : pluginsIn(record);
  missing.push(...plugins.filter((id) => !isThere(world, id)));
  if (record.table === 'placement' && !folderIn(order, record.folder)) {
    missing.push(record.folder);
  }
  if (record.table === 'folder') {
    const folders = [record.parent, record.shortcutTo].filter((id) => id !== null);
    missing.push(...folders.filter((id) => !folderIn(order, id)));
    missing.push(...(cabinetIn(order, record.cabinet) ? [] : [record.cabinet]));
  }
  return missing;
}

const dangling = (world: World): string[] =>
  [...world.order.values()].flatMap((record) =>
    danglingIn(world, record).map((id) => `${record.table} ${record.id} refers to ${id}`),
  );

const steps = fc.array(anyStep, { minLength: 20, maxLength: 60 });

const p = (id: string): PluginId => asId(id);

describe('references to plugins', () => {
  it('never dangle after any sequence of acts, nor on the way back', () => {
    const done = new Map<string, number>();
    fc.assert(
      fc.property(steps, (wanted) => {
        let world = newWorld();
        const changes: OrderChange[] = [];
        for (const { act, change, after } of triedOneByOne(wanted)) {
          if (change) {
            done.set(act.act, (done.get(act.act) ?? 0) + 1);
            changes.push(change);
            world = after;
            expect(dangling(world)).toEqual([]);
          }
        }
        for (const change of changes.reverse()) {
          world = undone(world, change);
          expect(dangling(world)).toEqual([]);
        }
        expect(world.order.size).toBe(0);
      }),
      { numRuns: 300 },
    );
    // Each kind of act was really done.
    expect(actNames.filter((name) => !done.has(name))).toEqual([]);
  });
  it('are all in what an act says that it has to know', () => {
    fc.assert(
      fc.property(steps, (wanted) => {
        for (const { act, before } of triedOneByOne(wanted)) {
          const known = new Set<string>(pluginsOfAct(before.order, act));
          const all = perform(before.order, act, (id) => (isThere(before, id) ? id : undefined));
          const fewer = perform(before.order, act, (id) =>
            known.has(id) && isThere(before, id) ? id : undefined,
          );
          expect(fewer).toEqual(all);
        }
      }),
      { numRuns: 200 },
    );
  });
  it('of chains follow a plugin that goes into another, also where both are in it', () => {
    const chain = {
      table: 'chain' as const,
      id: p('chain'),
      name: 'Voice',
      kind: 'effect' as const,
      plugins: [p('plugin1'), p('plugin2'), p('plugin1')],
    };
    const world = { ...newWorld(), order: orderOf([chain]) };
    const owner = (id: string, copy: string) => ({ plugin: p(id), copies: [asId<never>(copy)] });
    const change = changeOf(world, {
      act: 'join',
      into: owner('plugin2', 'copy4'),
      from: [owner('plugin1', 'copy3')],
    });
    expect(change && chainIn(applyChange(world.order, change), 'chain')?.plugins).toEqual([
      p('plugin2'),
      p('plugin2'),
      p('plugin2'),
    ]);
  });
  it('make the members of a chain used, and the chain itself', () => {
    const order = orderOf([
      {
        table: 'chain',
        id: p('chain'),
        name: 'Voice',
        kind: 'effect',
        plugins: [p('plugin1')],
      },
    ]);
    expect([...usedIn(order)].sort()).toEqual(['chain', 'plugin1']);
  });
  it('are found by the plugin', () => {
    const names = {
      table: 'plugin-names' as const,
      id: p('plugin1'),
      nickname: 'Gull',
      slotLabel: null,
    };
    const order = orderOf([names, { ...names, id: p('plugin2') }]);
    expect(referrersOf(order, [p('plugin1')])).toEqual([names]);
  });
});
