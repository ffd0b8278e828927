/** What is just outside of a rule, and by which line it fails. */
import { editDistance } from '../../text/edit-distance.ts';
import { compareNames } from '../../text/compare.ts';
import { fold, wordsOf } from '../../text/fold.ts';
import { isSetting, type Candidate, type RuleText } from '../evaluate/candidate.ts';
import {
  compileCard,
  compileLine,
  compileRule,
  isNegative,
  type RuleContext,
} from '../evaluate/holds.ts';
import { fields, meansSettings, type Card, type Line, type Rule } from '../language/rule.ts';
import { sayValue, type RuleWords } from '../language/values.ts';

/** A plugin that a rule nearly takes in, and what it lacks. */
export interface JustOutside {
  readonly id: string;
  /** From 0 to 1; a measure to compare by. */
  readonly closeness: number;
  /** The line that does not hold, or (null) the never card that does. */
  readonly line: Line | null;
  readonly because: string;
}

/** How near each sort of miss is (our own order). */
const close = { never: 0.95, letters: 0.8, slip: 0.7, group: 0.5, otherLines: 0.3 } as const;

/**
 * Plugins that one line keeps out, nearest first, at most `limit`. Those that are kept out by hand
 * are the caller's.
 */
export function justOutside(
  rule: Rule,
  candidates: readonly Candidate[],
  where: RuleContext,
  words: RuleWords,
  limit: number,
): JustOutside[] {
  const isIn = compileRule(rule).holds;
  const asksSettings = rule.cards.some(meansSettings);
  const cards = rule.cards.map((card) => ({
    card,
    lines: card.lines.map((line) => ({ line, holds: compileLine(line) })),
  }));
  const never = rule.never.map((card) => ({ card, holds: compileCard(card) }));
  const found: (JustOutside & { readonly name: string })[] = [];
  for (const candidate of candidates) {
    const isOther = isSetting(candidate) && !asksSettings;
    if (isOther || isIn(candidate, where)) {
      continue;
    }
    const best = bestMiss(candidate, cards, never, where, words);
    if (best) {
      found.push({ ...best, id: candidate.id, name: candidate.texts.name[0]?.shown ?? '' });
    }
  }
  return found
    .sort((a, b) => b.closeness - a.closeness || compareNames(a.name, b.name))
    .slice(0, limit)
    .map(({ id, closeness, line, because }) => ({ id, closeness, line, because }));
}

type Miss = Omit<JustOutside, 'id'>;
interface Prepared {
  readonly card: Card;
  readonly lines: readonly {
    readonly line: Line;
    readonly holds: ReturnType<typeof compileLine>;
  }[];
}

function bestMiss(
  candidate: Candidate,
  cards: readonly Prepared[],
  never: readonly { card: Card; holds: ReturnType<typeof compileLine> }[],
  where: RuleContext,
  words: RuleWords,
): Miss | null {
  let best: Miss | null = null;
  for (const { lines } of cards) {
    const failing = lines.filter(({ holds }) => !holds(candidate, where));
    const [only] = failing;
    if (failing.length === 0 && lines.length > 0) {
      const card = never.find((one) => one.holds(candidate, where))?.card;
      return {
        closeness: close.never,
        line: null,
        because: `never: ${card?.lines.map((line) => sayMissOf(line, words)).join(', ') ?? ''}`,
      };
    }
    if (failing.length !== 1 || !only) {
      continue;
    }
    const near = nearMiss(only.line, candidate, words);
    const miss: Miss | null =
      near ??
      (lines.length > 1
        ? {
            closeness: close.otherLines,
            line: only.line,
            because: `all but: ${sayMissOf(only.line, words)}`,
          }
        : null);
    if (miss && (!best || miss.closeness > best.closeness)) {
      best = miss;
    }
  }
  return best;
}

const sayMissOf = ({ field, relation, values }: Line, words: RuleWords): string =>
  [field, relation, values.map((value) => sayValue(field, value, words)).join(', ')]
    .filter((part) => part !== '')
    .join(' ');

/** What a plugin has that is almost what the line asks for; null when there is nothing of the sort. */
function nearMiss(line: Line, candidate: Candidate, words: RuleWords): Miss | null {
  if (isNegative(line.relation)) {
    return null;
  }
  if (fields[line.field] === 'text') {
    return nearText(line, candidate.texts[line.field as keyof Candidate['texts']]);
  }
  if (line.field !== 'type') {
    return null;
  }
  const group = candidate.types.find((type) =>
    line.values.some((value) => value.includes('/') && value.split('/')[0] === type.split('/')[0]),
  );
  return group === undefined
    ? null
    : {
        closeness: close.group,
        line,
        because: `type is ${sayValue('type', group, words)}, of the same group`,
      };
}

/** From so many letters on, one wrong, missing or swapped letter counts as a slip. */
const slipFrom = 4;

function nearText(line: Line, texts: readonly RuleText[]): Miss | null {
  for (const value of line.values) {
    const letters = fold(value);
    const bare = wordsOf(value).join('');
    for (const text of texts) {
      const word =
        text.words.find((one) => one !== bare && one.includes(bare)) ??
        (text.words.join('').includes(bare) ? text.words.join('') : undefined);
      if (word !== undefined && bare !== '' && letters !== '') {
        return {
          closeness: close.letters,
          line,
          because: word.startsWith(bare)
            ? `${line.field} has “${word}”, not the word “${value}”`
            : `${line.field} has “${word}”, with “${value}” inside a longer word`,
        };
      }
    }
  }
  for (const value of line.values.filter((one) => one.length >= slipFrom)) {
    for (const text of texts) {
      const word = text.words.find(
        (one) => Math.abs(one.length - value.length) <= 1 && editDistance(one, fold(value)) === 1,
      );
      if (word !== undefined) {
        return {
          closeness: close.slip,
          line,
          because: `${line.field} has “${word}”, one letter from “${value}”`,
        };
      }
    }
  }
  return null;
}
