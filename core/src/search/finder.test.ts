import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';
import { copyOf } from '../catalog/plugin.test-data.ts';
import { entryOf, isName, type Entry } from './entry.ts';
import { bestOf, Finder, untypedFactor } from './finder.ts';
import { habitsOf, noUse, type Use } from './habits.ts';
import { ownLetters, ownWorth } from './own-letters.ts';
import { beginsAlmost } from '../text/edit-distance.ts';
import { across, acrossWords, orderPoints, pointsOf, slipOf, wayOf, worth } from './match.ts';
import { isShortWord } from './synonyms.data.ts';

const plugin = (name: string, over: Partial<Plugin> = {}): Plugin => ({
  id: asId(name),
  name,
  vendor: 'Quoin',
  kind: 'effect',
  types: ['delay'],
  arrived: '2026-01-01',
  copies: [],
  ...over,
});
const catalog = [
  plugin('Slackwater Delay'),
  plugin('Shoal Verb', { types: ['reverb/hall'] }),
  plugin('Salt Line', { vendor: 'Saltglass' }),
  plugin('TapeEcho 2'),
  plugin('Islet'),
];
const entries = catalog.map((p) =>
  entryOf(p, {
    nickname: p.name === 'Islet' ? 'Slap me' : null,
    slotLabel: null,
    tags: p.name === 'Islet' ? ['under water'] : [],
  }),
);
const finder = new Finder(entries);
const names = (query: string, use: Partial<Use> = {}): string[] =>
  finder.find(query, habitsOf({ ...noUse, ...use }), 10).hits.map((h) => h.plugin.name);
const because = (query: string): string =>
  finder.find(query, habitsOf(noUse), 1).hits[0]?.because ?? '';

