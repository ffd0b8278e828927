/**
 * Figures against independent ones: d3-array's group, rollup, mean and median on random studios.
 * Measures of association against worked examples of Tan, Steinbach and Kumar, Introduction to Data
 * Mining (tea and coffee; market baskets), both from memory.
 */
import { describe, expect, it } from '@jest/globals';
import { group, mean, median, rollup, sum } from 'd3-array';
import fc from 'fast-check';
import { day } from '../time.ts';
import { comingsByMonth } from './comings.ts';
import { doublingOf } from './doubles.ts';
import { dustAges, dustLoads, dustOf } from './dust.ts';
import { endingTrials } from './ending.ts';
import { keysByMonth, lettersOf, slowOnes } from './keys.ts';
import { copiesByFormat, retirableOf } from './old-copies.ts';
import { filedShare, jaccard, orderHealth } from './order-health.ts';
import { makersOf, ownedByGroup } from './owned.ts';
import { reviewPart } from './review.ts';
import {
  firstGroup,
  monthOf,
  monthsBetween,
  narrowMaterial,
  type PastUse,
  type ReviewMaterial,
} from './studied.ts';
import { anyMaterial, aCopy, aFolder, aMaterial, aPlugin, aUse, now } from './studio.test-data.ts';
import { summaryOf } from './summary.ts';
import { associationOf, pairsOf, recurringOf, runsOf } from './together.ts';
import { wholeReview } from './view.ts';
import { monthsOf } from './when.ts';

const runs = { numRuns: 60 };

/** What is not gone, written another way. */
const owned = (plugins: ReviewMaterial['plugins']): ReviewMaterial['plugins'][number][] =>
  plugins.filter(
    ({ copies }) => copies.length === 0 || copies.some(({ state }) => state !== 'gone'),
  );

describe('what is owned and used', () => {
  it('counts nothing that is gone from this computer', () => {
    const material = aMaterial({
      plugins: [
        aPlugin('here'),
        aPlugin('away', { copies: [aCopy('a', 'VST3', { state: 'away' })] }),
        aPlugin('gone', { copies: [aCopy('g', 'VST3', { state: 'gone' })] }),
      ],
      uses: [aUse('here'), aUse('gone')],
    });
    expect(summaryOf(material)[0]).toBe(
      'You own 2 plugins by 1 vendor, and loaded 1 of them (50 %) 2 times.',
    );
    expect(makersOf(material).cells.flatMap(({ plugins }) => plugins)).toEqual(['here', 'away']);
  });
  it('counts as d3-array does', () => {
    fc.assert(
      fc.property(anyMaterial, (material) => {
        const loads = rollup(
          material.uses,
          (uses) => uses.length,
          ({ plugin }) => plugin,
        );
        const cells = group(
          owned(material.plugins),
          ({ vendor }) => vendor ?? '',
          (plugin) => firstGroup(plugin),
        );
        const makers = makersOf(material);
        expect(makers.cells).toHaveLength(sum([...cells.values()], (row) => row.size));
        for (const { vendor, group: type, plugins, used, loads: all } of makers.cells) {
          const expected =
            cells
              .get(vendor)
              ?.get(type)
              ?.map(({ id }) => id) ?? [];
          expect(plugins).toEqual(expected);
          expect(used).toEqual(expected.filter((id) => loads.has(id)));
          expect(all).toBe(sum(expected, (id) => loads.get(id) ?? 0));
        }
        for (const of of ownedByGroup(material)) {
          expect(of.plugins).toHaveLength(
            owned(material.plugins).filter((plugin) => firstGroup(plugin) === of.group).length,
          );
        }
        const byVendor = rollup(
          owned(material.plugins),
          (plugins) => plugins.length,
          ({ vendor }) => vendor ?? '',
        );
        const counts = makers.vendors.map((vendor) => byVendor.get(vendor) ?? 0);
        expect(counts).toEqual(counts.toSorted((a, b) => b - a));
      }),
      runs,
    );
  });

  it('puts every plugin that is there under exactly one age and number of loads', () => {
    fc.assert(
      fc.property(anyMaterial, (material) => {
        const marks = dustOf(material, now);
        const there = material.plugins.filter(({ copies }) =>
          copies.some(({ state }) => state === 'present'),
        );
        expect(marks.flatMap(({ plugins }) => plugins).sort()).toEqual(
          there.map(({ id }) => id).sort(),
        );
        for (const { age, loads, plugins } of marks) {
          for (const id of plugins) {
            const uses = material.uses.filter(({ plugin }) => plugin === id);
            expect(uses.length).toBeGreaterThanOrEqual(dustLoads[loads] ?? 0);
            expect(uses.length).toBeLessThan(dustLoads[loads + 1] ?? Infinity);
            const days =
              uses.length === 0 ? null : (now - Math.max(...uses.map((u) => u.at))) / day;
            expect(days === null).toBe(dustAges[age]?.below === null);
            expect(days ?? -1).toBeLessThan(dustAges[age]?.below ?? Infinity);
          }
        }
      }),
      runs,
    );
  });
});

