import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyChange, reverse } from '../change.ts';
import { asId, type CabinetId, type FolderId } from '../id.ts';
import type { Act } from './act.ts';
import { createArranger } from '../arrangement/arrangement.ts';
import { because } from '../arrangement/because.ts';
import { allFolders, foldersBelow, orderOf, placementsIn, type Order } from '../order/records.ts';
import { perform } from './perform.ts';
import { did, refusalOf } from './performing.test-data.ts';
import type { Plugin } from '../catalog/plugin.ts';

const cabinet = asId<CabinetId>('c');
const plugins = ['p1', 'p2', 'p3', 'p4'];
const nameOf = (id: string): string | undefined =>
  plugins.includes(id) ? id.toUpperCase() : undefined;
const doAct = (order: Order, act: Act): Order => did(order, act, nameOf).order;
const codeOf = (order: Order, act: Act): string => refusalOf(order, act, nameOf).code;
const start = doAct(orderOf([]), {
  act: 'add-cabinet',
  id: cabinet,
  favourites: asId('fav'),
  name: 'Everyday',
  opensFor: [],
  folders: [],
});
const add = (
  id: string,
  form: 'folder' | 'smart' | 'divider' = 'folder',
  before: string | null = null,
): Act => ({
  act: 'add-folder',
  id: asId(id),
  cabinet,
  parent: null,
  form,
  name: id,
  rule:
    form === 'smart'
      ? { cards: [{ lines: [{ field: 'name', relation: 'has', values: ['p1'] }] }], never: [] }
      : null,
  before: before === null ? null : asId(before),
});
const names = (order: Order): string[] => foldersBelow(order, cabinet, null).map((f) => f.name);
const plain = (order: Order): string =>
  JSON.stringify([...order].sort(([a], [b]) => (a < b ? -1 : 1)));

/** Folders, placements and plugins that an act names or reads. */
const touched = (order: Order, act: Act): string[] => {
  const named = JSON.stringify(act).match(/"(?:fav|f[1-4]|p[1-4]|[a-e])"/g) ?? [];
  return named.flatMap((id) => [
    id,
    JSON.stringify(
      (order.get(`placement/${JSON.parse(id) as string}`) as { folder?: string } | undefined)
        ?.folder ?? id,
    ),
  ]);
};
/**
 * The state without positions, which two windows may choose alike; the order of each row stays told
 * by its ids.
 */
const plainLoosely = (order: Order): string =>
  JSON.stringify(
    [...order.values()]
      .map((record) => ({ ...record, position: '' }))
      .sort((a, b) => (`${a.table}${a.id}` < `${b.table}${b.id}` ? -1 : 1)),
  );

/** Any act over a few ids, sensible or not. */
const anyAct: fc.Arbitrary<Act> = (() => {
  const folder = fc.constantFrom('fav', 'f1', 'f2', 'f3', 'f4').map((id) => asId<FolderId>(id));
  const maybe = fc.option(folder);
  const placement = fc.constantFrom('a', 'b', 'c', 'd', 'e').map((id) => asId<never>(id));
  const plugin = fc.constantFrom(...plugins).map((id) => asId<never>(id));
  return fc.oneof(
    fc.record({
      act: fc.constant('add-folder' as const),
      id: folder,
      cabinet: fc.constant(cabinet),
      parent: maybe,
      form: fc.constantFrom('folder' as const, 'divider' as const),
      name: fc.constantFrom('x', 'y', ' '),
      rule: fc.constant(null),
      before: maybe,
    }),
    fc.record({ act: fc.constant('move-folder' as const), folder, parent: maybe, before: maybe }),
    fc.record({ act: fc.constant('remove-folder' as const), folder }),
    fc.record({
      act: fc.constant('rename-folder' as const),
      folder,
      name: fc.constantFrom('n', 'm'),
    }),
    fc.record({
      act: fc.constant('file' as const),
      folder,
      plugins: fc.array(fc.record({ placement, plugin }), { minLength: 1, maxLength: 3 }),
      before: fc.option(placement),
    }),
    fc.record({
      act: fc.constant('file-each' as const),
      entries: fc.array(
        fc.record({
          folder,
          plugins: fc.array(fc.record({ placement, plugin }), { minLength: 1, maxLength: 2 }),
        }),
        { minLength: 1, maxLength: 2 },
      ),
    }),
    fc.record({
      act: fc.constant('take-out' as const),
      placements: fc.array(placement, { minLength: 1, maxLength: 3 }),
    }),
    fc.record({
      act: fc.constant('move-placement' as const),
      placement,
      before: fc.option(placement),
    }),
    fc.record({
      act: fc.constant('name' as const),
      plugin,
      nickname: fc.constantFrom('nick', null),
      slotLabel: fc.constantFrom('sl', null),
    }),
  );
})();