describe('finding by a few letters', () => {
  it('takes beginnings, initials, parts across words, capitals inside, and figures with or without spaces', () => {
    for (const [query, name] of [
      ['sd', 'Slackwater Delay'],
      ['sla del', 'Slackwater Delay'],
      ['del sla', 'Slackwater Delay'],
      ['sladel', 'Slackwater Delay'],
      ['echo', 'TapeEcho 2'],
      ['tapeecho2', 'TapeEcho 2'],
      ['echo2', 'TapeEcho 2'],
      ['echo 2', 'TapeEcho 2'],
      ['SHÖAL', 'Shoal Verb'],
    ] as const) {
      expect([query, names(query)[0]]).toEqual([query, name]);
    }
  });
  it('knows all that letters meet, whatever their number', () => {
    expect([...(finder.meeting('s') ?? [])].sort()).toEqual(
      finder
        .find('s', habitsOf(noUse), 99)
        .hits.map(({ plugin: { id } }) => id)
        .sort(),
    );
    expect([finder.meeting(' . '), finder.meeting('zzzz')?.size]).toEqual([null, 0]);
  });
  it('finds by every name of a plugin: further ones of the user’s, former ones, those of its copies and files, and by notes', () => {
    const named = entryOf(
      plugin('Harbour Bells', {
        formerNames: ['Dock Chimes'],
        copies: [
          copyOf('new', { path: '/plugins/HBx64.vst3' }),
          copyOf('old', { name: 'Quay Ringer', path: '/plugins/ringer.so' }),
        ],
      }),
      { alsoCalled: ['the brass one'], notes: 'for the third act' },
    );
    const both = new Finder([entryOf(plugin('Third Rail')), named]);
    const found = (query: string): string[] =>
      both.find(query, habitsOf(noUse), 10).hits.map((hit) => hit.plugin.name);
    for (const query of ['dock', 'hbx', 'quay', 'ringer', 'brass', 'third act', 'bells']) {
      expect([query, found(query)]).toEqual([query, ['Harbour Bells']]);
    }
    // A name stands before a note.
    expect(found('third')).toEqual(['Third Rail', 'Harbour Bells']);
    // A name that is told twice is one text.
    const texts = entryOf(plugin('Bells', { copies: [copyOf('x', { path: '/bells.so' })] })).texts;
    expect(texts.filter(({ what }) => isName(what)).map(({ joined }) => joined)).toEqual(['bells']);
  });
  it('finds by nickname, vendor, type, its other words and tags, in any order', () => {
    expect([
      names('slap')[0],
      names('glass'),
      names('hall quoin'),
      names('ambience'),
      names('under'),
    ]).toEqual(['Islet', ['Salt Line'], ['Shoal Verb'], ['Shoal Verb'], ['Islet']]);
  });
  it('takes what people type for a type, before names that say nothing of one', () => {
    const some = new Finder(
      [
        plugin('Comparator', { types: [] }),
        plugin('Comp', { types: [] }),
        plugin('Kelp Squeeze', { types: ['dynamics/compressor'] }),
        plugin('Oyster', { types: ['dynamics/multiband'] }),
        plugin('Wharf Echo', { types: ['delay'] }),
        plugin('Moor', { types: ['filter'] }),
        plugin('Sluice', { types: ['reverb/plate'] }),
      ].map((one) => entryOf(one)),
    );
    const named = (query: string): string[] =>
      some.find(query, habitsOf(noUse), 9).hits.map((hit) => hit.plugin.name);
    expect(named('comp')).toEqual(['Comp', 'Kelp Squeeze', 'Oyster', 'Comparator']);
    expect([named('mb comp'), named('mb cmp')]).toEqual([['Oyster'], ['Oyster']]);
    expect(named('compa')[0]).toBe('Comparator');
    expect(['cmp', 'dly', 'rvb', 'flt', 'mbc'].map((q) => named(q)[0])).toEqual([
      'Kelp Squeeze',
      'Wharf Echo',
      'Sluice',
      'Moor',
      'Oyster',
    ]);
  });
  it('forgives one letter that is wrong, missing, too many or swapped, from four letters on', () => {
    for (const typed of ['slakwat', 'slqck', 'slackkw', 'salckw', 'tpaee', 'slackwater dealy']) {
      expect([typed, names(typed)[0]]).toEqual([
        typed,
        typed.startsWith('tp') ? 'TapeEcho 2' : 'Slackwater Delay',
      ]);
    }
    expect(names('slq')).toEqual([]);
  });
  it('says why, and puts a name before a vendor', () => {
    expect([
      because('salt'),
      because('sd'),
      because('slackwatr'),
      because('tape 2'),
      because('quo'),
    ]).toEqual([
      'name starts with “salt”',
      'name has the initials “sd”',
      'name starts almost with “slackwatr”',
      'name starts with “tape”, name has a word starting with “2”',
      'vendor starts with “quo”',
    ]);
  });
  it('says of which type, group or other word for a type the letters are', () => {
    const of = (query: string, name: string): string | undefined =>
      finder.find(query, habitsOf(noUse), 10).hits.find((hit) => hit.plugin.name === name)?.because;
    expect([
      of('del', 'Salt Line'),
      of('hall', 'Shoal Verb'),
      of('reverb', 'Shoal Verb'),
      of('sl', 'Salt Line'),
      of('ambi', 'Shoal Verb'),
    ]).toEqual([
      'type starts with “del”',
      'type is “hall”',
      'group is “reverb”',
      'name has the initials “sl”',
      'type is also called “ambience”',
    ]);
    expect(of('sla', 'TapeEcho 2')).toBe('type is also called “slap”');
  });
  it('gives the same first hits whatever the limit, and counts them all', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 4 }), fc.integer({ min: 1, max: 5 }), (query, limit) => {
        const all = finder.find(query, habitsOf(noUse), 100);
        expect(finder.find(query, habitsOf(noUse), limit).hits).toEqual(all.hits.slice(0, limit));
        expect(all.count).toBe(all.hits.length);
      }),
    );
  });
  it('does not take long over letters that match nowhere', () => {
    const long = new Finder([entryOf(plugin(Array<string>(40).fill('aaaa').join(' ')))]);
    expect(long.find(`${'a'.repeat(60)}bb`, habitsOf(noUse), 5).hits).toEqual([]);
  });
});

