import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { nobody, nothingSaid, withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { bareCopy, type FoundCopy } from '../formats/found-copy.ts';
import type { Kind } from '../catalog/kind.ts';
import { asId } from '../id.ts';
import {
  isKindUncertain,
  licenceHint,
  pluginsAsked,
  questionsOf,
  type Question,
  type Uncertain,
} from './questions.ts';
import {
  identifyCatalog,
  type Decisions,
  type IdentifiedCatalog,
  type CopyToIdentify,
} from './identify-catalog.ts';

const nothing: Decisions = {
  assignments: new Map(),
  spellings: new Map(),
  answers: new Map(),
  used: new Set(),
};
const copy = (
  id: string,
  name: string | null,
  more: Partial<FoundCopy> & { plugin?: string } = {},
): CopyToIdentify => {
  const { plugin = null, ...facts } = more;
  return {
    id,
    isPresent: true,
    plugin,
    facts: {
      ...bareCopy('VST3', `/place/${name ?? id}-${id}.vst3`),
      name,
      vendor: 'Osier & Pitch',
      ...facts,
    },
  };
};
const ids = (): (() => string) => {
  let last = 0;
  return () => `new ${(last += 1)}`;
};
const sort = (
  copies: readonly CopyToIdentify[],
  decisions: Partial<Decisions> = {},
): IdentifiedCatalog => identifyCatalog(copies, { ...nothing, ...decisions }, ids());
/** The catalog as it would be known after that sorting. */
const settled = (copies: readonly CopyToIdentify[], sorted: IdentifiedCatalog): CopyToIdentify[] =>
  copies.map((one) => ({ ...one, plugin: sorted.pluginOf.get(one.id) ?? null }));

describe('sorting a catalog', () => {
  it('keeps the plugin that most copies of a group have, and makes one where there is none', () => {
    const { pluginOf } = sort([
      copy('a', 'Kelp Verb', { plugin: 'p' }),
      copy('b', 'KelpVerb', { format: 'CLAP' }),
      copy('c', 'Silt Delay'),
    ]);
    expect([pluginOf.get('a'), pluginOf.get('b'), pluginOf.get('c')]).toEqual(['p', 'p', 'new 1']);
  });
  it('takes a file that begins with a known maker for theirs', () => {
    const { plugins } = sort([
      copy('a', 'Gorse Gate', { vendor: 'Gorse Audio' }),
      copy('b', null, { vendor: null, format: 'VST2', path: '/vst/gorse-plugins-vst-swell.so' }),
      copy('c', null, { vendor: null, format: 'VST2', path: '/vst/gorsefall.so' }),
    ]);
    expect(plugins.map(({ vendor }) => vendor)).toEqual(['Gorse Audio', 'Gorse Audio', null]);
  });
  it('reads names without what a maker puts in front of all of them', () => {
    const makers = ['Chorus', 'Detune', 'Hall', 'Rotor', 'Fuzz'].map((name, i) =>
      copy(String(i), `gk${name.toLowerCase()}`, { vendor: 'Gorse' }),
    );
    const { plugins } = sort(makers);
    const typeOf = (name: string): string | undefined =>
      plugins.find((plugin) => plugin.name === name)?.grounds.suggestions[0]?.type;
    expect([typeOf('gkrotor'), typeOf('gkdetune')]).toEqual([
      'modulation/rotary',
      expect.stringMatching(/^pitch/),
    ]);
  });
  it('never takes copies from a plugin of which something was made', () => {
    const { pluginOf, doubts } = sort(
      [
        copy('a', 'Kelp Verb', { plugin: 'p' }),
        copy('b', 'Kelp Verb', { plugin: 'q', format: 'CLAP' }),
      ],
      { used: new Set(['p', 'q']) },
    );
    expect([pluginOf.get('a'), pluginOf.get('b')]).toEqual(['p', 'q']);
    expect(doubts).toHaveLength(1);
  });
  it('asks no more about what the user has decided', () => {
    const assignments = new Map([
      ['a', { plugin: 'p', before: 'p' }],
      ['b', { plugin: 'q', before: 'q' }],
    ]);
    expect(
      sort(
        [
          copy('a', 'Kelp Verb', { plugin: 'p' }),
          copy('b', 'Kelp Verb', { plugin: 'q', format: 'CLAP' }),
        ],
        { assignments },
      ).doubts,
    ).toEqual([]);
  });
  it('takes a copy that names nobody for theirs in whose directory it lies', () => {
    const { plugins } = sort([
      copy('a', 'Kelp Verb'),
      copy('b', 'Silt', { vendor: null, path: '/place/Osier and Pitch/Silt.vst3' }),
    ]);
    expect(plugins.map((p) => p.vendor)).toEqual(['Osier & Pitch', 'Osier & Pitch']);
  });
  it('calls mono and stereo versions by the name without their width', () => {
    expect(
      sort([
        copy('a', 'Kelp Verb (mono)', { audioIn: 1, audioOut: 1 }),
        copy('b', 'Kelp Verb (stereo)', { audioIn: 2, audioOut: 2 }),
      ]).plugins.map((p) => p.name),
    ).toEqual(['Kelp Verb']);
  });
  it('learns from an answer for the next of the series', () => {
    const copies = ['One', 'Two', 'Three', 'Four'].map((word, i) =>
      copy(`c${i}`, `Marlwick ${word}`, { plugin: `p${i}` }),
    );
    const answers = new Map<string, AnswerFacts>(
      ['p0', 'p1', 'p2'].map((id) => [id, { ...nothingSaid, types: ['reverb/plate'] }]),
    );
    expect([sort(copies).plugins[3]?.types, sort(copies, { answers }).plugins[3]?.types]).toEqual([
      [],
      ['reverb/plate'],
    ]);
  });
});

describe('properties of sorting', () => {
  const one = fc.record({
    name: fc.constantFrom('Kelp Verb', 'KelpVerb', 'Kelp Verb II', 'Delay', 'Marlwick One', null),
    vendor: fc.constantFrom(null, 'Osier & Pitch', 'Osier and Pitch', 'Quoin'),
    format: fc.constantFrom('VST3' as const, 'CLAP' as const, 'VST2' as const),
    plugin: fc.constantFrom('p', 'q', 'r', ''),
    pinned: fc.constantFrom('', '', 'p', 'q'),
  });
  const catalogs = fc.array(one, { maxLength: 12 }).map((list) => ({
    copies: list.map(({ name, plugin, pinned, ...facts }, i) =>
      copy(`c${i}`, name, { ...facts, ...(pinned || plugin ? { plugin: pinned || plugin } : {}) }),
    ),
    decisions: {
      assignments: new Map(
        list.flatMap(({ pinned }, i): [string, { plugin: string; before: string }][] =>
          pinned ? [[`c${i}`, { plugin: pinned, before: pinned }]] : [],
        ),
      ),
      used: new Set(['r']),
    },
  }));
  it('sorting twice changes nothing, nor the order in which reasons are told', () => {
    const some = [
      copy('c0', 'Marlwick One', { plugin: 'p', vendor: null }),
      copy('c1', 'Delay', { plugin: 'r', vendor: 'Osier and Pitch' }),
      copy('c2', 'Marlwick One', { plugin: 'p', vendor: null }),
      copy('c3', 'Marlwick One', { plugin: 'r', vendor: null }),
      copy('c4', 'Delay', { plugin: 'p', vendor: 'Osier and Pitch' }),
    ];
    const used = new Set(['r']);
    const first = sort(some, { used });
    const again = sort(settled(some, first), { used });
    const why = ({ plugins }: IdentifiedCatalog) =>
      Object.fromEntries(plugins.map(({ id, grounds }) => [id, grounds.sameBecause]));
    expect(why(again)).toEqual(why(first));
  });
  it('sorting any copies twice changes nothing', () => {
    fc.assert(
      fc.property(catalogs, ({ copies, decisions }) => {
        const first = sort(copies, decisions);
        const again = sort(settled(copies, first), decisions);
        expect([...again.pluginOf].sort()).toEqual([...first.pluginOf].sort());
        expect([...again.plugins].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
          [...first.plugins].sort((a, b) => (a.id < b.id ? -1 : 1)),
        );
      }),
      { numRuns: 200 },
    );
  });
  it('a decision of the user never changes by itself, whatever else arrives', () => {
    fc.assert(
      fc.property(catalogs, catalogs, ({ copies, decisions }, { copies: arriving }) => {
        const more = arriving.map((c, i) => ({ ...c, id: `n${i}`, plugin: null }));
        const { pluginOf } = sort([...copies, ...more], decisions);
        for (const [id, { plugin }] of decisions.assignments) {
          expect(pluginOf.get(id)).toBe(plugin);
        }
      }),
      { numRuns: 200 },
    );
  });
});

describe('questions', () => {
  const plugin = (id: string, name: string, more: Partial<Plugin> = {}): Plugin => ({
    id: asId(id),
    name,
    vendor: 'Quoin',
    kind: 'effect',
    types: [],
    arrived: '',
    copies: [
      {
        id: asId(`${id}c`),
        format: 'VST3',
        path: `/p/${name}.vst3`,
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
  const base: Uncertain = {
    plugins: [],
    answers: new Map(),
    grounds: new Map(),
    doubts: [],
    vendors: [],
    near: [],
    decided: new Set(),
    pinned: new Set(),
  };
  const suggestion = (type: string, probability: number) => ({ type, probability, reasons: [] });
  const unsure = {
    kinds: [{ kind: 'effect' as const, probability: 0.99 }],
    kindReasons: [],
    suggestions: [
      suggestion('reverb', 0.55),
      suggestion('reverb/plate', 0.5),
      suggestion('delay', 0.1),
    ],
  };
  const asked = (more: Partial<Uncertain>): Question[] => questionsOf({ ...base, ...more });

  it('ask for a type where none is likely enough, and no more once it is answered', () => {
    const plugins = [plugin('a', 'Kelp')];
    const grounds = new Map([['a', unsure]]);
    const [question] = asked({ plugins, grounds });
    expect(question).toMatchObject({ variant: 'type', clear: ['reverb/plate'] });
    expect(question?.variant === 'type' ? question.suggestions.map((s) => s.type) : []).toEqual([
      'reverb/plate',
      'delay',
    ]);
    expect(
      asked({ plugins, grounds, answers: new Map([['a', { ...nothingSaid, types: ['delay'] }]]) }),
    ).toEqual([]);
    expect(
      asked({
        plugins,
        grounds: new Map([['a', { ...unsure, suggestions: [suggestion('reverb', 0.8)] }]]),
      }),
    ).toEqual([]);
  });
  it('ask whose a plugin is with guesses, and whether two spellings are one until both are decided', () => {
    const vendors = [
      { name: 'Quoin', count: 1, spellings: [{ spelling: 'Quoin', count: 1 }] },
      { name: 'Quoins', count: 1, spellings: [{ spelling: 'Quoins', count: 1 }] },
    ];
    const near = [{ a: 'Quoin', b: 'Quoins', reason: 'they differ by one letter' }];
    const questions = asked({
      plugins: [plugin('a', 'Marlwick One'), plugin('b', 'Marlwick Two', { vendor: null })],
      vendors,
      near,
    });
    expect(questions.map((q) => q.variant)).toEqual(['vendor', 'vendor']);
    expect(questions[1]).toMatchObject({ guesses: [{ vendor: 'Quoin' }] });
    expect(asked({ vendors, near, decided: new Set(['Quoin', 'Quoins']) })).toEqual([]);
  });
  it('ask whether a plugin can be used where its name or its copies give cause', () => {
    expect(licenceHint(plugin('a', 'Kelp (Trial)'))).toMatchObject({ likely: 'trial' });
    const old = plugin('b', 'Kelp');
    expect(
      licenceHint({ ...old, copies: old.copies.map((c) => ({ ...c, is32Bit: true })) }),
    ).toMatchObject({ likely: 'hidden' });
    expect(licenceHint(old)).toBeNull();
    expect(
      asked({
        plugins: [plugin('a', 'Kelp (Trial)')],
        answers: new Map([['a', { ...nothingSaid, licence: { state: 'owned', until: null } }]]),
      }),
    ).toEqual([]);
  });
  it('are one for a series, and the one that settles most comes first', () => {
    const plugins = ['Kelp', 'Marlwick Low', 'Marlwick High', 'Marlwick Wide'].map((name) =>
      plugin(name, name),
    );
    const grounds = new Map(plugins.map(({ id }) => [id as string, unsure]));
    expect(asked({ plugins, grounds }).map((q) => pluginsAsked(q).length)).toEqual([3, 1]);
  });
  it('are one for names that differ in brackets only, also where next to nothing speaks', () => {
    const names = ['Delay line (AR)', 'Delay line (CR)'];
    const plugins = names.map((name) => plugin(name, name));
    const faintly = ([a, b]: readonly [number, number]) => ({
      ...unsure,
      suggestions: [suggestion('utility', a), suggestion('dynamics', b)].sort(
        (x, y) => y.probability - x.probability,
      ),
    });
    const asGrounds = (...odds: [number, number][]) =>
      new Map(plugins.map(({ id }, at) => [id as string, faintly(odds[at] ?? [0, 0])]));
    const alike = asked({ plugins, grounds: asGrounds([0.15, 0.14], [0.13, 0.16]) });
    expect(alike.map((q) => pluginsAsked(q).length)).toEqual([2]);
    const unlike = asked({ plugins, grounds: asGrounds([0.6, 0.1], [0.1, 0.6]) });
    expect(unlike.map((q) => pluginsAsked(q).length)).toEqual([1, 1]);
  });
  it('are one for plugins without a vendor that lie in one place', () => {
    const nameless = ['Silt', 'Reed', 'Tern'].map((name) => plugin(name, name, { vendor: null }));
    const questions = asked({ plugins: nameless });
    expect(questions.map((q) => [q.variant, pluginsAsked(q).length])).toEqual([['vendor', 3]]);
  });
  it('are not asked again of what is to stay without a vendor', () => {
    const plugins = [plugin('a', 'Silt', { vendor: null })];
    const answers = new Map([['a', { ...nothingSaid, vendor: nobody }]]);
    expect(asked({ plugins }).map((q) => q.variant)).toEqual(['vendor']);
    expect(asked({ plugins, answers })).toEqual([]);
    expect(withAnswer(plugin('a', 'Silt'), answers.get('a')).vendor).toBeNull();
  });
  it('are not asked of what is hidden', () => {
    const plugins = [plugin('a', 'Kelp', { vendor: null })];
    const grounds = new Map([['a', unsure]]);
    const answers = new Map([['a', { ...nothingSaid, isHidden: true }]]);
    expect(asked({ plugins, grounds, answers })).toEqual([]);
  });
  it('ask for the kind only where it changes where a plugin may stand', () => {
    const between = (a: Kind, b: Kind) => ({
      suggestions: [],
      kinds: [
        { kind: a, probability: 0.5 },
        { kind: b, probability: 0.5 },
      ],
      kindReasons: [a, b].map((kind) => ({ kind, weight: 1, text: 'so' })),
    });
    expect(isKindUncertain(between('effect', 'tool'))).toBe(false);
    expect(isKindUncertain(between('effect', 'instrument'))).toBe(true);
  });
  it('ask once about all that may be one plugin', () => {
    const plugins = [plugin('a', 'Kelp'), plugin('b', 'Kelp'), plugin('c', 'Kelp')];
    const doubts = [
      { a: 'a', b: 'b', reasons: [] },
      { a: 'b', b: 'c', reasons: [] },
    ];
    expect(asked({ plugins, doubts }).map((q) => pluginsAsked(q).length)).toEqual([3]);
  });
  it('ask about twins unless the user has said something of both', () => {
    const plugins = [plugin('a', 'Kelp'), plugin('b', 'Kelp')];
    const doubts = [{ a: 'a', b: 'b', reasons: [] }];
    expect(asked({ plugins, doubts })).toHaveLength(1);
    expect(asked({ plugins, doubts, pinned: new Set(['ac', 'bc']) })).toEqual([]);
  });
});
