/** From some plugins to the smallest rule that gathers them, with what else it would take in. */
import { grouped } from '../../grouped.ts';
import { isGenericWord } from '../../identify/generic-words.ts';
import { keepBoth, noBits, setBit, takeAway, type Bits } from '../evaluate/bits.ts';
import { countBits } from './warn.ts';
import type { CatalogIndex } from '../evaluate/catalog-index.ts';
import type { RuleContext } from '../evaluate/holds.ts';
import type { Field, Line, Relation, Rule } from '../language/rule.ts';

/** A rule that takes in some plugins, and what else it would. */
export interface Gathering {
  readonly rule: Rule;
  /** Plugins it takes in that were not asked for. */
  readonly others: readonly string[];
}

/**
 * What a rule costs: each other plugin it takes in, each line, each further value, each further
 * card (our own weights).
 */
const cost = { other: 1, line: 0.9, value: 0.35, card: 1.4 } as const;
/** Lines tried together, and values put into one line. */
const linesTried = 14;
const valuesTried = 12;

interface Try {
  readonly line: Line;
  readonly bits: Bits;
}

/** At most so many rules, the one that costs least first; each takes in all of the wanted plugins. */
export function gatherRules(
  wanted: readonly string[],
  index: CatalogIndex,
  where: RuleContext,
  limit: number,
): Gathering[] {
  const target = noBits(index.size);
  const positions = wanted.flatMap((id) => index.positionOf(id) ?? []);
  for (const at of positions) {
    setBit(target, at);
  }
  if (positions.length === 0) {
    return [];
  }
  const lines = candidateLines(positions, index, where, target);
  const rules = [...single(lines), ...pairs(lines), ...cover(positions, index, where, target)];
  const priced = rules
    .map((rule) => ({ rule, bits: index.rule(rule, where) }))
    .filter(({ bits }) => isWithin(target, bits))
    .map(({ rule, bits }) => ({ rule, others: index.idsOf(takeAway(bits.slice(), target)) }));
  const seen = new Set<string>();
  return priced
    .map((one) => ({ ...one, price: priceOf(one.rule, one.others.length) }))
    .sort((a, b) => a.price - b.price)
    .filter(({ others, rule }) => {
      const key =
        rule.cards.length === 1 && rule.cards[0]?.lines.length === 1
          ? JSON.stringify(rule)
          : others.join();
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, limit)
    .map(({ rule, others }) => ({ rule, others }));
}

const isWithin = (inner: Bits, outer: Bits): boolean =>
  inner.every((word, i) => (word & ~(outer[i] ?? 0)) === 0);

function priceOf({ cards }: Rule, others: number): number {
  const lines = cards.flatMap((card) => card.lines);
  return (
    others * cost.other +
    lines.length * cost.line +
    lines.reduce((sum, line) => sum + (line.values.length - 1) * cost.value, 0) +
    (cards.length - 1) * cost.card
  );
}

/** Values by which a plugin could be gathered. */
function valuesOf(
  at: number,
  index: CatalogIndex,
): (readonly [field: Field, relation: Relation, value: string])[] {
  const { texts, sets, types } = index.at(at);
  const words = [...new Set(texts.name.flatMap((name) => name.words))].filter(
    (word) => word.length > 2 && (!isGenericWord(word) || word.length > 3),
  );
  return [
    ...[...types, ...sets.type].map((type) => ['type', 'is', type] as const),
    ...texts.vendor.map((vendor) => ['vendor', 'is', vendor.shown] as const),
    ...words.map((word) => ['name', 'has word', word] as const),
    ...texts.tag.map((tag) => ['tag', 'is', tag.shown] as const),
    ...sets.kind.map((kind) => ['kind', 'is', kind] as const),
    ...sets.format.map((format) => ['format', 'is only', format] as const),
  ];
}

/**
 * For each field, a line that takes in all of the wanted: of its values those that cover them with
 * the fewest others.
 */
function candidateLines(
  positions: readonly number[],
  index: CatalogIndex,
  where: RuleContext,
  target: Bits,
): Try[] {
  const byField = grouped(
    positions.flatMap((at) =>
      valuesOf(at, index).map(
        ([field, relation, value]) => [`${field}\n${relation}`, value] as const,
      ),
    ),
  );
  return [...byField]
    .flatMap(([key, values]): Try[] => {
      const [field, relation] = key.split('\n') as [Field, Relation];
      const tries = [...new Set(values)].map((value): Try => {
        const line: Line = { field, relation, values: [value] };
        return { line, bits: index.line(line, where) };
      });
      const chosen = coverWith(tries, target, valuesTried);
      const line: Line | null = chosen && {
        field,
        relation,
        values: chosen.map((one) => one.line.values[0] ?? ''),
      };
      return line ? [{ line, bits: index.line(line, where) }] : [];
    })
    .slice(0, linesTried);
}

/**
 * Greedy: each time the one that takes in most of what is missing for the fewest others. Null when
 * they cannot cover it.
 */
function coverWith(tries: readonly Try[], target: Bits, most: number): Try[] | null {
  const missing = target.slice();
  const chosen: Try[] = [];
  for (
    let left = countBits(missing, missing.length * 32);
    left > 0;
    left = countBits(missing, missing.length * 32)
  ) {
    const worth = ({ bits }: Try): number => {
      const gained = countBits(keepBoth(bits.slice(), missing), bits.length * 32);
      return gained === 0
        ? 0
        : gained / (1 + countBits(takeAway(bits.slice(), target), bits.length * 32) + cost.value);
    };
    const best = tries
      .map((one) => ({ one, worth: worth(one) }))
      .sort((a, b) => b.worth - a.worth)[0];
    if (!best || best.worth === 0 || chosen.length === most) {
      return null;
    }
    chosen.push(best.one);
    takeAway(missing, best.one.bits);
  }
  return chosen;
}

const single = (lines: readonly Try[]): Rule[] =>
  lines.map(({ line }) => ({ cards: [{ lines: [line] }], never: [] }));

const pairs = (lines: readonly Try[]): Rule[] =>
  lines.flatMap(({ line }, i) =>
    lines
      .slice(i + 1)
      .map((other): Rule => ({ cards: [{ lines: [line, other.line] }], never: [] })),
  );

/** Several cards, each for a part of the wanted: the values of all fields together, one line a field. */
function cover(
  positions: readonly number[],
  index: CatalogIndex,
  where: RuleContext,
  target: Bits,
): Rule[] {
  const all = new Map(
    positions
      .flatMap((at) => valuesOf(at, index))
      .map(
        ([field, relation, value]) =>
          [
            `${field}\n${relation}\n${value}`,
            { field, relation, values: [value] } satisfies Line,
          ] as const,
      ),
  );
  const chosen = coverWith(
    [...all.values()].map((line): Try => ({ line, bits: index.line(line, where) })),
    target,
    valuesTried,
  );
  if (!chosen) {
    return [];
  }
  const byField = grouped(
    chosen.map(({ line }) => [`${line.field}\n${line.relation}`, line] as const),
  );
  return [
    {
      cards: [...byField.values()].map((lines) => ({
        lines: [{ ...(lines[0] as Line), values: lines.flatMap((line) => line.values) }],
      })),
      never: [],
    },
  ];
}
