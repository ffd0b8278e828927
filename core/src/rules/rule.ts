/** The rule by which a smart folder fills itself: cards of lines. Every line of some card has to hold. */
import { fold, wordsOf } from '../fold.ts';
import { failed, ok, type Result } from '../problem.ts';

/** One line: the name (or nickname) has any of the values. */
export interface Line {
  readonly field: 'name';
  readonly relation: 'has';
  readonly values: readonly string[];
}
export interface Card {
  readonly lines: readonly Line[];
}
export interface Rule {
  readonly cards: readonly Card[];
}

/** What a rule is asked about: a plugin's name and nickname, taken apart into words once. */
export interface Candidate {
  readonly texts: readonly string[];
}

/** Prepares a plugin for any number of rules. */
export const candidateOf = (name: string, nickname: string | null): Candidate => ({ texts: (nickname === null ? [name] : [name, nickname]).map(spaced) });

/** Keywords typed with commas between them, as a rule of one line. */
export function keywordRule(text: string): Result<Rule> {
  const values = [...new Map(text.split(/[,;\n]/).map((v) => v.trim().replace(/\s+/g, ' ').slice(0, 60)).filter((v) => fold(v) !== '').map((v) => [fold(v), v])).values()];
  if (values.length === 0) return failed({ code: 'rule-empty', at: 'keywords' });
  return ok({ cards: [{ lines: [{ field: 'name', relation: 'has', values: values.slice(0, 50) }] }] });
}

/** The keywords of a rule, as they would be typed. */
export const keywordsOf = (rule: Rule): string[] => rule.cards.flatMap((card) => card.lines.flatMap((line) => [...line.values]));

/** The rule read back in plain words. */
export function sayRule(rule: Rule): string {
  const cards = rule.cards.map((card) => card.lines.map((line) => `name has ${sayOr(line.values)}`).join(' and '));
  return `Every plugin whose ${cards.join(', or whose ')}.`;
}

const sayOr = (values: readonly string[]): string =>
  values.length < 2 ? (values[0] ?? '') : `${values.slice(0, -1).join(', ')} or ${values.at(-1) ?? ''}`;

/**
 * A function that answers for one plugin why the rule takes it in ("name has “echo”"), or null when it does not.
 * A keyword is found at the start of a word; its own words may run over several ("tape echo" in "TapeEcho").
 */
export function compileRule(rule: Rule): (candidate: Candidate) => string | null {
  const cards = rule.cards.map((card) => card.lines.map(compileLine));
  return ({ texts }) => {
    for (const lines of cards) {
      const reasons = lines.map((line) => line(texts));
      if (reasons.length > 0 && reasons.every((reason) => reason !== null)) return reasons.join(', ');
    }
    return null;
  };
}

function spaced(text: string): string {
  return ` ${wordsOf(text).join(' ')}`;
}

function compileLine(line: Line): (texts: readonly string[]) => string | null {
  const keywords = line.values.map((value) => ({ value, words: spaced(value) })).filter((k) => k.words !== ' ');
  return (texts) => {
    const hit = keywords.find((keyword) => texts.some((text) => text.includes(keyword.words)));
    return hit ? `name has “${hit.value}”` : null;
  };
}
