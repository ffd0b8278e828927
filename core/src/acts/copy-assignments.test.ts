import { describe, expect, it } from '@jest/globals';
import { nothingSaid } from '../catalog/answer.ts';
import { asId, type CopyId, type PluginId } from '../id.ts';
import { placementOf } from '../order/records.test-data.ts';
import {
  allCopyAssignments,
  answerIn,
  orderOf,
  pluginNamesIn,
  type Order,
} from '../order/records.ts';
import type { Act, Owner } from './act.ts';
import { calledById, did, refusalOf } from './performing.test-data.ts';

const plugin = (id: string): PluginId => asId(id);
const copy = (id: string): CopyId => asId(id);
const owner = (id: string, ...copies: string[]): Owner => ({
  plugin: plugin(id),
  copies: copies.map(copy),
});
const silt = owner('Silt', 's1', 's2');
const kelp = owner('Kelp', 'k1');
const none = orderOf([]);

/** Of each copy: where it belongs, and where it did before anybody said so. */
const belonging = (order: Order): string[] =>
  allCopyAssignments(order)
    .map(({ id, plugin: to, before }) => `${id} ${before}→${to}`)
    .sort();
const join: Act = { act: 'join', into: silt, from: [kelp] };

describe('plugins that are joined', () => {
  it('have all copies, and remember where each was first', () => {
    const joined = did(none, join);
    expect(joined.words).toBe('Merge Silt and Kelp into one plugin');
    expect(belonging(joined.order)).toEqual(['k1 Kelp→Silt', 's1 Silt→Silt', 's2 Silt→Silt']);
    const again = did(joined.order, {
      act: 'part',
      from: owner('Silt', 's1', 's2', 'k1'),
      copies: [copy('k1')],
      plugin: plugin('New'),
    });
    expect(belonging(again.order)).toEqual(['k1 Kelp→New', 's1 Silt→Silt', 's2 Silt→Silt']);
    // What is so already is not changed.
    expect(again.change.updated).toHaveLength(1);
  });
  it('stand once in each folder, where the one that is left stood', () => {
    const order = orderOf([
      placementOf('Tone', 'Silt', 'b'),
      placementOf('Tone', 'Kelp', 'a'),
      placementOf('Room', 'Kelp', 'a'),
    ]);
    const { change } = did(order, join);
    expect(change.removed.map(({ id }) => id)).toEqual(['Tone/Kelp']);
    expect(change.updated.map(([, to]) => to)).toEqual([
      { ...placementOf('Room', 'Kelp', 'a'), plugin: 'Silt' },
    ]);
  });
  it('have the names and answers of the first that has any, tags and notes of all', () => {
    const order = orderOf([
      { table: 'plugin-names', id: plugin('Silt'), nickname: null, slotLabel: 'Slt' },
      { table: 'plugin-names', id: plugin('Kelp'), nickname: 'The judge', slotLabel: 'Klp' },
      { table: 'answer', id: plugin('Silt'), ...nothingSaid, tags: ['soft'], notes: 'by day' },
      {
        table: 'answer',
        id: plugin('Kelp'),
        ...nothingSaid,
        vendor: 'Osier',
        tags: ['soft', 'wide'],
        notes: 'by night',
        isHidden: true,
      },
    ]);
    const { order: now } = did(order, join);
    expect(pluginNamesIn(now, 'Silt')).toMatchObject({ nickname: 'The judge', slotLabel: 'Slt' });
    expect(answerIn(now, 'Silt')).toMatchObject({
      vendor: 'Osier',
      tags: ['soft', 'wide'],
      notes: 'by day\nby night',
      isHidden: false,
    });
    expect([pluginNamesIn(now, 'Kelp'), answerIn(now, 'Kelp')]).toEqual([undefined, undefined]);
  });
  it('take a slot label that only the other has', () => {
    const order = orderOf([
      { table: 'plugin-names', id: plugin('Kelp'), nickname: null, slotLabel: 'Klp' },
    ]);
    expect(pluginNamesIn(did(order, join).order, 'Silt')?.slotLabel).toBe('Klp');
  });
  it('are two different ones with copies', () => {
    const refusal = (act: Act, gone: readonly string[] = []) =>
      refusalOf(none, act, calledById(gone)).code;
    expect(refusal(join, ['Kelp'])).toBe('unknown-record');
    expect(refusal({ ...join, from: [silt] })).toBe('field-invalid');
    expect(refusal({ ...join, from: [] })).toBe('field-invalid');
    const chain = orderOf([
      { table: 'chain', id: plugin('Kelp'), name: 'Kelp', kind: 'effect', plugins: [] },
    ]);
    expect(refusalOf(chain, join).code).toBe('field-invalid');
  });
});

describe('a plugin that is parted', () => {
  const part = (copies: readonly string[], to = 'New'): Act => ({
    act: 'part',
    from: silt,
    copies: copies.map(copy),
    plugin: plugin(to),
  });
  it('keeps some copies; those that go are another', () => {
    const { order, words } = did(none, part(['s2']));
    expect(belonging(order)).toEqual(['s1 Silt→Silt', 's2 Silt→New']);
    expect(words).toBe('Split a copy off from Silt');
  });
  it('is refused where none stays, one is not its own, or it would be itself', () => {
    expect(
      [part(['s1', 's2']), part(['k1']), part(['s2'], 'Silt')].map(
        (act) => refusalOf(none, act).code,
      ),
    ).toEqual(['field-invalid', 'field-invalid', 'field-invalid']);
  });
  it('is not asked about again when both are left apart', () => {
    const { order, words } = did(none, { act: 'keep-apart', plugins: [silt, kelp] });
    expect(belonging(order)).toEqual(['k1 Kelp→Kelp', 's1 Silt→Silt', 's2 Silt→Silt']);
    expect(words).toBe('Keep Silt and Kelp apart');
  });
});
