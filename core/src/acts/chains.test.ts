import { describe, expect, it } from '@jest/globals';
import { applyChange, reverse } from '../change.ts';
import { asId, type PluginId } from '../id.ts';
import { chainPlugin } from '../arrangement/chain-plugin.ts';
import { orderOf, type Order } from '../order/records.ts';
import { perform } from './perform.ts';
import { did } from './performing.test-data.ts';
import type { Act, ActOf } from './act.ts';

const ids: readonly PluginId[] = ['a', 'b'].map((id) => asId(id));
const names = (id: string): string | undefined => ({ a: 'Warble', b: 'Silt', c: 'Both' })[id];
const start = orderOf([
  { table: 'placement', id: asId('p'), folder: asId('f'), plugin: asId('c'), position: 'a' },
  { table: 'plugin-names', id: asId('c'), nickname: 'Two', slotLabel: null },
]);
const add: ActOf<'add-chain'> = {
  act: 'add-chain',
  id: asId('c'),
  name: ' Heron voice ',
  kind: 'effect',
  plugins: ids,
};
const after = (order: Order, act: Act): Order => did(order, act, names).order;

describe('a chain', () => {
  it('is kept under a name, and goes with its places and names; undo brings all back', () => {
    const kept = after(start, add);
    expect(kept.get('chain/c')).toEqual({
      table: 'chain',
      id: 'c',
      name: 'Heron voice',
      kind: 'effect',
      plugins: ['a', 'b'],
    });
    const gone = perform(kept, { act: 'remove-chain', chain: asId('c') }, names);
    expect(gone.ok && gone.value.words).toBe('Remove the chain Heron voice');
    if (!gone.ok) {
      return;
    }
    expect([...applyChange(kept, gone.value.change).keys()]).toEqual([]);
    expect(
      new Map(applyChange(applyChange(kept, gone.value.change), reverse(gone.value.change))),
    ).toEqual(new Map(kept));
  });
  it('needs a name and plugins that are there, and holds no chains', () => {
    const codes = (order: Order, act: Act): unknown => {
      const done = perform(order, act, names);
      return done.ok ? 'done' : done.problems[0]?.code;
    };
    expect([
      codes(start, { ...add, name: ' ' }),
      codes(start, { ...add, plugins: [asId('a')] }),
      codes(start, { ...add, plugins: [asId('a'), asId('x')] }),
      codes(after(start, add), add),
      codes(after(start, add), {
        ...add,
        id: asId<PluginId>('d'),
        plugins: [asId('a'), asId('c')],
      }),
      codes(start, { act: 'remove-chain', chain: asId('x') }),
    ]).toEqual([
      'name-empty',
      'field-invalid',
      'unknown-record',
      'id-taken',
      'unknown-record',
      'unknown-record',
    ]);
  });
  it('stands in the catalog as a plugin with the types of what is in it', () => {
    const made = chainPlugin(
      { table: 'chain', id: asId('c'), name: 'Both', kind: 'effect', plugins: ids },
      (id) => ({
        id: asId(id),
        name: id,
        vendor: 'Quoin',
        kind: 'effect',
        types: [id === 'a' ? 'delay' : 'eq', 'filter'],
        arrived: '2026-01-02',
        copies: [],
      }),
    );
    expect(made).toEqual({
      id: 'c',
      name: 'Both',
      vendor: null,
      kind: 'effect',
      types: ['delay', 'filter', 'eq'],
      arrived: '2026-01-02',
      copies: [],
      chain: ids,
    });
  });
});
