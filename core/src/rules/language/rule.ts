/**
 * The rule by which a smart folder fills itself: cards of lines. A plugin is in when every line of
 * some card holds and no “never” card holds. A line is a field, a relation and values; any of the
 * values suffices.
 */
import { fold } from '../../text/fold.ts';
import { failed, ok, type Result } from '../../problem.ts';

/** What a line can ask about, with the sort of its values. */
export const fields = {
  name: 'text',
  anything: 'text',
  vendor: 'text',
  'setting of': 'text',
  bank: 'text',
  tag: 'text',
  notes: 'text',
  type: 'set',
  kind: 'set',
  thing: 'set',
  format: 'set',
  bits: 'set',
  licence: 'set',
  state: 'set',
  folder: 'set',
  version: 'version',
  inputs: 'number',
  outputs: 'number',
  'times loaded': 'number',
  arrived: 'time',
  'last loaded': 'time',
  'trial ends': 'time',
} as const;
/** What a line can ask about. */
export type Field = keyof typeof fields;
/** What values a field has. */
export type FieldSort = (typeof fields)[Field];

/** The relations that fit each sort of field, the most usual first. */
export const relationsOf = {
  text: ['has', 'has word', 'has letters', 'has no', 'starts with', 'is', 'is not', 'is missing'],
  set: ['is', 'is not', 'is only', 'is missing'],
  number: ['is', 'is not', 'at least', 'at most'],
  version: ['is', 'is not', 'at least', 'before', 'is missing'],
  time: ['within the last', 'not within the last', 'within the next', 'before', 'after', 'never'],
} as const satisfies Record<FieldSort, readonly string[]>;
/** How a line compares. */
export type Relation = (typeof relationsOf)[FieldSort][number];

/** Relations that make no sense for a field though they fit its sort. */
const senseless: Readonly<Partial<Record<Field, readonly Relation[]>>> = {
  name: ['is missing'],
  anything: ['is', 'is not', 'starts with', 'is missing'],
  kind: ['is only', 'is missing'],
  thing: ['is only', 'is missing'],
  'setting of': ['is missing'],
  bank: ['is missing'],
  licence: ['is only', 'is missing'],
  state: ['is only', 'is missing'],
  folder: ['is only'],
  arrived: ['within the next', 'never'],
  'last loaded': ['within the next'],
  'trial ends': ['within the last', 'not within the last'],
  bits: ['is missing'],
  format: ['is missing'],
};

/** The relations a line about this field can have. */
export const relationsFor = (field: Field): readonly Relation[] =>
  (relationsOf[fields[field]] as readonly Relation[]).filter(
    (relation) => !senseless[field]?.includes(relation),
  );

/** Relations that stand alone, without values. */
export const standsAlone = (relation: Relation): boolean =>
  relation === 'is missing' || relation === 'never';

/**
 * One line. Values are texts in the form in which they are compared: ids of types and folders,
 * `2026-11-24`, `30 days`, `12`.
 */
export interface Line {
  readonly field: Field;
  readonly relation: Relation;
  readonly values: readonly string[];
}
/** Lines that must all hold. */
export interface Card {
  readonly lines: readonly Line[];
}
/** A plugin is in when some card holds, and no never card does. */
export interface Rule {
  readonly cards: readonly Card[];
  /** A plugin for which one of these holds is out, whatever the others say. */
  readonly never: readonly Card[];
}

/** The most cards, lines of a card, values of a line, letters of a value, and letters of a rule's text. */
export const ruleLimits = { cards: 50, lines: 50, values: 200, value: 200, text: 40_000 } as const;

/** All fields. */
export const fieldNames = Object.keys(fields) as Field[];

/** Whether what a line of this relation says changes with the time: it compares with a span of it. */
export const isOfTime = ({ relation }: Pick<Line, 'relation'>): boolean =>
  relation.includes('within');

/** Units of a span of time, in days. A month counts 30 days and a year 365. */
export const units = { day: 1, week: 7, month: 30, year: 365 } as const;
/** A unit of a span of time. */
export type Unit = keyof typeof units;

/** `30 days` → 30; null when it is no span. */
export function daysOf(span: string): number | null {
  const match = /^(\d{1,5}) (day|week|month|year)s?$/.exec(span);
  return match ? Number(match[1]) * units[match[2] as Unit] : null;
}

/** A line for names that have any of the words. */
export const keywordLine = (values: readonly string[]): Line => ({
  field: 'name',
  relation: 'has',
  values,
});

/** Keywords typed with commas between them, as a rule of one line. */
export function keywordRule(text: string): Result<Rule> {
  const values = [
    ...new Map(
      text
        .split(/[,;\n]/)
        .map((v) => v.trim().replace(/\s+/g, ' ').slice(0, ruleLimits.value))
        .filter((v) => fold(v) !== '')
        .map((v) => [fold(v), v]),
    ).values(),
  ];
  if (values.length === 0) {
    return failed({ code: 'rule-empty', at: 'keywords' });
  }
  return ok({ cards: [{ lines: [keywordLine(values.slice(0, ruleLimits.values))] }], never: [] });
}

/** Every line of the rule, those of “never” cards too. */
export const linesOf = (rule: Rule): Line[] =>
  [...rule.cards, ...rule.never].flatMap((card) => card.lines);

/** Lines that say the same have the same key. */
export const keyOfLine = ({ field, relation, values }: Line): string =>
  `${field}\n${relation}\n${values.join('\n')}`;

/**
 * Whether a card is asked about settings at all: only where it says so, so that a plugin with hundreds
 * of them floods no folder.
 */
export const meansSettings = ({ lines }: Card): boolean =>
  lines.some(
    ({ field, relation, values }) =>
      (field === 'thing' && values.includes(relation === 'is' ? 'setting' : 'plugin')) ||
      ((field === 'setting of' || field === 'bank') && !['has no', 'is not'].includes(relation)),
  );

/** The folders whose contents a rule asks for. */
export const foldersRead = (rule: Rule): string[] =>
  linesOf(rule)
    .filter((line) => line.field === 'folder')
    .flatMap((line) => line.values);