describe('what is used when', () => {
  it('adds up to all loads, without gaps between months', () => {
    fc.assert(
      fc.property(anyMaterial, (material) => {
        for (const by of ['group', 'track'] as const) {
          const { months, cells, rows } = monthsOf(material, by);
          expect(sum(cells, ({ loads }) => loads)).toBe(material.uses.length);
          expect(new Set(cells.map(({ row }) => row))).toEqual(new Set(rows));
          const byMonth = rollup(
            material.uses,
            (uses) => uses.length,
            ({ at }) => monthOf(at),
          );
          for (const month of months) {
            const total = sum(
              cells.filter((cell) => cell.month === month),
              ({ loads }) => loads,
            );
            expect(total).toBe(byMonth.get(month) ?? 0);
          }
        }
        const keys = keysByMonth(material.uses);
        const counted = group(
          material.uses.filter((use) => use.keys !== null),
          ({ at }) => monthOf(at),
        );
        expect(keys.map(({ month }) => month)).toEqual([...counted.keys()].sort());
        for (const { month, keys: average, median: middle } of keys) {
          const values = counted.get(month)?.map((use) => use.keys) ?? [];
          expect(average).toBeCloseTo(mean(values) ?? NaN, 9);
          expect(middle).toBeCloseTo(median(values) ?? NaN, 9);
        }
      }),
      runs,
    );
  });
  it('knows the months between two', () => {
    expect(monthsBetween('2025-11', '2026-02')).toEqual([
      '2025-11',
      '2025-12',
      '2026-01',
      '2026-02',
    ]);
    expect(monthsBetween('2026-02', '2025-11')).toEqual([]);
    expect(monthsBetween('', '')).toEqual([]);
  });
  it('tells what came, was updated and went, a plugin once a month', () => {
    const at = Date.UTC(2026, 3, 4);
    const months = comingsByMonth([
      { plugin: 'a', at, what: 'came' },
      { plugin: 'a', at: at + 1000, what: 'came' },
      { plugin: 'b', at: Date.UTC(2026, 5, 1), what: 'went' },
    ]);
    expect(months).toEqual([
      { month: '2026-04', came: ['a'], updated: [], went: [] },
      { month: '2026-05', came: [], updated: [], went: [] },
      { month: '2026-06', came: [], updated: [], went: ['b'] },
    ]);
  });
});

