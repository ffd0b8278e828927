/** What a rule is asked about: one plugin with all that lines can ask for, prepared once. */
import { day } from '../../time.ts';
import { memoizeIn } from '../../memoize.ts';
import type { AnswerFacts } from '../../catalog/answer.ts';
import { isPresent, type Plugin } from '../../catalog/plugin.ts';
import { fold, wordsOf } from '../../text/fold.ts';
import { typeName } from '../../taxonomy/tree.ts';
import type { State, things } from '../language/values.ts';

/**
 * A text as it is shown, folded, as words with a space before each (" tape echo"), and as its
 * letters and figures alone.
 */
export interface RuleText {
  readonly shown: string;
  readonly folded: string;
  readonly spaced: string;
  readonly joined: string;
  readonly words: readonly string[];
}

/** A plugin prepared for rules: texts folded, values in sets, times in milliseconds since 1970. */
export interface Candidate {
  readonly id: string;
  readonly texts: Readonly<
    Record<
      'name' | 'anything' | 'vendor' | 'tag' | 'notes' | 'setting of' | 'bank',
      readonly RuleText[]
    >
  >;
  /** Ids of types with those of their groups. Folders are asked for where the rule is evaluated. */
  readonly sets: Readonly<
    Record<'type' | 'kind' | 'thing' | 'format' | 'bits' | 'licence' | 'state', readonly string[]>
  >;
  /** The types themselves, without their groups. */
  readonly types: readonly string[];
  readonly versions: readonly string[];
  /** Numbers of inputs, outputs and loads; several where copies differ. */
  readonly numbers: Readonly<Record<'inputs' | 'outputs' | 'times loaded', readonly number[]>>;
  /** Milliseconds since 1970; null for never. */
  readonly times: Readonly<Record<'arrived' | 'last loaded' | 'trial ends', number | null>>;
}

const known = new Map<string, RuleText>();
/** Texts of types, formats and vendors come again and again; so many are kept. */
const mostKnown = 20_000;

/** A text with what rules compare of it. */
export const ruleText = (shown: string): RuleText =>
  memoizeIn(known, mostKnown, shown, () => {
    const words = wordsOf(shown);
    return {
      shown,
      folded: fold(shown),
      words,
      spaced: ` ${words.join(' ')}`,
      joined: words.join(''),
    };
  });

/** What is said of a plugin elsewhere than in the catalog. */
export interface Around {
  readonly nickname: string | null;
  readonly slotLabel: string | null;
  readonly answer: AnswerFacts | undefined;
  readonly loads: number;
  /** ISO 8601. */
  readonly lastLoaded: string | null;
}

/** For a plugin of which nothing was said and that was never loaded. */
export const nothingAround: Around = {
  nickname: null,
  slotLabel: null,
  answer: undefined,
  loads: 0,
  lastLoaded: null,
};

const groupsToo = (types: readonly string[]): string[] => [
  ...new Set(
    types.flatMap((type) => {
      const at = type.indexOf('/');
      return at < 0 ? [type] : [type, type.slice(0, at)];
    }),
  ),
];
const timeOf = (text: string | null | undefined): number | null => {
  const time = Date.parse(text ?? '');
  return Number.isNaN(time) ? null : time;
};
/** A day lasts until its end. */
const endOfDay = day - 1;

/** Prepares a plugin with what the user says of it and how it was used. */
export function candidateOf(
  plugin: Plugin,
  { nickname, slotLabel, answer, loads, lastLoaded }: Around = nothingAround,
): Candidate {
  const there = plugin.copies.filter((copy) => copy.state === 'present');
  const copies = there.length > 0 ? there : plugin.copies;
  const until = timeOf(answer?.licence?.until);
  return makeCandidate({
    id: plugin.id,
    names: [plugin.name, nickname, slotLabel],
    vendor: plugin.vendor,
    tags: answer?.tags ?? [],
    notes: answer?.notes ?? '',
    types: plugin.types,
    kind: plugin.kind,
    thing: thingOf(plugin),
    settingOf: plugin.setting?.pluginNames ?? [],
    bank: plugin.setting?.bank ?? null,
    formats: copies.map((copy) => copy.format),
    bits: copies.map((copy) => (copy.is32Bit ? '32' : '64')),
    licence: answer?.licence?.state ?? 'unknown',
    states: statesOf(plugin, answer),
    versions: copies.flatMap((copy) => copy.version ?? []),
    inputs: copies.flatMap((copy) => copy.audioIn ?? []),
    outputs: copies.flatMap((copy) => copy.audioOut ?? []),
    loads,
    arrived: timeOf(plugin.arrived),
    lastLoaded: timeOf(lastLoaded),
    trialEnds: until === null ? null : until + endOfDay,
  });
}

