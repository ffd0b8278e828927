/** Sorting 20,000 copies, and how good and how honest the suggested types are on real plugins. */
import MiniSearch from 'minisearch';
import { bareCopy } from '@clever-drawer/core/formats';
import {
  classify,
  lexicon,
  identifyCatalog,
  identifyPlugins,
  weights as shipped,
  type Weights,
  type Decisions,
  type CopyToIdentify,
  type Subject,
} from '@clever-drawer/core/identify';
import {
  declaredTypes,
  groupOf,
  isFiledNear,
  leavesOpen,
  typeGroups,
  typeName,
} from '@clever-drawer/core/taxonomy';
import { makePlugins } from '@clever-drawer/demo';
import { fitWithoutEach, makerOf } from './fitting.ts';
import { readKnown, readUnpacked, type Known } from './lv2-truth.ts';
import { measured, timed, type Measured, type Outcome } from './measure.ts';

const plugins = 11_000;
const copies = 20_000;
const rounds = 5;
const nothing: Decisions = {
  assignments: new Map(),
  spellings: new Map(),
  answers: new Map(),
  used: new Set(),
};

/** Copies of made-up plugins in several formats, some without a vendor. */
function makeCopies(): CopyToIdentify[] {
  const formats = ['VST3', 'LV2', 'CLAP', 'VST2'] as const;
  return makePlugins(7, plugins)
    .flatMap((plugin) =>
      formats
        .filter((_, i) => (plugin.number + i) % 2 === 0 || i === 0)
        .map((format): CopyToIdentify => {
          const hasVendor = format === 'VST3' || format === 'LV2';
          const path = `/place/${format}/${plugin.vendor.name}/${plugin.name}.${format.toLowerCase()}`;
          return {
            id: path,
            isPresent: true,
            plugin: null,
            facts: {
              ...bareCopy(format, path),
              name: hasVendor ? plugin.name : null,
              vendor: hasVendor ? (plugin.spelling.VST3 ?? null) : null,
              identity: `${format} ${plugin.number}`,
              audioIn: hasVendor ? 2 : null,
              audioOut: hasVendor ? 2 : null,
              notesIn: false,
            },
          };
        }),
    )
    .slice(0, copies);
}

async function speed(): Promise<Measured[]> {
  const made = makeCopies();
  const whole: number[] = [];
  const one: number[] = [];
  let last = 0;
  for (let i = 0; i < rounds; i += 1) {
    whole.push(await timed(() => identifyCatalog(made, nothing, () => String((last += 1)))));
  }
  for (const { id, facts } of made.slice(0, 500)) {
    one.push(
      await timed(() =>
        identifyPlugins(
          [{ id, copies: [facts], own: [facts], vendor: facts.vendor, sameBecause: [] }],
          new Map(),
        ),
      ),
    );
  }
  return [
    measured(`group and classify ${made.length.toLocaleString('en')} copies`, whole),
    measured('one new copy, named and classified', one),
  ];
}

/** The rules of thumb of the trade as a plain list: the first that is part of the name wins. */
const keywords: readonly (readonly [word: string, group: string])[] = [
  ...['delay', 'echo', 'slap'].map((w) => [w, 'delay'] as const),
  ...['verb', 'room', 'hall', 'plate', 'chamber', 'spring'].map((w) => [w, 'reverb'] as const),
  ...['comp', 'limiter', 'gate', 'expander', 'de-esser'].map((w) => [w, 'dynamics'] as const),
  ...['eq', 'tilt', 'shelf'].map((w) => [w, 'eq'] as const),
  ...['drive', 'saturat', 'fuzz', 'tube', 'tape', 'clip', 'distort'].map(
    (w) => [w, 'distortion'] as const,
  ),
  ...['chorus', 'flang', 'phaser', 'tremolo', 'vibrato', 'rotary'].map(
    (w) => [w, 'modulation'] as const,
  ),
  ['filter', 'filter'],
  ['pitch', 'pitch'],
  ['meter', 'meter'],
  ['synth', 'synth'],
];
const byKeyword = (name: string): string =>
  keywords.find(([word]) => name.toLowerCase().includes(word))?.[1] ?? '';

/** The same words as ours, looked up by a search library: a document for each group. */
function wordLookup(): (name: string) => string {
  const index = new MiniSearch({
    fields: ['words'],
    searchOptions: { prefix: false, fuzzy: false },
  });
  const words = new Map(
    typeGroups.map((group) => [
      group.id,
      [group.id, ...group.types.map((type) => typeName(type.id))],
    ]),
  );
  for (const [word, meanings] of lexicon) {
    for (const { type } of meanings) {
      words.get(groupOf(type))?.push(word);
    }
  }
  index.addAll([...words].map(([id, list]) => ({ id, words: list.join(' ') })));
  return (name) => String(index.search(name)[0]?.id ?? '');
}

