import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Plugin } from '../catalog/plugin.ts';
import { applyChange, reverse } from '../change.ts';
import { asId, type PlacementId } from '../id.ts';
import type { Act, NewFolder } from './act.ts';
import { createArranger } from '../arrangement/arrangement.ts';
import {
  allFolders,
  allPlacements,
  cabinetsOf,
  folderIn,
  orderOf,
  placementsIn,
  type Order,
} from '../order/records.ts';
import { perform } from './perform.ts';
import { countPlan, planByJob, planChecks, planLike, planOf } from '../plans/plan.ts';

const id = (text: string): never => asId(text);
const plugin = (
  name: string,
  types: string[],
  vendor: string,
  more: Partial<Plugin> = {},
): Plugin => ({
  id: id(name),
  name,
  vendor,
  kind: 'effect',
  types,
  arrived: `2026-0${(name.length % 9) + 1}-01`,
  copies: [
    {
      id: id(`${name}c`),
      format: 'VST3',
      path: name,
      version: null,
      hasPicture: false,
      is32Bit: false,
      isFailed: false,
      audioIn: null,
      audioOut: null,
      state: 'present',
    },
  ],
  ...more,
});
const catalog = [
  ...['Gorse', 'Kelp', 'Silt', 'Tarn'].map((name) => plugin(name, ['reverb/plate'], 'Osier')),
  ...['Alder', 'Birch', 'Cedar', 'Dray'].map((name) => plugin(name, ['reverb/hall'], 'Osier')),
  plugin('Both', ['reverb/spring', 'delay'], 'Quoin'),
  plugin('Bare', [], 'Quoin'),
];
const nameOf = (wanted: string): string | undefined => catalog.find((p) => p.id === wanted)?.name;
const after = (order: Order, ...acts: Act[]): Order =>
  acts.reduce<Order>((now, act) => {
    const done = perform(now, act, nameOf);
    if (!done.ok) {
      throw new Error(JSON.stringify(done.problems));
    }
    return applyChange(now, done.value.change);
  }, order);
const codeOf = (order: Order, act: Act): string | undefined => {
  const done = perform(order, act, nameOf);
  return done.ok ? undefined : done.problems[0]?.code;
};
const put = (name: string, at: string): NewFolder['plugins'][number] => ({
  placement: id(`${at}-${name}`),
  plugin: id(name),
});
const folder = (name: string, plugins: string[] = [], parent: string | null = null): NewFolder => ({
  id: id(name),
  parent: parent === null ? null : id(parent),
  form: 'folder',
  name,
  rule: null,
  plugins: plugins.map((p) => put(p, name)),
});
const make = (name: string, ...folders: NewFolder[]): Act => ({
  act: 'add-cabinet',
  id: id(name),
  favourites: id(`${name} fav`),
  name,
  opensFor: ['bus'],
  folders,
});
const made = after(
  orderOf([]),
  make(
    'Mix',
    folder('Space', ['Kelp', 'Silt', 'Gorse']),
    folder('Deep', ['Tarn'], 'Space'),
    folder('Colour', ['Kelp', 'Both']),
  ),
);
const names = (order: Order, at: string): string[] =>
  placementsIn(order, id(at)).map((p) => p.plugin as string);

describe('a kind of slot', () => {
  const opensFor = (order: Order): Record<string, readonly string[]> =>
    Object.fromEntries(cabinetsOf(order).map((cabinet) => [cabinet.name, cabinet.opensFor]));

  it('opens the cabinet that claimed it last, and undo gives it back', () => {
    const two = after(made, make('Live'));
    expect(opensFor(two)).toEqual({ Mix: [], Live: ['bus'] });
    const back: Act = {
      act: 'set-cabinet',
      cabinet: id('Mix'),
      set: { opensFor: ['bus', 'final'] },
    };
    const done = perform(two, back, nameOf);
    expect(done.ok && done.value.words).toBe('Mix opens for buses, the final chain');
    expect(done.ok && opensFor(applyChange(two, done.value.change))).toEqual({
      Mix: ['bus', 'final'],
      Live: [],
    });
    expect(
      done.ok &&
        opensFor(applyChange(applyChange(two, done.value.change), reverse(done.value.change))),
    ).toEqual(opensFor(two));
  });
  it('opens the first of the others where its cabinet goes', () => {
    const two = after(made, make('Live'));
    const one = after(two, { act: 'remove-cabinet', cabinet: id('Live') });
    expect(opensFor(one)).toEqual({ Mix: ['bus'] });
  });
  it('stays with its cabinet where another one is renamed', () => {
    const two = after(made, make('Live'));
    const renamed = after(two, { act: 'set-cabinet', cabinet: id('Mix'), set: { name: 'Mixes' } });
    expect(opensFor(renamed)).toEqual({ Mixes: [], Live: ['bus'] });
  });
});