describe('what goes with what', () => {
  it('has the measures of the literature', () => {
    // Of 1,000 people 200 drink tea, 800 coffee, 150 both.
    const tea = associationOf({ both: 150, first: 200, second: 800, total: 1000 });
    expect(tea.support).toBeCloseTo(0.15, 9);
    expect(tea.confidence).toBeCloseTo(0.75, 9);
    expect(tea.lift).toBeCloseTo(0.9375, 9);
    const baskets = [
      ['bread', 'milk'],
      ['bread', 'diapers', 'beer', 'eggs'],
      ['milk', 'diapers', 'beer', 'cola'],
      ['bread', 'milk', 'diapers', 'beer'],
      ['bread', 'milk', 'diapers', 'cola'],
    ];
    const having = (...wanted: string[]): number =>
      baskets.filter((basket) => wanted.every((one) => basket.includes(one))).length;
    const { support, confidence } = associationOf({
      both: having('milk', 'diapers', 'beer'),
      first: having('milk', 'diapers'),
      second: having('beer'),
      total: baskets.length,
    });
    expect(support).toBeCloseTo(0.4, 9);
    expect(confidence).toBeCloseTo(2 / 3, 9);
    expect(associationOf({ both: 0, first: 0, second: 0, total: 0 })).toEqual({
      support: 0,
      confidence: 0,
      lift: 0,
    });
  });
  it('counts neighbours as they are counted by hand', () => {
    fc.assert(
      fc.property(anyMaterial, ({ uses }) => {
        const behind = uses.filter(({ after, plugin }) => after !== null && after !== plugin);
        for (const { before, after, times, confidence, support } of pairsOf(uses, 1)) {
          const both = behind.filter((use) => use.after === before && use.plugin === after).length;
          expect(times).toBe(both);
          expect(support).toBeCloseTo(both / behind.length, 9);
          expect(confidence).toBeCloseTo(
            both / behind.filter((use) => use.after === before).length,
            9,
          );
        }
      }),
      runs,
    );
  });
  const chain = (at: number, ...plugins: string[]): PastUse[] =>
    plugins.map((plugin, n) =>
      aUse(plugin, { at: at + n * 60_000, after: n === 0 ? null : (plugins[n - 1] ?? null) }),
    );
  it('finds rows that come again, and not their parts', () => {
    const uses = [1, 2, 3].flatMap((days) => chain(now - days * day, 'a', 'b', 'c'));
    expect(recurringOf(uses)).toEqual([{ plugins: ['a', 'b', 'c'], times: 3 }]);
    // What also comes by itself is a row of its own.
    expect(recurringOf([...uses, ...chain(now, 'a', 'b')])).toContainEqual({
      plugins: ['a', 'b'],
      times: 4,
    });
  });
  it('begins another run after a pause, and follows two tracks at once', () => {
    const [a, b] = chain(now - day, 'a', 'b');
    const late = { ...(b as PastUse), at: now };
    expect(runsOf([a as PastUse, late])).toEqual([['a'], ['b']]);
    const bus = chain(now - day, 'x', 'y').map((use) => ({ ...use, track: 'bus' as const }));
    expect(
      runsOf([...chain(now - day, 'a', 'b'), ...bus])
        .map((run) => run.join(''))
        .sort(),
    ).toEqual(['ab', 'xy']);
  });
});

describe('how one finds', () => {
  const uses = [6, 7, 5].map((keys, n) => aUse('slow', { at: now - n * day, keys, typed: 'Slo' }));
  it('names what takes many keys, unless it has a nickname', () => {
    expect(slowOnes([aPlugin('slow')], uses)).toEqual([
      { plugin: 'slow', loads: 3, keys: 6, typed: 'slo' },
    ]);
    expect(slowOnes([aPlugin('slow', { hasNickname: true })], uses)).toEqual([]);
    expect(slowOnes([aPlugin('slow')], uses.slice(1))).toEqual([]);
  });
  it('counts letters as they were typed', () => {
    expect(lettersOf([...uses, aUse('b', { typed: 'x' })])).toEqual([
      { letters: 'slo', times: 3 },
      { letters: 'x', times: 1 },
    ]);
  });
});