describe('acts on the order', () => {
  it('of any sequence are undone one by one back to exactly the former state', () => {
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 30 }), (acts) => {
        const states: Order[] = [start];
        const changes: Parameters<typeof reverse>[0][] = [];
        for (const act of acts) {
          const result = perform(states.at(-1) as Order, act, nameOf);
          if (!result.ok) {
            continue;
          }
          changes.push(result.value.change);
          states.push(applyChange(states.at(-1) as Order, result.value.change));
        }
        while (changes.length > 0) {
          const undone = applyChange(
            states.pop() as Order,
            reverse(changes.pop() as never) as never,
          );
          expect(plain(undone)).toBe(plain(states.at(-1) as Order));
        }
      }),
      { numRuns: 400 },
    );
  });
  it('of any sequence leave every row in one total order, no plugin twice in a folder, and no folder without its parent', () => {
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 30 }), (acts) => {
        const order = acts.reduce<Order>((o, act) => {
          const r = perform(o, act, nameOf);
          return r.ok ? applyChange(o, r.value.change) : o;
        }, start);
        const folders = allFolders(order);
        for (const folder of folders) {
          const row = foldersBelow(order, cabinet, folder.parent).map((f) => f.position);
          expect(new Set(row).size).toBe(row.length);
          const placed = placementsIn(order, folder.id);
          expect(new Set(placed.map((p) => p.plugin)).size).toBe(placed.length);
          expect(new Set(placed.map((p) => p.position)).size).toBe(placed.length);
          expect(folder.parent === null || folders.some((f) => f.id === folder.parent)).toBe(true);
        }
      }),
      { numRuns: 400 },
    );
  });
});

describe('two windows that act at once', () => {
  it('end in one state that keeps every rule, whichever act arrives first, and neither loses what the other did', () => {
    const already = [
      add('f1'),
      add('f2'),
      {
        act: 'file',
        folder: asId('f1'),
        plugins: [
          { placement: asId('a'), plugin: asId('p1') },
          { placement: asId('b'), plugin: asId('p2') },
        ],
        before: null,
      } as Act,
    ].reduce(doAct, start);
    fc.assert(
      fc.property(anyAct, anyAct, (one, other) => {
        const both = [
          [one, other],
          [other, one],
        ].map((acts) =>
          acts.reduce<Order>((o, act) => {
            const r = perform(o, act, nameOf);
            return r.ok ? applyChange(o, r.value.change) : o;
          }, already),
        );
        for (const order of both) {
          // The server's order of arrival is the one for all windows: a window that did its act
          // first redoes it on what the server tells.
          for (const folder of allFolders(order)) {
            expect(folder.parent === null || order.has(`folder/${folder.parent}`)).toBe(true);
          }
          for (const record of order.values()) {
            if (record.table === 'placement') {
              expect(order.has(`folder/${record.folder}`)).toBe(true);
            }
          }
        }
        if (touched(already, one).some((key) => touched(already, other).includes(key))) {
          return;
        }
        expect(plainLoosely(both[0] as Order)).toBe(plainLoosely(both[1] as Order));
      }),
      { numRuns: 600 },
    );
  });
});