describe('cabinets', () => {
  it('are made with all that is planned, in order, favourites first', () => {
    expect(allFolders(made).map((f) => [f.name, f.parent])).toEqual([
      ['Favourites', null],
      ['Space', null],
      ['Deep', 'Space'],
      ['Colour', null],
    ]);
    expect([names(made, 'Space'), names(made, 'Deep')]).toEqual([
      ['Kelp', 'Silt', 'Gorse'],
      ['Tarn'],
    ]);
    expect(cabinetsOf(made)[0]).toMatchObject({ name: 'Mix', opensFor: ['bus'] });
  });
  it('are refused with a parent behind its child, a folder twice, or a plugin that is not there', () => {
    expect(codeOf(made, make('X', folder('b', [], 'a'), folder('a')))).toBe('field-invalid');
    expect(codeOf(made, make('X', folder('a'), folder('a')))).toBe('id-taken');
    expect(codeOf(made, make('X', folder('a', ['Nobody'])))).toBe('unknown-record');
    expect(codeOf(made, make('X', folder('Space')))).toBe('id-taken');
  });
  it('are renamed, moved and removed with all in them, but never the last', () => {
    const two = after(
      made,
      make('Live', folder('Stage', ['Kelp'])),
      { act: 'move-cabinet', cabinet: id('Live'), before: id('Mix') },
      {
        act: 'set-cabinet',
        cabinet: id('Live'),
        set: { name: 'Tour', opensFor: ['track', 'final'] },
      },
    );
    expect(cabinetsOf(two).map((c) => c.name)).toEqual(['Tour', 'Mix']);
    const one = after(two, { act: 'remove-cabinet', cabinet: id('Mix') });
    expect([
      cabinetsOf(one).map((c) => c.name),
      allFolders(one).map((f) => f.name),
      allPlacements(one),
    ]).toMatchObject([['Tour'], ['Favourites', 'Stage'], [{ plugin: 'Kelp' }]]);
    expect(codeOf(one, { act: 'remove-cabinet', cabinet: id('Live') })).toBe('last-cabinet');
  });
});

describe('a folder shown in another cabinet too', () => {
  const two = after(made, make('Live', folder('Stage', ['Alder'])), {
    act: 'show-folder',
    id: id('shown'),
    folder: id('Space'),
    cabinet: id('Live'),
    before: null,
  });
  const arranged = (order: Order, cabinet: string) => createArranger()(order, catalog, cabinet);
  it('is the same folder: what is filed, named or made in either is in both', () => {
    const order = after(
      two,
      { act: 'file', folder: id('shown'), plugins: [put('Birch', 'x')], before: null },
      { act: 'rename-folder', folder: id('shown'), name: 'Rooms' },
      {
        act: 'add-folder',
        id: id('Small'),
        cabinet: id('Live'),
        parent: id('shown'),
        form: 'folder',
        name: 'Small',
        rule: null,
        before: null,
      },
    );
    const [live, mix] = [arranged(order, 'Live'), arranged(order, 'Mix')];
    expect(live.members.get('shown')).toEqual(mix.members.get('Space'));
    expect(live.folders.map((f) => f.name)).toEqual([
      'Favourites',
      'Stage',
      'Rooms',
      'Deep',
      'Small',
    ]);
    expect(live.below.get('shown')?.map((f) => f.name)).toEqual(['Deep', 'Small']);
    expect(folderIn(order, 'Small')).toMatchObject({ cabinet: 'Mix', parent: 'Space' });
  });
  it('is shown once, goes with the folder, and can go alone', () => {
    expect(
      codeOf(two, {
        act: 'show-folder',
        id: id('again'),
        folder: id('Space'),
        cabinet: id('Live'),
        before: null,
      }),
    ).toBe('shown-already');
    expect(
      codeOf(two, {
        act: 'show-folder',
        id: id('again'),
        folder: id('Space'),
        cabinet: id('Mix'),
        before: null,
      }),
    ).toBe('shown-already');
    expect(
      folderIn(after(two, { act: 'remove-folder', folder: id('Space') }), 'shown'),
    ).toBeUndefined();
    expect(
      folderIn(after(two, { act: 'remove-folder', folder: id('shown') }), 'Space'),
    ).toBeDefined();
    expect(
      folderIn(after(two, { act: 'remove-cabinet', cabinet: id('Mix') }), 'shown'),
    ).toBeUndefined();
  });
  it('is copied with what it holds, and the copy is a folder of its own', () => {
    const order = after(two, {
      act: 'copy-folder',
      cabinet: id('Live'),
      parent: null,
      folders: [folder('Space 2', ['Kelp']), folder('Deep 2', ['Tarn'], 'Space 2')],
    });
    expect(
      arranged(order, 'Live')
        .below.get('Live')
        ?.map((f) => f.name),
    ).toEqual(['Favourites', 'Stage', 'Space', 'Space 2']);
    expect(planOf(order, folderIn(order, 'shown') as never, true)).toMatchObject({
      name: 'Space',
      plugins: ['Kelp', 'Silt', 'Gorse'],
      below: [{ name: 'Deep', plugins: ['Tarn'] }],
    });
    expect(
      codeOf(two, {
        act: 'copy-folder',
        cabinet: id('Live'),
        parent: id('nowhere'),
        folders: [folder('New')],
      }),
    ).toBe('unknown-record');
  });
});

