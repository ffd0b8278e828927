/** Why a rule lets a plugin in, in the words of the rule. */
import { fields, type Line, type Rule } from '../language/rule.ts';
import { noWords, sayValue, type RuleWords } from '../language/values.ts';
import type { Candidate } from './candidate.ts';
import { cardHolds, compileLine, compileRule, isNegative, type RuleContext } from './holds.ts';

/** Why a plugin is in: the first card that holds, line by line ("name has “echo”"); null when it is not. */
export function explain(
  rule: Rule,
  candidate: Candidate,
  where: RuleContext,
  words: RuleWords = noWords,
): string | null {
  const { cards } = compileRule(rule);
  const first = cards.findIndex((card) => cardHolds(card, candidate, where));
  const card = rule.cards[first - rule.never.length];
  return card ? card.lines.map((line) => sayLine(line, candidate, where, words)).join(', ') : null;
}

/** A line as it is true of a plugin: of its values only those that are met. */
function sayLine(line: Line, candidate: Candidate, where: RuleContext, words: RuleWords): string {
  const { field, relation, values } = line;
  const matching = isNegative(relation)
    ? values
    : values.filter((value) => compileLine({ ...line, values: [value] })(candidate, where));
  const shown = (matching.length > 0 ? matching : values).map((value) =>
    fields[field] === 'text' ? `“${value}”` : sayValue(field, value, words),
  );
  return [field, relation, shown.join(' or ')].filter((part) => part !== '').join(' ');
}
