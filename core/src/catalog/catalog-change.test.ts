import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId } from '../id.ts';
import { changeCatalog, comparePlaces, type CatalogState } from './catalog-change.ts';
import { pluginOf } from './plugin.test-data.ts';
import type { Plugin } from './plugin.ts';

const plugin = (id: string, name = id): Plugin => pluginOf(name, { id: asId(id) });
const state = (version: number, plugins: readonly Plugin[]): CatalogState => ({
  version,
  plugins: [...plugins].sort(comparePlaces),
});
/** Catalogs with few ids and few names, so that these meet. */
const catalogs = fc
  .uniqueArray(
    fc.record({
      id: fc.integer({ min: 0, max: 12 }),
      name: fc.constantFrom('A', 'B', 'ä', '😀', ''),
    }),
    { selector: ({ id }) => id },
  )
  .map((list) => list.map(({ id, name }) => plugin(String(id), name)));

describe('a change of a catalog', () => {
  it('leads from any catalog to any other', () => {
    fc.assert(
      fc.property(catalogs, catalogs, (from, to) => {
        const names = new Map(from.map(({ id, name }) => [id, name]));
        const kept = new Set(to.map(({ id }) => id));
        const change = {
          version: 2,
          changed: to.filter(({ id, name }) => names.get(id) !== name),
          removed: from.filter(({ id }) => !kept.has(id)).map(({ id }) => id),
        };
        expect(changeCatalog(state(1, from), change)).toEqual(state(2, to));
      }),
    );
  });
  it('leaves what did not change as the same objects', () => {
    const before = state(1, [plugin('heron'), plugin('sluice')]);
    const change = { version: 2, changed: [plugin('tern')], removed: ['heron'] };
    expect(changeCatalog(before, change).plugins[0]).toBe(before.plugins[1]);
  });
  it('that changes nothing leaves the very list', () => {
    const before = state(1, [plugin('heron')]);
    const change = { version: 2, changed: [], removed: [] };
    expect(changeCatalog(before, change).plugins).toBe(before.plugins);
  });
});
