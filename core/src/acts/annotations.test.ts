import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyChange, reverse } from '../change.ts';
import { asId, type CopyId, type PluginId } from '../id.ts';
import type { Act, Owner } from './act.ts';
import {
  answerIn,
  copyAssignmentIn,
  pluginNamesIn,
  orderOf,
  placementsIn,
  type Order,
} from '../order/records.ts';
import { perform } from './perform.ts';

const id = <T extends string>(text: T): never => asId(text);
const names: Readonly<Record<string, string>> = { p1: 'Kelp', p2: 'Silt', p3: 'Tarn' };
const nameOf = (plugin: string): string | undefined => names[plugin];
const owner = (plugin: string, ...copies: string[]): Owner => ({
  plugin: asId<PluginId>(plugin),
  copies: copies.map((copy) => asId<CopyId>(copy)),
});

function after(order: Order, ...acts: Act[]): Order {
  return acts.reduce<Order>((now, act) => {
    const done = perform(now, act, nameOf);
    if (!done.ok) {
      throw new Error(JSON.stringify(done.problems));
    }
    return applyChange(now, done.value.change);
  }, order);
}
const wordsOf = (order: Order, act: Act): string => {
  const done = perform(order, act, nameOf);
  return done.ok ? done.value.words : '';
};
const say = (
  plugins: string[],
  set: Extract<Act, { act: 'answer' }>['say'][number]['set'],
): Act => ({ act: 'answer', say: [{ plugins: plugins.map((p) => asId<PluginId>(p)), set }] });

const made = after(
  orderOf([]),
  {
    act: 'add-cabinet',
    id: id('c'),
    favourites: id('f0'),
    name: 'Everyday',
    opensFor: [],
    folders: [],
  },
  {
    act: 'add-folder',
    id: id('f1'),
    cabinet: id('c'),
    parent: null,
    form: 'folder',
    name: 'Squeeze',
    rule: null,
    before: null,
  },
  {
    act: 'file',
    folder: id('f1'),
    plugins: [
      { placement: id('x1'), plugin: id('p1') },
      { placement: id('x2'), plugin: id('p2') },
    ],
    before: null,
  },
  {
    act: 'file',
    folder: id('f0'),
    plugins: [{ placement: id('x3'), plugin: id('p2') }],
    before: null,
  },
);

describe('answers', () => {
  it('hold for all the plugins named, in words, and go when they say nothing any more', () => {
    const order = after(made, say(['p1', 'p2'], { types: ['reverb/plate'] }));
    expect([answerIn(order, 'p1')?.types, answerIn(order, 'p2')?.types]).toEqual([
      ['reverb/plate'],
      ['reverb/plate'],
    ]);
    expect(wordsOf(made, say(['p1', 'p2'], { types: ['reverb/plate'] }))).toBe(
      'Say that 2 plugins are Plate',
    );
    expect(answerIn(after(order, say(['p1'], { types: null })), 'p1')).toBeUndefined();
  });
  it('leave what they do not speak of', () => {
    const order = after(
      made,
      say(['p1'], { notes: ' good on voices ' }),
      say(['p1'], { isHidden: true }),
      { act: 'tag', plugins: [id('p1')], add: ['film', ' film '], remove: [] },
    );
    expect(answerIn(order, 'p1')).toMatchObject({
      notes: 'good on voices',
      isHidden: true,
      tags: ['film'],
      types: null,
    });
  });
  it('of a plugin that is not there, or twice of one, change nothing', () => {
    expect(perform(made, say(['gone'], { isHidden: true }), nameOf).ok).toBe(false);
    expect(
      perform(
        made,
        {
          act: 'answer',
          say: [
            { plugins: [id('p1')], set: {} },
            { plugins: [id('p1')], set: {} },
          ],
        },
        nameOf,
      ).ok,
    ).toBe(false);
  });
});