interface Quality {
  readonly set: string;
  readonly plugins: number;
  readonly ours: number;
  readonly shown: number;
  readonly keywords: number;
  readonly lookup: number;
  readonly brier: number;
}

const isRight = (known: Known, group: string | undefined): boolean =>
  group !== undefined && known.groups.has(groupOf(group));
const share = (list: readonly Known[], right: (known: Known) => boolean): number =>
  list.filter(right).length / list.length;

function qualityOf(set: string, list: readonly Known[], lookup: (name: string) => string): Quality {
  const { right, brier, given } = judge(list, () => shipped);
  return {
    set,
    plugins: list.length,
    ours: right,
    shown: given,
    keywords: share(list, (one) => isRight(one, byKeyword(one.subject.name))),
    lookup: share(list, (one) => isRight(one, lookup(one.subject.name))),
    brier,
  };
}

/** How a set of plugins is judged by given weights, class hidden and class shown. */
interface Judged {
  readonly plugins: number;
  readonly right: number;
  readonly brier: number;
  /** Of those said to be 80 % sure or more: how many they are, what was said, how many are right. */
  readonly sure: number;
  readonly sureSaid: number;
  readonly sureRight: number;
  readonly given: number;
  /** With the name hidden as well, as of a plugin that is called by a fancy. */
  readonly nameless: Firsts;
  readonly consistent: Firsts;
}