describe('the index', () => {
  const word = fc.constantFrom(
    'Slack',
    'Salt',
    'Tape',
    'Echo',
    'Delay',
    'Verb',
    'EQ',
    '2',
    'X',
    'De',
    'Plate',
    'Sl',
  );
  const name = fc
    .array(word, { minLength: 1, maxLength: 4 })
    .chain((words) => fc.constantFrom(words.join(' '), words.join(''), words.join('-')));
  const query = fc.oneof(
    name.map((text) => text.slice(0, 6).toLowerCase()),
    fc.string({
      unit: fc.constantFrom('s', 'l', 'a', 't', 'e', 'd', 'c', 'h', '2', ' '),
      maxLength: 7,
    }),
    fc.constantFrom('slakc', 'dealy', 'vreb', 'echo del', 'reverbb', 'verb', 'del'),
  );
  /** Each entry by itself, straight from the ways to meet a text. */
  const slowly = (
    entry: Entry,
    typed: string,
    isSlip: (part: string, from: number) => boolean,
  ): number => {
    const best = (part: string, shown = part, from: number = across.part): number =>
      Math.max(
        0,
        ...entry.texts.flatMap((text) =>
          [wayOf(text, part, from), isSlip(part, from) ? slipOf(text, part) : null].flatMap(
            (way) => (way === null ? [] : [pointsOf(way, text, part, shown)]),
          ),
        ),
      );
    const parts = wordsOf(typed);
    const each = parts.map((part) => best(part));
    const whole = best(
      parts.join(''),
      parts.join(' '),
      parts.length > 1 ? across.several : across.one,
    );
    return Math.max(
      whole,
      parts.length > 1 && each.every((points) => points > 0)
        ? (each.reduce((sum, points) => sum + points, 0) / parts.length) * 0.9 +
            Math.max(
              ...entry.texts.map((text) =>
                ['name', 'nickname', 'slot label'].includes(text.what)
                  ? orderPoints(text.words, parts)
                  : 0,
              ),
            )
        : 0,
    );
  };
  it('finds what looking at every text finds, with the same worth', () => {
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 12 }), query, (all, typed) => {
        if (wordsOf(typed).length === 0) {
          return;
        }
        const some = all.map((one, i) =>
          entryOf(
            plugin(one, {
              id: asId(`${i}`),
              vendor: i % 3 === 0 ? null : 'Tape Delay',
              types: i % 2 === 0 ? ['reverb/plate'] : [],
            }),
          ),
        );
        // Slips count where fewer than three plugins meet the letters as typed (letters inside a
        // word left out).
        const isSlip = (part: string, from: number): boolean =>
          some.filter((entry) =>
            entry.texts.some((text) => {
              const way = wayOf(text, part, from);
              return way !== null && way !== 'inside';
            }),
          ).length < 3;
        const own = ownLetters(some).get(wordsOf(typed).join('')) ?? [];
        const slow = some.flatMap((entry, at) => {
          const met = slowly(entry, typed, isSlip);
          const isLeft = isShortWord(wordsOf(typed).join('')) && entry.plugin.types.length === 0;
          const points = isLeft && met < worth.whole ? met * untypedFactor : met;
          return points > 0
            ? [[entry.plugin.id, points + (own.includes(at) && !isLeft ? ownWorth : 0)] as const]
            : [];
        });
        const found = new Finder(some)
          .find(typed, habitsOf(noUse), 50)
          .hits.map((hit) => [hit.plugin.id, hit.score] as const);
        const sorted = (list: readonly (readonly [string, number])[]): unknown =>
          [...list]
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([id, points]) => [id, points.toFixed(6)]);
        expect(sorted(found)).toEqual(sorted(slow));
        for (const hit of new Finder(some).find(typed, habitsOf(noUse), 50).hits) {
          expect(hit.because).not.toBe('');
        }
      }),
      { numRuns: 1500 },
    );
  });
});

it('finds the same with an index that was begun before the letters were typed', () => {
  const many = Array.from({ length: 250 }, (_, n) => entryOf(plugin(`Tern Hall ${n}`)));
  const begun = new Finder(many);
  expect([begun.prepare(), begun.prepare()]).toEqual([true, true]);
  for (const typed of ['', 't', 'hall 24', 'zzz']) {
    expect(begun.find(typed, habitsOf(noUse), 9)).toEqual(
      new Finder(many).find(typed, habitsOf(noUse), 9),
    );
  }
});

describe('ways to meet a text', () => {
  it('beginnings of words in order, some left out', () =>
    expect([
      acrossWords(['slackwater', 'tape', 'delay'], 'sladel'),
      acrossWords(['slackwater', 'delay'], 'delsla'),
      acrossWords(['a', 'ab'], 'aab'),
    ]).toEqual([true, false, true]));
  it('beginnings but for one letter', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('a', 'b', 'c'), maxLength: 7 }),
        fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 1, maxLength: 6 }),
        (text, typed) => {
          const variants = new Set<string>();
          for (let length = 0; length <= text.length; length += 1) {
            const start = text.slice(0, length);
            variants.add(start);
            for (let i = 0; i <= start.length; i += 1) {
              variants.add(start.slice(0, i) + start.slice(i + 1));
              if (i + 1 < start.length) {
                variants.add(
                  start.slice(0, i) + start.charAt(i + 1) + start.charAt(i) + start.slice(i + 2),
                );
              }
              for (const letter of 'abc') {
                variants.add(start.slice(0, i) + letter + start.slice(i));
                if (i < start.length) {
                  variants.add(start.slice(0, i) + letter + start.slice(i + 1));
                }
              }
            }
          }
          expect(beginsAlmost(text, typed)).toBe(variants.has(typed));
        },
      ),
      { numRuns: 2000 },
    );
  });
  it('are none for empty or short slips', () => {
    const [text] = entryOf(plugin('Salt Line')).texts;
    expect([
      text && slipOf(text, 'slt'),
      text && bestOf(entryOf(plugin('Salt Line')), 'zz', 'zz'),
    ]).toEqual([null, null]);
  });
});

