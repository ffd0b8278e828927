/**
 * What stands around a rule: just outside, warnings, the smallest rule for some plugins, marks, and
 * the list's filter as a rule.
 */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { wordsOf } from '../../text/fold.ts';
import { noFilter } from '../../search/filter.ts';
import { anyCatalog, epoch } from '../evaluate/arbitrary.test-data.ts';
import { makeCandidate, type CandidateFacts } from '../evaluate/candidate.ts';
import { CatalogIndex } from '../evaluate/catalog-index.ts';
import { ruleFromFilter } from '../../search/rule-from-filter.ts';
import { gatherRules } from './gather.ts';
import { compileCard, type RuleContext } from '../evaluate/holds.ts';
import { ruleHighlights, wordSpans } from './highlight.ts';
import { justOutside } from './near.ts';
import { keywordLine, type Line, type Rule } from '../language/rule.ts';
import { sayRule } from '../language/say.ts';
import { parseRule, printRule } from '../language/text.ts';
import { noWords } from '../language/values.ts';
import { isContained, warningsOf } from './warn.ts';

const where: RuleContext = { now: epoch, isIn: () => false, isFiled: () => false };
const bare: CandidateFacts = {
  id: '',
  names: [],
  vendor: null,
  tags: [],
  notes: '',
  types: [],
  kind: 'effect',
  formats: ['VST3'],
  bits: ['64'],
  licence: 'unknown',
  states: ['present'],
  versions: [],
  inputs: [],
  outputs: [],
  loads: 0,
  arrived: epoch,
  lastLoaded: null,
  trialEnds: null,
};
const plugin = (name: string, types: string[] = [], more: Partial<CandidateFacts> = {}) =>
  makeCandidate({ ...bare, id: name, names: [name], types, ...more });
const ruleOf = (text: string): Rule => {
  const parsed = parseRule(text);
  if (!parsed.ok) {
    throw new Error(JSON.stringify(parsed.problems));
  }
  return parsed.value;
};
const catalog = [
  plugin('Slackwater Delay', ['delay/delay'], { vendor: 'Osier' }),
  plugin('Twinmoor TapeEcho', ['delay/tape-echo'], { vendor: 'Mothlight' }),
  plugin('Cistern Echoes Hall', ['reverb/hall'], { vendor: 'Osier' }),
  plugin('Grebe', ['delay/looper'], { vendor: 'Osier' }),
  plugin('Pale Plate', ['reverb/plate'], { vendor: 'Pale' }),
  plugin('Good Plate', ['reverb/plate'], { vendor: 'Pale', kind: 'instrument' }),
  plugin('Deley', [], { vendor: 'Pale' }),
  plugin('Parameters', [], { vendor: 'Pale' }),
];
const index = new CatalogIndex(catalog);

describe('just outside', () => {
  const near = (text: string): string[] =>
    justOutside(ruleOf(text), catalog, where, noWords, 9).map(
      ({ id, because }) => `${id}: ${because}`,
    );
  it('names what almost holds, the nearest first', () => {
    expect(near('name has word echo')).toEqual([
      'Cistern Echoes Hall: name has “echoes”, not the word “echo”',
    ]);
    expect(near('name has meter')).toEqual([
      'Parameters: name has “parameters”, with “meter” inside a longer word',
    ]);
    expect(near('name has delay')).toEqual(['Deley: name has “deley”, one letter from “delay”']);
    expect(near('type is looper')).toEqual([
      'Slackwater Delay: type is Delay, of the same group',
      'Twinmoor TapeEcho: type is Tape echo, of the same group',
    ]);
  });
  it('names the one line that fails, and the card that keeps out', () => {
    expect(near('type is plate\nkind is effect')).toContain('Good Plate: all but: kind is effect');
    expect(near('type is delay\n\nnever\ntype is looper')[0]).toBe('Grebe: never: type is Looper');
  });
  it('never names what is inside', () => {
    fc.assert(
      fc.property(
        anyCatalog(8),
        fc.constantFrom(
          'name has echo, tape',
          'type is delay\nkind is effect',
          'name has word hall\n\nnever\nkind is tool',
        ),
        (some, text) => {
          const rule = ruleOf(text);
          const own = new CatalogIndex(some);
          const inside = own.idsOf(own.rule(rule, where));
          expect(
            justOutside(rule, some, where, noWords, 99).filter(({ id }) => inside.includes(id)),
          ).toEqual([]);
        },
      ),
    );
  });
});

