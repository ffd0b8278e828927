import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import type { SortGround, SortView } from './api.ts';
import { changeSort, type SortChange } from './sort-change.ts';

const ground = (plugin: string, probability = 0.5): SortGround => ({
  plugin: asId(plugin),
  kinds: [],
  kindReasons: [],
  suggestions: [{ type: 'delay', probability, reasons: [] }],
});
const before: SortView = {
  revision: 'run-3',
  grounds: [ground('kelp'), ground('silt'), ground('marl')],
  doubts: [],
  vendors: [],
  near: [{ a: 'Quoin', b: 'Quoinn', reason: 'they differ by one letter' }],
};
const change = (more: Partial<SortChange>): SortChange => ({
  revision: 'run-4',
  since: 'run-3',
  changed: [],
  removed: [],
  ...more,
});

describe('what is uncertain after a change', () => {
  it('is the same object where nothing changed, so that nothing is worked out again', () => {
    expect(changeSort(before, change({ revision: 'run-3' }))).toBe(before);
  });
  it('has what is new, what is other and no more what is certain; the rest stays the same objects', () => {
    const after = changeSort(
      before,
      change({ changed: [ground('silt', 0.9), ground('tern')], removed: ['marl'] }),
    );
    expect(after.revision).toBe('run-4');
    expect(after.grounds).toEqual([ground('kelp'), ground('silt', 0.9), ground('tern')]);
    expect(after.grounds[0]).toBe(before.grounds[0]);
    expect(after.near).toBe(before.near);
  });
  it('takes what is sent whole, and leaves plugins as they were', () => {
    const after = changeSort(before, change({ near: [] }));
    expect(after.near).toEqual([]);
    expect(after.grounds).toBe(before.grounds);
    expect(after).not.toHaveProperty('since');
  });
});