describe('habit', () => {
  it('ranks what is loaded often higher among alike matches, and alone where nothing is typed', () => {
    expect(names('s')[0]).toBe('Islet');
    expect(names('s', { warmth: new Map([['Shoal Verb', 30]]) })[0]).toBe('Shoal Verb');
    expect(
      names('', { warmth: new Map([['Salt Line', 2]]), favourites: new Set(['TapeEcho 2']) }).slice(
        0,
        2,
      ),
    ).toEqual(['Salt Line', 'TapeEcho 2']);
    expect(
      names('', {
        warmth: new Map([
          ['Salt Line', 2],
          ['Shoal Verb', 1],
        ]),
        warmthAfter: new Map([['Shoal Verb', 1]]),
      })[0],
    ).toBe('Shoal Verb');
    expect(
      finder.find('', habitsOf({ ...noUse, warmthAfter: new Map([['Shoal Verb', 9]]) }), 1).hits[0]
        ?.because,
    ).toBe('often loaded after the one before');
  });
  it('puts what is in the cabinet first, and among that what stands in front there', () => {
    const places = {
      inCabinet: new Map([
        ['TapeEcho 2', 0.5],
        ['Shoal Verb', 0],
        ['Islet', 0.9],
      ]),
    };
    expect(names('', places)).toEqual([
      'Shoal Verb',
      'TapeEcho 2',
      'Islet',
      'Salt Line',
      'Slackwater Delay',
    ]);
    const hits = new Finder(['Tern A', 'Tern B'].map((name) => entryOf(plugin(name)))).find(
      'tern',
      habitsOf({
        ...noUse,
        inCabinet: new Map([
          ['Tern A', 0.9],
          ['Tern B', 0.1],
        ]),
      }),
      2,
    ).hits;
    expect(hits.map((hit) => hit.plugin.name)).toEqual(['Tern B', 'Tern A']);
  });
  it('puts first what was chosen twice for the same letters, and says so', () => {
    const chosen = new Map([
      [
        's',
        new Map([
          ['Slackwater Delay', 2],
          ['Shoal Verb', 1],
        ]),
      ],
    ]);
    const hits = finder.find(
      'S',
      habitsOf({ ...noUse, chosen, warmth: new Map([['Shoal Verb', 500]]) }),
      2,
    ).hits;
    expect(hits.map((hit) => hit.plugin.name)).toEqual(['Slackwater Delay', 'Shoal Verb']);
    expect(hits[0]?.because).toBe('name starts with “s”, chosen before for “s”');
  });
  it('never lets the load of one plugin swap two others', () => {
    const ids = catalog.map((p) => p.id as string);
    const warmth = fc.dictionary(
      fc.constantFrom(...ids),
      fc.double({ min: 0.001, max: 200, noNaN: true }),
    );
    const maps = fc.record({
      warmth,
      warmthHere: warmth,
      warmthAfter: warmth,
      favourites: fc.subarray(ids),
    });
    fc.assert(
      fc.property(
        maps,
        fc.constantFrom(...ids),
        fc.constantFrom('', 's', 'sl', 'de', 'q', 'echo', 'dela'),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (use, loaded, query, more) => {
          const mapped = (of: Record<string, number>): Map<string, number> =>
            new Map(Object.entries(of));
          const grown = (of: Record<string, number>): Map<string, number> =>
            mapped(of).set(loaded, (of[loaded] ?? 0) + more);
          const before = {
            ...noUse,
            warmth: mapped(use.warmth),
            warmthHere: mapped(use.warmthHere),
            warmthAfter: mapped(use.warmthAfter),
            favourites: new Set(use.favourites),
          };
          const after = {
            ...before,
            warmth: grown(use.warmth),
            warmthHere: grown(use.warmthHere),
            warmthAfter: grown(use.warmthAfter),
          };
          const others = (one: Use): string[] =>
            finder
              .find(query, habitsOf(one), 9)
              .hits.map((hit) => hit.plugin.id as string)
              .filter((id) => id !== loaded);
          expect(others(after)).toEqual(others(before));
        },
      ),
      { numRuns: 1000 },
    );
  });
});