function thingOf({ chain, setting }: Plugin): (typeof things)[number] {
  if (setting) {
    return 'setting';
  }
  return chain ? 'chain' : 'plugin';
}

/** Whether it is a saved setting. */
export const isSetting = ({ sets }: Candidate): boolean => sets.thing[0] === 'setting';

function whereaboutsOf(plugin: Plugin): State {
  if (isPresent(plugin)) {
    return 'present';
  }
  return plugin.copies.some((copy) => copy.state === 'away') ? 'out of reach' : 'gone';
}

function statesOf(plugin: Plugin, answer: AnswerFacts | undefined): State[] {
  return [
    whereaboutsOf(plugin),
    ...(answer?.isHidden ? ['hidden' as const] : []),
    ...(plugin.copies.some((copy) => copy.state === 'present' && copy.isFailed)
      ? ['failed' as const]
      : []),
  ];
}

/** The facts of a plugin however they came. */
export interface CandidateFacts {
  readonly id: string;
  readonly names: readonly (string | null)[];
  readonly vendor: string | null;
  readonly tags: readonly string[];
  readonly notes: string;
  readonly types: readonly string[];
  readonly kind: string;
  readonly thing?: (typeof things)[number];
  /** Of a setting: what its plugin is called, and its bank. */
  readonly settingOf?: readonly string[];
  readonly bank?: string | null;
  readonly formats: readonly string[];
  readonly bits: readonly string[];
  readonly licence: string;
  readonly states: readonly State[];
  readonly versions: readonly string[];
  readonly inputs: readonly number[];
  readonly outputs: readonly number[];
  readonly loads: number;
  readonly arrived: number | null;
  readonly lastLoaded: number | null;
  readonly trialEnds: number | null;
}

/** A plugin prepared for rules. */
export function makeCandidate(facts: CandidateFacts): Candidate {
  const names = facts.names
    .filter((name) => name !== null && name !== '')
    .map((name) => ruleText(name ?? ''));
  const vendor = facts.vendor === null ? [] : [ruleText(facts.vendor)];
  const tags = facts.tags.map(ruleText);
  const textsOf = (text: string | null | undefined): RuleText[] => (text ? [ruleText(text)] : []);
  const owner = (facts.settingOf ?? []).map(ruleText);
  const bank = textsOf(facts.bank);
  return {
    id: facts.id,
    types: facts.types,
    versions: [...new Set(facts.versions)],
    texts: {
      name: names,
      vendor,
      tag: tags,
      notes: facts.notes === '' ? [] : [ruleText(facts.notes)],
      'setting of': owner,
      bank,
      anything: [
        ...names,
        ...vendor,
        ...facts.types.map((type) => ruleText(typeName(type))),
        ...tags,
        ...owner,
        ...bank,
      ],
    },
    sets: {
      type: groupsToo(facts.types),
      kind: [facts.kind],
      thing: [facts.thing ?? 'plugin'],
      format: [...new Set(facts.formats)],
      bits: [...new Set(facts.bits)],
      licence: [facts.licence],
      state: facts.states,
    },
    numbers: {
      inputs: [...new Set(facts.inputs)],
      outputs: [...new Set(facts.outputs)],
      'times loaded': [facts.loads],
    },
    times: {
      arrived: facts.arrived,
      'last loaded': facts.lastLoaded,
      'trial ends': facts.trialEnds,
    },
  };
}
