import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { allBits, noBits, positionsIn } from './bits.ts';
import { anyCandidate, anyCatalog, anyRule, epoch, folderIds } from './arbitrary.test-data.ts';
import { candidateOf, type Candidate } from './candidate.ts';
import { asId } from '../../id.ts';
import { CatalogIndex } from './catalog-index.ts';
import { circleFrom, createFiller, type Filled, type SmartFolder, type ToFill } from './fill.ts';
import { compileRule, type RuleContext } from './holds.ts';
import { slowlyIn } from './slow.test-data.ts';
import { parseRule } from '../language/text.ts';
import type { Rule } from '../language/rule.ts';

const placed = new Map([
  ['f1', ['p0', 'p3']],
  ['f2', ['p1']],
  ['f3', []],
]);
const where: RuleContext = {
  now: epoch,
  isIn: (folder, plugin) => placed.get(folder)?.includes(plugin) ?? false,
  isFiled: (plugin) => [...placed.values()].some((list) => list.includes(plugin)),
};
const ruleOf = (text: string): Rule => {
  const parsed = parseRule(text);
  if (!parsed.ok) {
    throw new Error(JSON.stringify(parsed.problems));
  }
  return parsed.value;
};

describe('a rule over a catalog', () => {
  it('takes in the same plugins by its definition, one by one and for all at once', () => {
    fc.assert(
      fc.property(anyCatalog(14), anyRule, (catalog, rule) => {
        const slow = catalog
          .filter((candidate) => slowlyIn(rule, candidate, where))
          .map((candidate) => candidate.id);
        const { holds } = compileRule(rule);
        const index = new CatalogIndex(catalog);
        expect(
          catalog.filter((candidate) => holds(candidate, where)).map((candidate) => candidate.id),
        ).toEqual(slow);
        expect(index.idsOf(index.rule(rule, where))).toEqual(slow);
      }),
      { numRuns: 3000 },
    );
  });
});