describe('folders', () => {
  it('are inserted and moved anywhere', () => {
    let order = [add('A'), add('B'), add('C', 'folder', 'B'), add('line', 'divider', 'B')].reduce(
      doAct,
      start,
    );
    expect(names(order)).toEqual(['Favourites', 'A', 'C', 'line', 'B']);
    order = doAct(order, {
      act: 'move-folder',
      folder: asId('B'),
      parent: null,
      before: asId('fav'),
    });
    expect(names(order)).toEqual(['B', 'Favourites', 'A', 'C', 'line']);
  });
  it('refuse to stand inside themselves, in a divider, or to lose the favourites', () => {
    const order = [add('A'), add('line', 'divider')].reduce(doAct, start);
    const inner = doAct(order, {
      act: 'add-folder',
      id: asId('in'),
      cabinet,
      parent: asId('A'),
      form: 'folder',
      name: 'in',
      rule: null,
      before: null,
    });
    expect(
      codeOf(inner, { act: 'move-folder', folder: asId('A'), parent: asId('in'), before: null }),
    ).toBe('inside-itself');
    expect(
      codeOf(order, { act: 'move-folder', folder: asId('A'), parent: asId('line'), before: null }),
    ).toBe('holds-no-plugins');
    expect(codeOf(order, { act: 'remove-folder', folder: asId('fav') })).toBe('stays');
  });
});

describe('filing', () => {
  const file = (folder: string, ids: string[], before: string | null = null): Act => ({
    act: 'file',
    folder: asId(folder),
    before: before === null ? null : asId(before),
    plugins: ids.map((p) => ({ placement: asId(`${folder}-${p}`), plugin: asId(p) })),
  });
  it('puts a plugin in several folders, once in each, in the wanted place', () => {
    const order = [
      add('A'),
      add('B'),
      file('A', ['p1', 'p2']),
      file('B', ['p1']),
      file('A', ['p3', 'p1'], 'A-p2'),
    ].reduce(doAct, start);
    expect(placementsIn(order, asId('A')).map((p) => p.plugin)).toEqual(['p1', 'p3', 'p2']);
    expect(placementsIn(order, asId('B')).map((p) => p.plugin)).toEqual(['p1']);
  });
  it('says in words what it did and why it cannot', () => {
    const order = [add('A'), add('S', 'smart')].reduce(doAct, start);
    const result = perform(order, file('A', ['p1', 'p2']), nameOf);
    expect(result.ok && result.value.words).toBe('File 2 plugins in A');
    expect(codeOf(order, file('S', ['p1']))).toBe('holds-no-plugins');
    expect(
      codeOf(doAct(order, file('A', ['p1'])), {
        ...file('A', ['p1']),
        plugins: [{ placement: asId('new'), plugin: asId('p1') }],
      } as Act),
    ).toBe('already-there');
  });
});

describe('the arrangement', () => {
  it('knows members of folders and smart folders, why, and what is in none', () => {
    const catalog = plugins.map(
      (id): Plugin => ({
        id: asId(id),
        name: id.toUpperCase(),
        vendor: null,
        kind: 'effect',
        types: [],
        arrived: '',
        copies: [],
      }),
    );
    const order = [
      add('A'),
      {
        ...add('S', 'smart'),
        rule: {
          cards: [{ lines: [{ field: 'name', relation: 'has', values: ['old one'] }] }],
          never: [],
        },
      } as Act,
      { act: 'name', plugin: asId('p2'), nickname: 'The old one', slotLabel: null } as Act,
      {
        act: 'file',
        folder: asId('A'),
        before: null,
        plugins: [{ placement: asId('x'), plugin: asId('p1') }],
      } as Act,
    ].reduce(doAct, start);
    const arrangement = createArranger()(order, catalog);
    expect(arrangement.members.get('S')).toEqual(['p2']);
    const [ordinary, smart] = ['A', 'S'].map((id) =>
      arrangement.folders.find((folder) => folder.id === id),
    );
    expect(smart && because(arrangement, smart, 'p2')).toBe('name has “old one”');
    expect(smart && because(arrangement, smart, 'p1')).toBeNull();
    expect(ordinary && because(arrangement, ordinary, 'p1')).toBeNull();
    expect(
      [...arrangement.foldersOf].map(
        ([id, folders]) => `${id} ${folders.map((f) => f.name).join()}`,
      ),
    ).toEqual(['p1 A', 'p2 S']);
  });
});