describe('favourites', () => {
  const filed = after(
    made,
    make('Live'),
    { act: 'file', folder: id('Mix fav'), plugins: [put('Kelp', 'm')], before: null },
    { act: 'file', folder: id('Live fav'), plugins: [put('Silt', 'l')], before: null },
  );
  const shared = after(filed, {
    act: 'share-favourites',
    favourites: id('Mix fav'),
    plugins: [put('Kelp', 's'), put('Silt', 's')],
  });
  const favouritesOf = (order: Order, cabinet: string): readonly string[] | undefined =>
    createArranger()(order, catalog, cabinet).members.get(`${cabinet} fav`);
  it('are shared with what every cabinet held, and each has its own again without loss', () => {
    expect([favouritesOf(shared, 'Mix'), favouritesOf(shared, 'Live')]).toEqual([
      ['Kelp', 'Silt'],
      ['Kelp', 'Silt'],
    ]);
    const parted = after(shared, { act: 'share-favourites', favourites: null, plugins: [] });
    expect([favouritesOf(parted, 'Mix'), favouritesOf(parted, 'Live')]).toEqual([
      ['Kelp', 'Silt'],
      ['Silt'],
    ]);
  });
  it('outlive the cabinet they were in', () => {
    const before = shared;
    const done = perform(before, { act: 'remove-cabinet', cabinet: id('Mix') }, nameOf);
    if (!done.ok) {
      throw new Error('refused');
    }
    const left = applyChange(before, done.value.change);
    expect(favouritesOf(left, 'Live')).toEqual(['Kelp', 'Silt']);
    expect(JSON.stringify([...applyChange(left, reverse(done.value.change))].sort())).toBe(
      JSON.stringify([...before].sort()),
    );
  });
});

describe('folders', () => {
  it('give what they hold to another, each plugin once, subfolders too, and go', () => {
    const order = after(made, { act: 'merge-folders', from: id('Space'), into: id('Colour') });
    expect([
      names(order, 'Colour'),
      folderIn(order, 'Space'),
      folderIn(order, 'Deep')?.parent,
    ]).toEqual([['Kelp', 'Both', 'Silt', 'Gorse'], undefined, 'Colour']);
    expect(codeOf(made, { act: 'merge-folders', from: id('Space'), into: id('Deep') })).toBe(
      'inside-itself',
    );
  });
  it('are split into subfolders, and what is not named stays', () => {
    const order = after(made, {
      act: 'split-folder',
      folder: id('Space'),
      parts: [
        { id: id('s1'), name: 'One', placements: [id('Space-Gorse')] },
        { id: id('s2'), name: 'Two', placements: [id('Space-Kelp')] },
      ],
    });
    expect([names(order, 'Space'), names(order, 's1'), names(order, 's2')]).toEqual([
      ['Silt'],
      ['Gorse'],
      ['Kelp'],
    ]);
  });
  it('take what is moved from another, in its exact place; what they have already is only taken out there', () => {
    const order = after(made, {
      act: 'move-to',
      placements: ['Space-Silt', 'Space-Kelp'].map((p): PlacementId => asId(p)),
      folder: id('Colour'),
      before: id('Colour-Both'),
    });
    expect([names(order, 'Colour'), names(order, 'Space')]).toEqual([
      ['Kelp', 'Silt', 'Both'],
      ['Gorse'],
    ]);
  });
  it('are sorted by a fact and put back in the own order without loss; pinned ones stand first', () => {
    const show = (order: Order): unknown[] => {
      const seen = createArranger()(order, catalog, 'Mix', new Map([['Silt', { warmth: 9 }]]));
      return [seen.members.get('Space'), seen.below.get('Mix')?.map((f) => f.name)];
    };
    const sorted = after(
      made,
      { act: 'set-folder', folder: id('Space'), set: { sortedBy: 'name' } },
      { act: 'set-folder', folder: id('Colour'), set: { isPinned: true } },
    );
    expect(show(sorted)).toEqual([
      ['Gorse', 'Kelp', 'Silt'],
      ['Favourites', 'Colour', 'Space'],
    ]);
    expect(
      show(after(sorted, { act: 'set-folder', folder: id('Space'), set: { sortedBy: 'use' } }))[0],
    ).toEqual(['Silt', 'Gorse', 'Kelp']);
    expect(
      show(after(sorted, { act: 'set-folder', folder: id('Space'), set: { sortedBy: null } }))[0],
    ).toEqual(['Kelp', 'Silt', 'Gorse']);
  });
  it('of another cabinet are not shown', () => {
    const two = after(made, make('Live', folder('Stage', ['Kelp'])));
    expect(
      createArranger()(two, catalog, 'Live')
        .foldersOf.get('Kelp')
        ?.map((f) => f.name),
    ).toEqual(['Stage']);
  });
});

