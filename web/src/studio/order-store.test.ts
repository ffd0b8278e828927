import { describe, expect, it } from '@jest/globals';
import { perform, type Act } from '@clever-drawer/core/acts';
import type { OrderStep, OrderView } from '@clever-drawer/core/api';
import { folderIn } from '@clever-drawer/core/order';
import { cabinetOf, folderOf } from './order.test-data.ts';
import { addPending, confirm, dropPending, fromView } from './order-store.ts';

const cabinet = cabinetOf('c');
const folder = folderOf('f', { name: 'Old' });
const view: OrderView = { revision: 4, records: [cabinet, folder], undo: null, redo: null };
const noNames = (): undefined => undefined;
const rename = (name: string): Act => ({ act: 'rename-folder', folder: folder.id, name });
const stepOf = (revision: number, act: Act): OrderStep => {
  const performed = perform(fromView(view).records, act, noNames);
  if (!performed.ok) {
    throw new Error('does not work');
  }
  return {
    revision,
    words: performed.value.words,
    change: performed.value.change,
    undo: performed.value.words,
    redo: null,
  };
};
const shown = (state: ReturnType<typeof fromView> | null): string | undefined =>
  state === null ? undefined : folderIn(state.records, 'f')?.name;

describe('the order of a window', () => {
  it('shows an act before it is confirmed and takes it back when it is refused', () => {
    const act = rename('New');
    const pending = addPending(fromView(view), { ticket: '1', act }, noNames);
    expect(shown(pending)).toBe('New');
    expect(shown(dropPending(pending, '1', noNames))).toBe('Old');
  });
  it('takes in a step once, whether the answer or the event brings it first', () => {
    const act = rename('New');
    const once = confirm(
      addPending(fromView(view), { ticket: '1', act }, noNames),
      stepOf(5, act),
      noNames,
    );
    expect(once?.revision).toBe(5);
    const twice = once && confirm(once, stepOf(5, act), noNames);
    expect(twice?.revision).toBe(5);
    expect(shown(twice && dropPending(twice, '1', noNames))).toBe('New');
  });
  it('holds what it showed when that is confirmed, and what is confirmed when that says otherwise', () => {
    const act = rename('New');
    const pending = addPending(fromView(view), { ticket: '1', act }, noNames);
    const same = confirm(pending, structuredClone(stepOf(5, act)), noNames);
    expect(folderIn(same?.records ?? new Map(), 'f')).toBe(folderIn(pending.records, 'f'));
    const other = confirm(pending, stepOf(5, rename('Newer')), noNames);
    expect(shown(other && dropPending(other, '1', noNames))).toBe('Newer');
  });
  it('keeps its own later act on top of a step from another window', () => {
    const mine = addPending(fromView(view), { ticket: '1', act: rename('Mine') }, noNames);
    expect(shown(confirm(mine, stepOf(5, rename('Theirs')), noNames))).toBe('Mine');
  });
  it('drops an act by its ticket, also when the cache has copied it', () => {
    const copied = structuredClone({ ticket: '7', act: rename('New') });
    expect(dropPending(addPending(fromView(view), copied, noNames), '7', noNames).pending).toEqual(
      [],
    );
  });
  it('knows when a step is missing', () =>
    expect(confirm(fromView(view), stepOf(7, rename('x')), noNames)).toBeNull());
});