describe('old copies', () => {
  const retired = (...copies: ReturnType<typeof aCopy>[]): string[] =>
    retirableOf({ plugins: [aPlugin('a', { copies })] }, []).map(({ copy }) => copy);
  const old = aCopy('old', 'VST2', { version: '1.9' });
  it('are those beside which the same format stands in a newer version', () => {
    expect(retired(old, aCopy('new', 'VST2', { version: '1.10' }))).toEqual(['old']);
    expect(retired(old, aCopy('same', 'VST2', { version: '1.9' }))).toEqual([]);
    expect(retired(old, aCopy('unknown', 'VST2'))).toEqual([]);
    expect(retired(old)).toEqual([]);
  });
  it('are not those of another format, which may not read what the old one saved', () => {
    expect(retired(old, aCopy('other', 'VST3', { version: '2.0' }))).toEqual([]);
  });
  it('are those for which another format declares to stand in, unless it is the older', () => {
    const ladspa = aCopy('ladspa', 'LADSPA');
    const heir = aCopy('heir', 'LV2', { version: '1.0', standsInFor: ['ladspa', 'old'] });
    expect(retired(ladspa, heir)).toEqual(['ladspa']);
    expect(retired(old, heir)).toEqual([]);
    expect(retired(aCopy('of another', 'LADSPA'), heir)).toEqual([]);
  });
  it('are none beside a newer one that is not there, failed, or is for 32 bits only', () => {
    const newer = { version: '2.0' } as const;
    expect(retired(old, aCopy('n', 'VST2', { ...newer, state: 'gone' }))).toEqual([]);
    expect(retired(old, aCopy('n', 'VST2', { ...newer, isFailed: true }))).toEqual([]);
    expect(retired(old, aCopy('n', 'VST2', { ...newer, is32Bit: true }))).toEqual([]);
    expect(retired({ ...old, is32Bit: true }, aCopy('n', 'VST2', newer))).toEqual(['old']);
    expect(retired({ ...old, state: 'gone' }, aCopy('n', 'VST2', newer))).toEqual([]);
  });
  it('say what should keep them: sessions, settings that only they take, the user’s own choice', () => {
    const heir = aCopy('heir', 'CLAP', { version: '2.0', standsInFor: ['old'] });
    const plugins = [
      aPlugin('a', { copies: [old, heir], firstCopies: ['old'], settingFormats: ['VST2'] }),
    ];
    const sessions = [{ session: 'Gulls', copies: ['old'] }];
    expect(retirableOf({ plugins }, sessions)).toMatchObject([
      {
        copy: 'old',
        path: old.path,
        by: { format: 'CLAP', version: '2.0', path: heir.path },
        sessions: ['Gulls'],
        ties: ['session', 'setting', 'first'],
      },
    ]);
    expect(copiesByFormat(plugins).map(({ format, copies }) => [format, copies])).toEqual([
      ['VST2', 1],
      ['CLAP', 1],
    ]);
  });
});

describe('how good the order is', () => {
  it('has the Jaccard index', () => {
    // Two of four in either stand in both.
    expect(jaccard(new Set('abc'), new Set('bcd'))).toBe(0.5);
    expect(jaccard(new Set(), new Set())).toBe(0);
    expect(jaccard(new Set('ab'), new Set('ab'))).toBe(1);
  });
  it('parts plugins into filed by hand, by a rule only, and nowhere', () => {
    fc.assert(
      fc.property(anyMaterial, (material) => {
        const { byHand, bySmart, nowhere } = filedShare(material);
        const all = [...byHand, ...bySmart, ...nowhere];
        expect(new Set(all).size).toBe(all.length);
        expect(all).toHaveLength(
          material.plugins.filter(({ copies }) => copies.some((one) => one.state === 'present'))
            .length,
        );
      }),
      runs,
    );
  });
  const reverb = (id: string) => aPlugin(id, { types: ['reverb/plate'] });
  it('tells folders that were never open while loading, once any load tells of one', () => {
    const plugins = [aPlugin('a'), aPlugin('b')];
    const folders = [aFolder('f', ['a']), aFolder('g', ['b']), aFolder('empty', [])];
    const opened = (uses: readonly PastUse[]): string[] =>
      orderHealth({ plugins, folders, uses }).neverOpened.map(({ folder }) => folder);
    expect(opened([aUse('a'), aUse('b')])).toEqual([]);
    expect(opened([aUse('a', { folder: 'f' }), aUse('b')])).toEqual(['g']);
    expect(opened([aUse('a', { folder: 'f' }), aUse('b', { folder: 'g' })])).toEqual([]);
  });
  it('sees strangers, near folders, rules that hold nothing or all, and what stands in the wrong order', () => {
    const plugins = Array.from('abcde')
      .map(reverb)
      .concat(aPlugin('x', { types: ['delay/tape'] }));
    const folders = [
      aFolder('one', Array.from('abcdx')),
      aFolder('two', Array.from('abcde')),
      aFolder('near', Array.from('abcd')),
      aFolder('empty', [], 'smart'),
      aFolder('full', Array.from('abcdex'), 'smart'),
    ];
    const uses = Array.from('eeeddccc').map((plugin) => aUse(plugin));
    const health = orderHealth({ plugins, folders, uses });
    expect(health.strangers).toEqual([{ folder: 'one', plugin: 'x', group: 'reverb' }]);
    expect(health.near.map(({ a, b }) => [a, b])).toEqual([
      ['one', 'near'],
      ['two', 'near'],
    ]);
    expect(health.emptySmart).toEqual(['empty']);
    expect(health.fullSmart).toEqual(['full']);
    expect(health.outOfOrder).toEqual([]);
    const late = orderHealth({ plugins, folders: [aFolder('f', Array.from('abxecd'))], uses });
    expect(late.outOfOrder.map(({ folder }) => folder)).toEqual(['f']);
  });
});