/** Of first suggestions: how many are right, and the Brier score of what they are said to be. */
interface Firsts {
  readonly plugins: number;
  readonly right: number;
  readonly brier: number;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

function judge(list: readonly Known[], weightsOf: (known: Known) => Weights): Judged {
  const firsts = list.map((known) => firstOf(known, known.subject, weightsOf(known)));
  const nameless = list.map((known) =>
    firstOf(known, { ...known.subject, name: '' }, weightsOf(known)),
  );
  const sure = firsts.filter(({ said }) => said >= 0.8);
  const given = list.map((known) => {
    const { subject, declared } = known;
    return firstOf(known, { ...subject, declared }, weightsOf(known)).right;
  });
  return {
    ...figuresOf(firsts),
    nameless: figuresOf(nameless),
    consistent: figuresOf(consistentFirsts(list, weightsOf)),
    sure: sure.length,
    sureSaid: mean(sure.map(({ said }) => said)),
    sureRight: mean(sure.map(({ right }) => right)),
    given: mean(given),
  };
}

interface First {
  readonly said: number;
  /** 1 or 0. */
  readonly right: number;
}

function firstOf(
  known: Known,
  subject: Subject,
  weights: Weights,
  holds: (known: Known, type: string) => boolean = isRight,
): First {
  const first = classify(subject, weights).suggestions[0];
  return { said: first?.probability ?? 0, right: first && holds(known, first.type) ? 1 : 0 };
}

/**
 * First suggestions held against what the class does not contradict: LV2 has no class for a vocoder,
 * and so one that declares a filter is right as well. Plugins whose class leaves open what they do
 * tell nothing here and are left out.
 */
function consistentFirsts(list: readonly Known[], weightsOf: (known: Known) => Weights): First[] {
  const isConsistent = (known: Known, type: string): boolean =>
    isRight(known, type) || isFiledNear(type, known.groups);
  return list
    .filter(({ declared }) => !leavesOpen(declaredTypes(declared)))
    .map((known) => firstOf(known, known.subject, weightsOf(known), isConsistent));
}

const figuresOf = (firsts: readonly First[]): Firsts => ({
  plugins: firsts.length,
  right: mean(firsts.map(({ right }) => right)),
  brier: mean(firsts.map(({ said, right }) => (said - right) ** 2)),
});

/**
 * What a stranger's plugins get: each maker is judged with weights that were fitted without it.
 * `UNPACKED` and `KEPT_BACK` name directories of packages that were unpacked and not installed
 * (readUnpacked); those kept back never take part in a fit.
 */
function judgeStrangers(known: readonly Known[]): {
  readonly judged: Record<string, Judged>;
  readonly steps: readonly Step[];
} {
  const at = (variable: string): Known[] => {
    const root = process.env[variable];
    return root === undefined ? [] : readUnpacked(root);
  };
  const installed = known.filter(({ set }) => set !== 'swh-plugins');
  const unpacked = at('UNPACKED');
  const keptBack = at('KEPT_BACK');
  const without = fitWithoutEach([...known, ...unpacked]);
  const fitted = (one: Known): Weights => without.get(makerOf(one)) ?? shipped;
  const groups: readonly [string, readonly Known[], (one: Known) => Weights][] = [
    ['LV2 packages of `./check`, each maker left out', installed, fitted],
    ['other packages that were looked at, each maker left out', unpacked, fitted],
    ['kept back: nobody looked at them', keptBack, () => shipped],
  ];
  const there = groups.filter(([, list]) => list.length > 0);
  const suggested = there.flatMap(([, list, weightsOf]) =>
    list.flatMap((one) => suggestedGroups(one, weightsOf(one))),
  );
  return {
    judged: Object.fromEntries(
      there.map(([name, list, weightsOf]) => [name, judge(list, weightsOf)]),
    ),
    steps: reliability(suggested),
  };
}

interface Suggested {
  readonly probability: number;
  readonly right: boolean;
}

/** Each group that is suggested, not only the first. */
function suggestedGroups({ subject, groups }: Known, weights: Weights): Suggested[] {
  const best = new Map<string, number>();
  for (const { type, probability } of classify(subject, weights).suggestions) {
    best.set(groupOf(type), Math.max(best.get(groupOf(type)) ?? 0, probability));
  }
  return [...best].map(([group, probability]) => ({ probability, right: groups.has(group) }));
}

interface Step {
  readonly said: string;
  readonly suggestions: number;
  readonly mean: number;
  readonly right: number;
}

/** Of those said to be so likely, how many are right. */
function reliability(all: readonly Suggested[]): Step[] {
  return [
    [0.03, 0.2],
    [0.2, 0.5],
    [0.5, 0.75],
    [0.75, 0.9],
    [0.9, 1.01],
  ].flatMap(([low = 0, high = 0]) => {
    const those = all.filter((s) => s.probability >= low && s.probability < high);
    return those.length === 0
      ? []
      : [
          {
            said: `${Math.round(low * 100)}–${Math.min(100, Math.round(high * 100))} %`,
            suggestions: those.length,
            mean: those.reduce((sum, s) => sum + s.probability, 0) / those.length,
            right: those.filter((s) => s.right).length / those.length,
          },
        ];
  });
}

export async function benchSort(): Promise<Outcome> {
  const known = readKnown();
  const lookup = wordLookup();
  const sets = [...new Set(known.map((one) => one.set))];
  const quality = [
    ...sets.map((set) =>
      qualityOf(
        set,
        known.filter((one) => one.set === set),
        lookup,
      ),
    ),
    qualityOf(
      'all LV2 packages',
      known.filter((one) => one.set !== 'swh-plugins'),
      lookup,
    ),
  ];
  const { judged: strangers, steps } = judgeStrangers(known);
  const percent = (x: number): string => `${(x * 100).toFixed(1)} %`;
  const tables = [
    [
      '| plugins of | number | right group first, class hidden | keyword list | MiniSearch words | Brier score | class given |',
      '| --- | ---: | ---: | ---: | ---: | ---: | ---: |',
      ...quality.map(
        (q) =>
          `| ${q.set} | ${q.plugins} | ${percent(q.ours)} | ${percent(q.keywords)} | ${percent(q.lookup)} | ${q.brier.toFixed(3)} | ${percent(q.shown)} |`,
      ),
    ].join('\n'),
    [
      '| said to be | suggestions | mean said | right |',
      '| --- | ---: | ---: | ---: |',
      ...steps.map(
        (s) => `| ${s.said} | ${s.suggestions} | ${percent(s.mean)} | ${percent(s.right)} |`,
      ),
    ].join('\n'),
    [
      '| plugins of | number | right group first, class hidden | Brier score | said to be 80 % sure or more | said | right | class given | name hidden as well | Brier score |',
      '| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |',
      ...Object.entries(strangers).map(
        ([name, s]) =>
          `| ${name} | ${s.plugins} | ${percent(s.right)} | ${s.brier.toFixed(3)} | ${s.sure} | ${percent(s.sureSaid)} | ${percent(s.sureRight)} | ${percent(s.given)} | ${percent(s.nameless.right)} | ${s.nameless.brier.toFixed(3)} |`,
      ),
    ].join('\n'),
    [
      '| plugins of, held against what their class does not contradict | number | right | Brier score |',
      '| --- | ---: | ---: | ---: |',
      ...Object.entries(strangers).map(
        ([name, { consistent }]) =>
          `| ${name} | ${consistent.plugins} | ${percent(consistent.right)} | ${consistent.brier.toFixed(3)} |`,
      ),
    ].join('\n'),
  ];
  return { rows: await speed(), tables, facts: { quality, reliability: steps, strangers } };
}