describe('warnings', () => {
  const warn = (text: string): unknown[] => warningsOf(ruleOf(text), index, where);
  it('are given for a line or card that lets nothing in, and for never cards that leave nothing', () => {
    expect(warn('name has nothing like it\n\nname has delay')).toEqual([
      { kind: 'line-empty', isNever: false, card: 0, line: 0 },
    ]);
    expect(warn('type is plate\nvendor is osier')).toEqual([
      { kind: 'card-empty', isNever: false, card: 0 },
    ]);
    expect(warn('type is delay\n\nnever\ntype is delay, reverb')).toEqual([
      { kind: 'never-everything' },
    ]);
    expect(warn('type is delay\n\nnever\ntype is looper')).toEqual([]);
  });
  it('are given for a card that another one contains', () => {
    expect(warn('type is plate\nkind is effect\n\ntype is reverb')).toEqual([
      { kind: 'card-contained', isNever: false, card: 0, other: 1 },
    ]);
    expect(warn('name has delay\n\nname has delay')).toEqual([
      { kind: 'card-contained', isNever: false, card: 1, other: 0 },
    ]);
  });
  it('never call a card contained that lets in something more', () => {
    const line = fc.constantFrom<Line>(
      ...[
        'name has echo',
        'name has echo, tape',
        'type is delay',
        'type is delay/looper',
        'kind is not effect',
        'kind is not effect, tool',
        'name has no echo',
        'name has no echo, tape',
      ].flatMap((text) => ruleOf(text).cards[0]?.lines ?? []),
    );
    const card = fc.array(line, { minLength: 1, maxLength: 2 }).map((lines) => ({ lines }));
    fc.assert(
      fc.property(anyCatalog(10), card, card, (some, one, other) => {
        if (isContained(one, other)) {
          for (const candidate of some) {
            if (compileCard(one)(candidate, where)) {
              expect(compileCard(other)(candidate, where)).toBe(true);
            }
          }
        }
      }),
      { numRuns: 600 },
    );
  });
});

describe('a rule for some plugins', () => {
  const first = (...ids: string[]): [string, readonly string[]] => {
    const [best] = gatherRules(ids, index, where, 3);
    return [best ? printRule(best.rule) : '', best?.others ?? []];
  };
  it('is the smallest that takes in little else, and tells what', () => {
    expect(first('Pale Plate', 'Good Plate')).toEqual(['type is plate', []]);
    expect(first('Pale Plate')[1]).toEqual([]);
    expect(first('Slackwater Delay', 'Twinmoor TapeEcho', 'Grebe')).toEqual(['type is delay', []]);
    expect(first('Slackwater Delay', 'Pale Plate')[1].length).toBeLessThanOrEqual(2);
  });
  it('takes in every one of them, and says rightly what else', () => {
    fc.assert(
      fc.property(
        anyCatalog(9),
        fc.array(fc.nat(8), { minLength: 1, maxLength: 4 }),
        (some, picks) => {
          const own = new CatalogIndex(some);
          const wanted = [...new Set(picks.flatMap((at) => some[at]?.id ?? []))];
          for (const { rule, others } of gatherRules(wanted, own, where, 3)) {
            expect(own.idsOf(own.rule(rule, where)).sort()).toEqual([...wanted, ...others].sort());
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('marks', () => {
  const marked = (line: Line, text: string): string[] =>
    ruleHighlights(line, text).map(({ start, end }) => text.slice(start, end));
  it('stand on the words that made a line hold', () => {
    expect([
      marked(keywordLine(['echo', 'slap']), 'Twinmoor TapeEcho'),
      marked(keywordLine(['tape ec']), 'Old Tape-Echo 2'),
      marked({ field: 'name', relation: 'has letters', values: ['meter'] }, 'Parameters'),
      marked({ field: 'name', relation: 'has no', values: ['x'] }, 'x'),
    ]).toEqual([['Echo'], ['Tape-Echo'], ['meter'], []]);
  });
  it('know the same words as comparing does', () => {
    const text = fc.oneof(
      fc.string({
        unit: fc.constantFrom('T', 'G', 'a', 'p', 'e', '2', '3', ' ', '-', 'É', 'é', 'Q', 'ß'),
      }),
      fc.constantFrom('GVerb', 'EQs', 'TapeEcho2b', 'R2D2', 'HDRVerbs'),
    );
    fc.assert(
      fc.property(text, (shown) => {
        expect(wordSpans(shown).map(({ word }) => word)).toEqual(wordsOf(shown));
      }),
      { numRuns: 2000 },
    );
  });
});

it('what narrows the list becomes a rule, fact by fact', () => {
  const say = (filter: Partial<typeof noFilter>): string => {
    const rule = ruleFromFilter({ ...noFilter, ...filter });
    return rule ? sayRule(rule) : '';
  };
  expect(ruleFromFilter(noFilter)).toBeNull();
  expect(
    say({
      kind: 'effect',
      type: 'delay',
      vendor: 'Osier',
      format: 'VST3',
      text: 'pale plate',
      facets: { bits: '32', loaded: 'never', arrived: '30', tag: 'film' },
    }),
  ).toBe(
    'Every plugin whose kind is effect and whose type is Delay and whose vendor is Osier and whose format is VST3 and whose name, vendor, type or tag has the letters pale and whose name, vendor, type or tag has the letters plate and whose bits is only 32 bit and whose last load is never and whose arrival lies within the last 30 days and whose tag is film.',
  );
  const everything = {
    unfiled: true,
    type: 'none',
    vendor: '(no vendor)',
    facets: { loaded: 'not-90', state: 'away', licence: 'trial', folder: 'f' },
  } as const;
  const rule = ruleFromFilter({ ...noFilter, ...everything });
  expect(rule && parseRule(printRule(rule))).toEqual({ ok: true, value: rule });
});
