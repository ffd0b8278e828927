/** What is odd about a rule, over the catalog as it is. */
import { hasBit, type Bits } from '../evaluate/bits.ts';
import type { CatalogIndex } from '../evaluate/catalog-index.ts';
import type { RuleContext } from '../evaluate/holds.ts';
import type { Card, Line, Rule } from '../language/rule.ts';

/** Cards are counted from 0, first those that let in, then (`isNever`) those that keep out. */
export type Warning =
  | {
      readonly kind: 'line-empty';
      readonly isNever: boolean;
      readonly card: number;
      readonly line: number;
    }
  | { readonly kind: 'card-empty'; readonly isNever: boolean; readonly card: number }
  | {
      readonly kind: 'card-contained';
      readonly isNever: boolean;
      readonly card: number;
      readonly other: number;
    }
  | { readonly kind: 'never-everything' };

const isEmpty = (bits: Bits): boolean => bits.every((word) => word === 0);

/** What in a rule does nothing, or more than it seems. */
export function warningsOf(rule: Rule, index: CatalogIndex, where: RuleContext): Warning[] {
  return [
    ...cardWarnings(rule.cards, false, index, where),
    ...cardWarnings(rule.never, true, index, where),
    ...neverEverything(rule, index, where),
  ];
}

function cardWarnings(
  cards: readonly Card[],
  isNever: boolean,
  index: CatalogIndex,
  where: RuleContext,
): Warning[] {
  return cards.flatMap((card, at): Warning[] => {
    const lines = card.lines.flatMap((line, n): Warning[] =>
      isEmpty(index.line(line, where)) ? [{ kind: 'line-empty', isNever, card: at, line: n }] : [],
    );
    const other = cards.findIndex(
      (one, n) => n !== at && isContained(card, one) && (n < at || !isContained(one, card)),
    );
    const isTogether =
      lines.length === 0 && card.lines.length > 1 && isEmpty(index.card(card, where));
    return [
      ...lines,
      ...(isTogether ? [{ kind: 'card-empty', isNever, card: at } as const] : []),
      ...(other >= 0 ? [{ kind: 'card-contained', isNever, card: at, other } as const] : []),
    ];
  });
}

function neverEverything(rule: Rule, index: CatalogIndex, where: RuleContext): Warning[] {
  const inside = index.rule({ cards: rule.cards, never: [] }, where);
  return rule.never.length > 0 && !isEmpty(inside) && isEmpty(index.rule(rule, where))
    ? [{ kind: 'never-everything' }]
    : [];
}

/**
 * Whether every plugin of the one card is in the other by what the lines say: each line of the
 * other is met by one that asks for no more.
 */
export function isContained(card: Card, other: Card): boolean {
  return (
    other.lines.length > 0 &&
    card.lines.length > 0 &&
    other.lines.every((wide) => card.lines.some((narrow) => impliesLine(narrow, wide)))
  );
}

const impliesLine = (narrow: Line, wide: Line): boolean =>
  narrow.field === wide.field && narrow.relation === wide.relation && impliesValues(narrow, wide);

function impliesValues(narrow: Line, wide: Line): boolean {
  // “is not a, b” asks for more than “is not a”; of the others, fewer values ask for more.
  const [asked, needed] =
    narrow.relation === 'is not' ||
    narrow.relation === 'has no' ||
    narrow.relation === 'not within the last'
      ? [wide.values, narrow.values]
      : [narrow.values, wide.values];
  return asked.every(
    (value) =>
      needed.includes(value) ||
      (narrow.field === 'type' &&
        narrow.relation === 'is' &&
        needed.includes(value.split('/')[0] ?? '')),
  );
}

/** How many of a set are there; for counts beside lines. */
export function countBits(bits: Bits, size: number): number {
  let count = 0;
  for (let at = 0; at < size; at += 1) {
    if (hasBit(bits, at)) {
      count += 1;
    }
  }
  return count;
}