describe('plans', () => {
  it('by job and for the last checks have their folders', () => {
    expect([
      planByJob().every((f) => f.plugins.length === 0),
      planChecks(catalog).length > 4,
    ]).toEqual([true, true]);
  });
  it('like one that is there have its folders, with or without what they hold', () => {
    const mix = cabinetsOf(made)[0]!;
    expect([countPlan(planLike(made, mix, true)), countPlan(planLike(made, mix, false))]).toEqual([
      { folders: 3, plugins: 6 },
      { folders: 3, plugins: 0 },
    ]);
  });
});

it('any sequence of these acts is undone to exactly what was before, and places stay unique', () => {
  const at = fc.constantFrom('Space', 'Deep', 'Colour', 'Mix fav');
  const placement = fc.constantFrom(
    'Space-Kelp',
    'Space-Silt',
    'Space-Gorse',
    'Deep-Tarn',
    'Colour-Kelp',
    'Colour-Both',
  );
  const act = fc.oneof(
    fc
      .tuple(at, at)
      .map(([from, into]): Act => ({ act: 'merge-folders', from: id(from), into: id(into) })),
    fc.tuple(fc.uniqueArray(placement, { minLength: 1 }), at, placement).map(
      ([list, to, before]): Act => ({
        act: 'move-to',
        placements: list.map((p): PlacementId => asId(p)),
        folder: id(to),
        before: id(before),
      }),
    ),
    fc.tuple(at, fc.uniqueArray(placement, { minLength: 1 }), fc.nat(99)).map(
      ([from, list, n]): Act => ({
        act: 'split-folder',
        folder: id(from),
        parts: [
          {
            id: id(`part ${n}`),
            name: 'part',
            placements: list.map((p): PlacementId => asId(p)),
          },
        ],
      }),
    ),
    fc.tuple(at, fc.constantFrom(null, 'name' as const), fc.boolean()).map(
      ([to, sortedBy, isPinned]): Act => ({
        act: 'set-folder',
        folder: id(to),
        set: { sortedBy, isPinned },
      }),
    ),
    fc.constantFrom<Act>(
      make('Live', folder('Stage', ['Kelp'])),
      { act: 'remove-cabinet', cabinet: id('Mix') },
      { act: 'move-cabinet', cabinet: id('Mix'), before: null },
    ),
  );
  const plain = (order: Order): unknown => [...order].sort(([a], [b]) => (a < b ? -1 : 1));
  fc.assert(
    fc.property(fc.array(act, { maxLength: 10 }), (acts) => {
      let order: Order = made;
      const changes = [];
      for (const one of acts) {
        const done = perform(order, one, nameOf);
        if (!done.ok) {
          continue;
        }
        order = applyChange(order, done.value.change);
        changes.push(done.value.change);
        const all = allPlacements(order).map((p) => `${p.folder} ${p.plugin}`);
        expect(new Set(all).size).toBe(all.length);
        for (const p of allPlacements(order)) {
          expect(folderIn(order, p.folder)).toBeDefined();
        }
      }
      for (const change of changes.reverse()) {
        order = applyChange(order, reverse(change));
      }
      expect(plain(order)).toEqual(plain(made));
    }),
    { numRuns: 400 },
  );
});