describe('what doubles, and what ends', () => {
  it('is alike in vendor, series, types and ports, with at most one used', () => {
    const twin = (id: string, name: string) => aPlugin(id, { name, types: ['delay/tape'] });
    const plugins = [
      twin('a', 'Tidehook Echo'),
      twin('b', 'Tidehook Echo 2'),
      twin('c', 'Gorse Echo'),
    ];
    expect(doublingOf({ plugins, uses: [aUse('b')] })).toEqual([
      { plugins: ['a', 'b'], used: 'b' },
    ]);
    expect(doublingOf({ plugins, uses: [aUse('b'), aUse('a')] })).toEqual([]);
  });
  it('counts days by the calendar', () => {
    const trial = (id: string, trialEnds: string) => aPlugin(id, { trialEnds });
    const at = Date.UTC(2026, 2, 10, 23, 50);
    expect(
      endingTrials([trial('a', '2026-03-12'), trial('b', '2026-03-09'), aPlugin('c')], at),
    ).toEqual([
      { plugin: 'b', until: '2026-03-09', daysLeft: -1 },
      { plugin: 'a', until: '2026-03-12', daysLeft: 2 },
    ]);
  });
});

describe('a review', () => {
  it('is of what is wished', () => {
    fc.assert(
      fc.property(anyMaterial, (material) => {
        const vendor = material.plugins[0]?.vendor ?? null;
        const wish = { ...wholeReview(now), from: now - 90 * day, vendor, track: 'bus' as const };
        const meant = narrowMaterial(material, wish);
        const { groups } = reviewPart.own(material, wish);
        const plugins = owned(meant.plugins);
        expect(sum(groups, (of) => of.plugins.length)).toBe(plugins.length);
        const own = new Set(plugins.map(({ id }) => id));
        expect(sum(groups, ({ loads }) => loads)).toBe(
          material.uses.filter(
            ({ plugin, at, track }) =>
              own.has(plugin) && at >= now - 90 * day && at <= now && track === 'bus',
          ).length,
        );
      }),
      runs,
    );
  });
  it('says in sentences what stands out', () => {
    const plugins = Array.from('abcdefghij').map((id) => aPlugin(id, { types: ['delay/tape'] }));
    const uses = Array.from('aaab').map((plugin, n) =>
      aUse(plugin, { keys: 3, at: now - n * day }),
    );
    expect(summaryOf({ plugins, uses })).toEqual([
      'You own 10 plugins by 1 vendor, and loaded 2 of them (20 %) 4 times.',
      'Half of all loads went to 1 plugin; a leads with 3.',
      'Of 10 under Delay you load 2.',
      'A load takes 3.0 keys.',
    ]);
    expect(summaryOf({ plugins, uses: [] })).toEqual([
      'You own 10 plugins by 1 vendor. None was loaded in this time.',
    ]);
  });
  it('says something of nothing', () => {
    const empty: ReviewMaterial = aMaterial({});
    const wish = wholeReview(now);
    expect(reviewPart.worth(empty, wish).advice).toEqual([]);
    expect(reviewPart.use(empty, wish)).toMatchObject({ pairs: [], dust: [], keys: [] });
    expect(reviewPart.own(empty, wish).groups).toEqual([]);
    expect(reviewPart.changes(empty, wish)).toEqual({ comings: [], trials: [] });
    expect(reviewPart.order(empty, wish).health.near).toEqual([]);
  });
});
