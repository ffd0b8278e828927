import { describe, expect, it } from '@jest/globals';
import { pluginOf } from '../catalog/plugin.test-data.ts';
import { asId } from '../id.ts';
import type { SortGround } from '../identify/questions.ts';
import { orderOf, type OrderRecord } from '../order/records.ts';
import { changeSort, uncertainOf, type SortView } from './uncertain.ts';

const ground = (plugin: string): SortGround => ({
  plugin: asId(plugin),
  kinds: [],
  kindReasons: [],
  suggestions: [],
});
const nothing = { doubts: [], vendors: [], near: [] };

describe('what is asked of a studio', () => {
  const records: readonly OrderRecord[] = [
    { table: 'spelling', id: asId('s'), spelling: 'Osier Ltd', vendor: 'Osier' },
    { table: 'copy-assignment', id: asId('copy'), plugin: asId('kelp'), before: asId('silt') },
  ];
  const uncertain = uncertainOf(
    [pluginOf('Kelp'), pluginOf('Pair', { chain: [asId('kelp')] })],
    new Map(),
    orderOf(records),
    { grounds: [ground('kelp')], ...nothing },
  );

  it('is asked of plugins, and of no chain', () => {
    expect(uncertain.plugins.map(({ name }) => name)).toEqual(['Kelp']);
    expect([...uncertain.grounds.keys()]).toEqual(['kelp']);
  });
  it('leaves out spellings and copies of which the user has said something', () => {
    expect([[...uncertain.decided], [...uncertain.pinned]]).toEqual([['Osier Ltd'], ['copy']]);
  });
});

describe('what became of what is uncertain', () => {
  it('takes the place of what was, and leaves the rest the same objects', () => {
    const before: SortView = {
      version: 1,
      grounds: [ground('kelp'), ground('silt'), ground('heron')],
      ...nothing,
    };
    const near = [{ a: 'Osier', b: 'Osiers', reason: 'one letter' }];
    const changed = [ground('heron'), ground('tern')];
    const after = changeSort(before, { version: 2, changed, removed: ['silt'], ...nothing, near });
    expect(after).toMatchObject({ version: 2, near });
    expect(after.grounds.map(({ plugin }) => plugin)).toEqual(['kelp', 'heron', 'tern']);
    expect(after.grounds[0]).toBe(before.grounds[0]);
    expect(after.grounds[1]).toBe(changed[0]);
  });
});