describe('joining two plugins', () => {
  const order = after(
    made,
    { act: 'name', plugin: id('p2'), nickname: 'Muddy', slotLabel: null },
    say(['p2'], { notes: 'mine', types: ['delay'] }),
    say(['p1'], { types: ['eq'] }),
  );
  const joined = after(order, { act: 'join', into: owner('p1', 'a'), from: [owner('p2', 'b')] });
  it('brings copies, folders, name and answers to the one, each folder once', () => {
    expect([copyAssignmentIn(joined, 'a')?.plugin, copyAssignmentIn(joined, 'b')?.plugin]).toEqual([
      'p1',
      'p1',
    ]);
    expect([
      placementsIn(joined, id('f1')).map((p) => p.plugin),
      placementsIn(joined, id('f0')).map((p) => p.plugin),
    ]).toEqual([['p1'], ['p1']]);
    expect([pluginNamesIn(joined, 'p1')?.nickname, pluginNamesIn(joined, 'p2')]).toEqual([
      'Muddy',
      undefined,
    ]);
    expect(answerIn(joined, 'p1')).toMatchObject({ types: ['eq'], notes: 'mine' });
  });
  it('is undone to what it was', () => {
    const act: Act = { act: 'join', into: owner('p1', 'a'), from: [owner('p2', 'b')] };
    const done = perform(order, act, nameOf);
    if (!done.ok) {
      throw new Error();
    }
    expect(done.value.words).toBe('Merge Kelp and Silt into one plugin');
    expect(new Map([...applyChange(joined, reverse(done.value.change))].sort())).toEqual(
      new Map([...order].sort()),
    );
  });
  it('with itself is refused', () =>
    expect(
      perform(order, { act: 'join', into: owner('p1', 'a'), from: [owner('p1', 'a')] }, nameOf).ok,
    ).toBe(false));
});

describe('parting, keeping apart and spelling', () => {
  it('pins every copy, and remembers where the parted ones were', () => {
    const order = after(made, {
      act: 'part',
      copies: [id('b')],
      from: owner('p1', 'a', 'b'),
      plugin: id('p9'),
    });
    expect([copyAssignmentIn(order, 'a'), copyAssignmentIn(order, 'b')]).toMatchObject([
      { plugin: 'p1' },
      { plugin: 'p9', before: 'p1' },
    ]);
    expect(
      perform(
        made,
        { act: 'part', copies: [id('a')], from: owner('p1', 'a'), plugin: id('p9') },
        nameOf,
      ).ok,
    ).toBe(false);
    expect(
      copyAssignmentIn(
        after(made, { act: 'keep-apart', plugins: [owner('p1', 'a'), owner('p2', 'b')] }),
        'b',
      )?.plugin,
    ).toBe('p2');
  });
  it('says whose a spelling is, and takes it back', () => {
    const said = after(made, {
      act: 'spell',
      say: [{ vendor: 'Osier', spellings: [{ id: id('s1'), spelling: 'OSIER Ltd' }] }],
    });
    expect([...said.values()].find((r) => r.table === 'spelling')).toMatchObject({
      spelling: 'OSIER Ltd',
      vendor: 'Osier',
    });
    expect(
      after(said, {
        act: 'spell',
        say: [{ vendor: null, spellings: [{ id: id('s2'), spelling: 'OSIER Ltd' }] }],
      }),
    ).toEqual(made);
    expect(
      perform(
        made,
        { act: 'spell', say: [{ vendor: ' ', spellings: [{ id: id('s1'), spelling: 'x' }] }] },
        nameOf,
      ).ok,
    ).toBe(false);
  });
});

it('any sequence of answers is undone to exactly what was before', () => {
  const plugin = fc.constantFrom('p1', 'p2', 'p3');
  const acts = fc.oneof(
    fc
      .record({
        plugins: fc.uniqueArray(plugin, { minLength: 1 }),
        types: fc.constantFrom(null, ['eq'], ['delay', 'reverb']),
        isHidden: fc.boolean(),
      })
      .map(({ plugins, ...set }) => say(plugins, set)),
    fc
      .record({
        plugins: fc.uniqueArray(plugin, { minLength: 1 }),
        add: fc.subarray(['a', 'b']),
        remove: fc.subarray(['a', 'b']),
      })
      .map(
        ({ plugins, ...tags }): Act => ({
          act: 'tag',
          plugins: plugins.map((p) => asId<PluginId>(p)),
          ...tags,
        }),
      ),
    fc.uniqueArray(plugin, { minLength: 2, maxLength: 2 }).map(
      ([a = '', b = '']): Act => ({
        act: 'join',
        into: owner(a, `${a}c`),
        from: [owner(b, `${b}c`)],
      }),
    ),
    fc.uniqueArray(plugin, { minLength: 2, maxLength: 2 }).map(
      ([a = '', b = '']): Act => ({
        act: 'keep-apart',
        plugins: [owner(a, `${a}c`), owner(b, `${b}c`)],
      }),
    ),
  );
  fc.assert(
    fc.property(fc.array(acts, { maxLength: 8 }), (list) => {
      let order: Order = made;
      const changes = [];
      for (const act of list) {
        const done = perform(order, act, nameOf);
        if (!done.ok) {
          continue;
        }
        changes.push(done.value.change);
        order = applyChange(order, done.value.change);
      }
      for (const change of changes.reverse()) {
        order = applyChange(order, reverse(change));
      }
      expect(new Map([...order].sort())).toEqual(new Map([...made].sort()));
    }),
    { numRuns: 300 },
  );
});
