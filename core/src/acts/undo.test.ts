import { describe, expect, it } from '@jest/globals';
import { noChange } from '../change.ts';
import { nothingSaid } from '../catalog/answer.ts';
import { asId, type PluginId } from '../id.ts';
import { cabinetOf, folderOf, placementOf } from '../order/records.test-data.ts';
import { orderOf, type OrderRecord } from '../order/records.ts';
import { fitChange, isSameChange, stepOf, type WhereNow } from './undo.ts';

const silt = asId<PluginId>('Silt');
const kelpId = asId<PluginId>('Kelp');
const here: WhereNow = (id) => id;
const joined: WhereNow = (id) => (id === 'Kelp' ? silt : id);
const gone: WhereNow = (id) => (id === 'Kelp' ? null : id);
const order = orderOf([cabinetOf('c'), folderOf('Tone'), placementOf('Tone', 'Silt')]);
const added = (...records: OrderRecord[]) => ({ ...noChange, added: records });

describe('a change that is taken back or done again', () => {
  it('brings what it removed, and not what stands again', () => {
    const kelp = placementOf('Tone', 'Kelp');
    expect(fitChange(order, added(kelp), here)).toEqual(added(kelp));
    expect(fitChange(order, added(placementOf('Tone', 'Silt')), here)).toEqual(noChange);
    expect(fitChange(order, { ...noChange, removed: [kelp] }, here)).toEqual(noChange);
  });
  it('puts a record in place of one of its key that it removes', () => {
    const before = placementOf('Tone', 'Silt');
    const after = { ...before, position: 'z' };
    expect(fitChange(order, { added: [after], removed: [before], updated: [] }, here)).toEqual({
      ...noChange,
      updated: [[before, after]],
    });
  });
  it('changes only what is there', () => {
    const room = folderOf('Room');
    const tone = folderOf('Tone');
    const renamed = { ...tone, name: 'Colour' };
    const change = {
      ...noChange,
      updated: [[room, { ...room, name: 'Hall' }] as const, [tone, renamed] as const],
    };
    expect(fitChange(order, change, here)).toEqual({ ...noChange, updated: [[tone, renamed]] });
  });
  it('means the plugin that another went into, once in a folder, and none that is no more', () => {
    const kelp = placementOf('Tone', 'Kelp');
    expect(fitChange(order, added(kelp), joined)).toEqual(noChange);
    expect(fitChange(order, added(kelp), gone)).toEqual(noChange);
    const room = folderOf('Room');
    const there = placementOf('Room', 'Kelp');
    expect(fitChange(order, added(room, there), joined)).toEqual(
      added(room, { ...there, plugin: silt }),
    );
    const names = {
      table: 'plugin-names',
      id: kelpId,
      nickname: 'Judge',
      slotLabel: null,
    } satisfies OrderRecord;
    const answer = { table: 'answer', id: kelpId, ...nothingSaid } satisfies OrderRecord;
    expect(fitChange(order, added(names, answer), joined)).toEqual(
      added({ ...names, id: silt }, { ...answer, id: silt }),
    );
    expect(fitChange(order, added(names, answer), gone)).toEqual(noChange);
  });
  it('leaves nothing without its cabinet, parent or folder', () => {
    const homeless = [
      folderOf('Lost', { cabinet: asId('gone') }),
      folderOf('Below', { parent: asId('Lost') }),
      folderOf('Shown', { shortcutTo: asId('Lost') }),
      placementOf('Below', 'Silt'),
    ];
    expect(fitChange(order, added(...homeless), here)).toEqual(noChange);
    const removed = { ...noChange, removed: [folderOf('Tone')] };
    expect(
      fitChange(order, removed, here)
        .removed.map(({ id }) => id)
        .sort(),
    ).toEqual(['Tone', 'Tone/Silt']);
  });
  it('has each spelling once', () => {
    const spelling = (id: string, vendor: string): OrderRecord => ({
      table: 'spelling',
      id: asId(id),
      spelling: 'OSIER',
      vendor,
    });
    const first = orderOf([spelling('one', 'Osier')]);
    expect(fitChange(first, added(spelling('two', 'Rush')), here)).toEqual(noChange);
  });
  it('is the change itself or its reverse', () => {
    const change = added(placementOf('Tone', 'Kelp'));
    expect(stepOf({ change }, 'redo')).toEqual(change);
    expect(stepOf({ change }, 'undo')).toEqual({ ...noChange, removed: change.added });
  });
  it('is the same in whatever order its records stand', () => {
    const [a, b] = [placementOf('Tone', 'Kelp'), placementOf('Tone', 'Silt')];
    expect(isSameChange(added(a, b), added(b, a))).toBe(true);
    expect(isSameChange(added(a, b), added(a))).toBe(false);
    expect(isSameChange(added(a), { ...noChange, removed: [a] })).toBe(false);
  });
});