describe('filling again', () => {
  const smart = (id: string, rule: Rule, more: Partial<SmartFolder> = {}): SmartFolder => ({
    id,
    rule,
    alwaysIn: [],
    alwaysOut: [],
    ...more,
  });
  const input = (
    candidates: readonly Candidate[],
    folders: readonly SmartFolder[],
    more: Partial<ToFill> = {},
  ): ToFill => ({ candidates, folders, placed, andBelow: (id) => [id], now: epoch, ...more });
  it('after any changes of plugins, rules, time and filing gives what filling anew gives', () => {
    const step = fc.oneof(
      fc.record({ what: fc.constant('plugin' as const), at: fc.nat(11), to: anyCandidate('x') }),
      fc.record({ what: fc.constant('rule' as const), at: fc.nat(3), rule: anyRule }),
      fc.record({ what: fc.constant('time' as const), days: fc.integer({ min: -5, max: 40 }) }),
      fc.record({
        what: fc.constant('file' as const),
        folder: fc.constantFrom(...folderIds),
        plugin: fc.nat(11),
      }),
      fc.record({
        what: fc.constant('hand' as const),
        at: fc.nat(3),
        plugin: fc.nat(11),
        isIn: fc.boolean(),
      }),
    );
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 12 }, (_, i) => anyCandidate(`p${i}`))),
        fc.array(anyRule, { minLength: 4, maxLength: 4 }),
        fc.array(step, { maxLength: 12 }),
        (catalog, rules, steps) => {
          const fill = createFiller();
          let now = input(
            catalog,
            rules.map((rule, i) => smart(`s${i}`, rule)),
          );
          fill(now);
          for (const one of steps) {
            if (one.what === 'plugin') {
              now = {
                ...now,
                candidates: now.candidates.map((candidate, at) =>
                  at === one.at ? { ...one.to, id: candidate.id } : candidate,
                ),
              };
            }
            if (one.what === 'rule') {
              now = {
                ...now,
                folders: now.folders.map((folder, at) =>
                  at === one.at ? { ...folder, rule: one.rule } : folder,
                ),
              };
            }
            if (one.what === 'time') {
              now = { ...now, now: now.now + one.days * 86_400_000 };
            }
            if (one.what === 'file') {
              now = {
                ...now,
                placed: new Map([
                  ...now.placed,
                  [one.folder, [...(now.placed.get(one.folder) ?? []), `p${one.plugin}`]],
                ]),
              };
            }
            if (one.what === 'hand') {
              now = {
                ...now,
                folders: now.folders.map((folder, at) =>
                  at === one.at
                    ? { ...folder, [one.isIn ? 'alwaysIn' : 'alwaysOut']: [`p${one.plugin}`] }
                    : folder,
                ),
              };
            }
            const membersOf = (filled: Filled): unknown[] =>
              now.folders.map(({ id }) => filled.membersOf(id));
            expect(membersOf(fill(now))).toEqual(membersOf(createFiller()(now)));
          }
        },
      ),
      { numRuns: 400 },
    );
  });
  it('gives a value: what an earlier fill gave stays as it was after the next', () => {
    const named = (id: string, name: string): Candidate => ({
      ...(fc.sample(anyCandidate(id), { numRuns: 1, seed: 1 })[0] as Candidate),
      ...textOf(name),
    });
    const folders = [smart('s', ruleOf('name has echo')), smart('below', ruleOf('folder is s'))];
    const fill = createFiller();
    const first = fill(input([named('p0', 'Echo'), named('p1', 'Hall')], folders));
    fill(input([named('p0', 'Hall'), named('p1', 'Echo')], folders));
    expect([
      first.membersOf('s'),
      first.membersOf('below'),
      first.where.isIn('s', 'p0'),
      first.where.isIn('s', 'p1'),
    ]).toEqual([['p0'], ['p0'], true, false]);
  });
  it('asks again of a plugin that got the group of its type beside it', () => {
    const typed = (types: readonly string[]): Candidate =>
      candidateOf({
        id: asId('p'),
        name: 'Tern',
        vendor: null,
        kind: 'effect',
        types,
        arrived: '2026-01-01T00:00:00.000Z',
        copies: [],
      });
    const folders = [smart('s', ruleOf('type is only looper'))];
    const fill = createFiller();
    const now = input([typed(['delay/looper'])], folders);
    const then = { ...now, candidates: [typed(['delay/looper', 'delay'])] };
    expect([fill(now), fill(then)].map(({ membersOf }) => membersOf('s'))).toEqual([['p'], []]);
  });
  it('keeps in and out by hand whatever the rule says', () => {
    const catalog =
      fc.sample(fc.tuple(...Array.from({ length: 5 }, (_, i) => anyCandidate(`p${i}`))), {
        numRuns: 1,
        seed: 7,
      })[0] ?? [];
    const { membersOf } = createFiller()(
      input(catalog, [
        smart('s', ruleOf('name has nothingatall'), { alwaysIn: ['p3', 'gone'], alwaysOut: [] }),
        smart('t', ruleOf('name has letters e, a, x, т'), { alwaysOut: ['p0'] }),
      ]),
    );
    expect([membersOf('s'), membersOf('t')?.includes('p0')]).toEqual([['p3'], false]);
  });
  it('fills a folder before those that ask for it, with what lies below it, and ends where they ask in a circle', () => {
    const catalog = ['Tape Echo', 'Hall', 'Echo Hall'].map((name, i) => ({
      ...(fc.sample(anyCandidate(`p${i}`), { numRuns: 1, seed: 1 })[0] as Candidate),
      ...textOf(name),
    }));
    const folders = [
      smart('late', ruleOf('folder is early\nname has hall')),
      smart('early', ruleOf('name has echo')),
    ];
    expect(createFiller()(input(catalog, folders)).membersOf('late')).toEqual(['p2']);
    expect(
      createFiller()(
        input(catalog, folders, { andBelow: (id) => (id === 'early' ? ['early', 'f2'] : [id]) }),
      ).membersOf('late'),
    ).toEqual(['p1', 'p2']);
    const circle = [smart('a', ruleOf('folder is b')), smart('b', ruleOf('folder is a'))];
    const { membersOf } = createFiller()(input(catalog, circle));
    expect([membersOf('a'), membersOf('b')]).toEqual([[], []]);
    expect([
      circleFrom('a', (id) => ({ a: ['b'], b: ['c', 'a'] })[id] ?? []),
      circleFrom('a', () => ['b']),
    ]).toEqual([['a', 'b', 'a'], null]);
  });
  it('says when the time alone changes what a rule says, and not before', () => {
    fc.assert(
      fc.property(anyCatalog(8), anyRule, (catalog, rule) => {
        const holds = compileRule(rule).holds;
        const at = (now: number): string =>
          catalog.map((candidate) => String(holds(candidate, { ...where, now }))).join();
        const folder = { id: 'by its rule', rule, alwaysIn: [], alwaysOut: [] };
        const { expiresAt: ends } = createFiller()({
          candidates: catalog,
          folders: [folder],
          placed,
          andBelow: (id) => [id],
          now: epoch,
        });
        for (const later of [epoch + 3_600_000, epoch + 9 * 86_400_000, epoch + 400 * 86_400_000]) {
          if (ends === null || later < ends) {
            expect(at(later)).toBe(at(epoch));
          }
        }
      }),
      { numRuns: 1000 },
    );
  });
});

const textOf = (name: string): Pick<Candidate, 'texts'> => ({
  texts: {
    name: [
      {
        shown: name,
        folded: name.toLowerCase(),
        spaced: ` ${name.toLowerCase()}`,
        joined: name.toLowerCase().replaceAll(' ', ''),
        words: name.toLowerCase().split(' '),
      },
    ],
    anything: [],
    vendor: [],
    tag: [],
    notes: [],
    'setting of': [],
    bank: [],
  },
});

it('bits give back the positions that were set', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(99)), (positions) => {
      const bits = noBits(100);
      for (const at of positions) {
        bits[at >>> 5] = (bits[at >>> 5] ?? 0) | (1 << (at & 31));
      }
      expect(positionsIn(bits)).toEqual([...positions].sort((a, b) => a - b));
    }),
  );
  for (const size of [0, 1, 31, 32, 33, 64]) {
    expect(positionsIn(allBits(size))).toHaveLength(size);
  }
});
