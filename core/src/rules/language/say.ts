/** A rule read back as a sentence. */
import { fields, standsAlone, type Card, type Line, type Relation, type Rule } from './rule.ts';
import { noWords, sayValue, type RuleWords } from './values.ts';

/** A part of the sentence; what a line says stands out. */
export interface Said {
  readonly text: string;
  readonly isStrong: boolean;
}

const relationWords: Readonly<Partial<Record<Relation, string>>> = {
  'has word': 'has the word',
  'has letters': 'has the letters',
  'has no': 'has none of',
  'starts with': 'starts with',
  'is missing': 'is missing',
  never: 'is never',
};
const timeWords: Readonly<Partial<Record<Relation, string>>> = {
  'within the last': 'lies within the last',
  'not within the last': 'does not lie within the last',
  'within the next': 'lies within the next',
  before: 'lies before',
  after: 'lies after',
};
const subjects: Readonly<Partial<Record<Line['field'], string>>> = {
  arrived: 'arrival',
  'last loaded': 'last load',
  'trial ends': 'end of the trial',
  'times loaded': 'number of loads',
  inputs: 'number of inputs',
  outputs: 'number of outputs',
  anything: 'name, vendor, type or tag',
};

/** A line in few words, for chips. */
export function sayLineShort({ field, relation, values }: Line, words: RuleWords): string {
  const said = values.map((value) => sayValue(field, value, words));
  const verb =
    (fields[field] === 'time' ? timeWords[relation] : undefined) ??
    relationWords[relation] ??
    (relation.startsWith('at ') || relation === 'before' ? `is ${relation}` : relation);
  return [subjects[field] ?? field, verb, standsAlone(relation) ? '' : sayOr(said)]
    .filter((part) => part !== '')
    .join(' ');
}

/** "delay, echo or slap" */
export const sayOr = (values: readonly string[]): string =>
  values.length < 2
    ? (values[0] ?? '')
    : `${values.slice(0, -1).join(', ')} or ${values.at(-1) ?? ''}`;

/** The sentence in parts: "Every plugin whose", "name has delay or echo", "and whose", … */
export function sayRuleParts(rule: Rule, words: RuleWords = noWords): Said[] {
  const plain = (text: string): Said => ({ text, isStrong: false });
  const sayCard = (card: Card): Said[] =>
    card.lines.flatMap((line, i) => [
      ...(i > 0 ? [plain(' and whose ')] : []),
      { text: sayLineShort(line, words), isStrong: true },
    ]);
  const cards = rule.cards.filter((card) => card.lines.length > 0);
  const never = rule.never.filter((card) => card.lines.length > 0);
  if (cards.length === 0) {
    return [plain('Nothing yet: add a line.')];
  }
  return [
    plain('Every plugin whose '),
    ...cards.flatMap((card, i) => [...(i > 0 ? [plain(', or whose ')] : []), ...sayCard(card)]),
    ...never.flatMap((card, i) => [
      plain(i === 0 ? ', but none whose ' : ', and none whose '),
      ...sayCard(card),
    ]),
    plain('.'),
  ];
}

/** A rule in plain words. */
export const sayRule = (rule: Rule, words: RuleWords = noWords): string =>
  sayRuleParts(rule, words)
    .map((part) => part.text)
    .join('');
