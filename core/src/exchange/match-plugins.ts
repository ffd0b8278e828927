/**
 * Which plugin of another computer is which of here: the same by identity, likely by what copies tell
 * of each other, asked where it is not clear, else missing.
 *
 * The probabilities are common practice with no source; docs/benchmarks.md says how often they come
 * true on real packages whose relations are declared.
 */
import { gatherCopies, type CopyToIdentify } from '../identify/identify-catalog.ts';
import { foldVendor } from '../identify/gather-vendors.ts';
import { isGenericWord } from '../identify/generic-words.ts';
import { nameKeyOf } from '../identify/name-key.ts';
import { grouped } from '../grouped.ts';
import { fold } from '../text/fold.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import { identityOf } from './document.ts';
import { productOf, type Product } from './product-name.ts';

/** How sure it is. */
export const matchHows = ['same', 'likely', 'ask', 'missing'] as const;
/** One of the ways. */
export type MatchHow = (typeof matchHows)[number];

/** A plugin with what its copies tell. */
export interface ToMatch {
  readonly id: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly copies: readonly FoundCopy[];
}

/** A plugin of here that may be meant, 0 to 1, and why. */
export interface MatchChoice {
  readonly plugin: string;
  readonly probability: number;
  readonly because: string;
}

/** What became of one plugin. `choices` are best first; the first is taken unless it is asked. */
export interface Match {
  readonly from: string;
  readonly how: MatchHow;
  readonly choices: readonly MatchChoice[];
}

/** Finds each plugin of `wanted` among those `here`. */
export function matchPlugins(wanted: readonly ToMatch[], here: readonly ToMatch[]): Match[] {
  const byIdentity = matchIdentities(wanted, here);
  const unknown = wanted.filter(({ id }) => !byIdentity.has(id));
  const byName = matchNames(
    unknown.filter(({ copies }) => copies.length === 0),
    here,
  );
  const left = unknown.filter(({ id }) => !byName.has(id));
  const byCopies = matchCopies(left, wanted, here);
  const stillLeft = left.filter(({ id }) => !byCopies.has(id));
  const spoken = new Set(
    [...byIdentity.values(), ...byName.values(), ...byCopies.values()].flatMap(
      ({ how, choices }) => (how === 'ask' ? [] : choices.slice(0, 1).map(({ plugin }) => plugin)),
    ),
  );
  const byProduct = matchProducts(stillLeft, here, spoken);
  return wanted.map(
    ({ id }) =>
      byIdentity.get(id) ??
      byName.get(id) ??
      byCopies.get(id) ??
      byProduct.get(id) ?? { from: id, how: 'missing', choices: [] },
  );
}

/** Plugins of which only the name is told: those of that name, and of that vendor where it is told. */
function matchNames(wanted: readonly ToMatch[], here: readonly ToMatch[]): Map<string, Match> {
  const named = grouped(here.map((plugin) => [fold(plugin.name), plugin] as const));
  const found = new Map<string, Match>();
  for (const { id, name, vendor } of wanted) {
    const alike = (named.get(fold(name)) ?? []).filter(
      (one) => vendor === null || foldVendor(one.vendor) === foldVendor(vendor),
    );
    if (alike.length > 0) {
      const choices = alike.map((one) => ({
        plugin: one.id,
        probability: rounded(0.9 / alike.length),
        because: 'it is called the same',
      }));
      found.set(id, { from: id, how: alike.length === 1 ? 'likely' : 'ask', choices });
    }
  }
  return found;
}

const none = {
  assignments: new Map<string, { plugin: string; before: string }>(),
  spellings: new Map<string, string>(),
  used: new Set<string>(),
};

/** Those of which a copy has the very same identity. */
function matchIdentities(wanted: readonly ToMatch[], here: readonly ToMatch[]): Map<string, Match> {
  const owners = grouped(
    here.flatMap(({ id, copies }) =>
      copies.filter(hasIdentity).map((copy) => [identityOf(copy), id] as const),
    ),
  );
  const found = new Map<string, Match>();
  for (const { id, copies } of wanted) {
    const votes = copies.filter(hasIdentity).flatMap((copy) => owners.get(identityOf(copy)) ?? []);
    const plugins = mostFirst(votes);
    if (plugins.length > 0) {
      const choices = plugins.map((plugin) => ({
        plugin,
        probability: plugins.length === 1 ? 0.99 : 0.5,
        because: 'it has a copy of the same identity',
      }));
      // Where its copies are several plugins here, the one with most of them is it.
      found.set(id, { from: id, how: 'same', choices: choices.slice(0, 1) });
    }
  }
  return found;
}

const hasIdentity = (copy: FoundCopy): boolean => copy.identity !== null;

/** Each value once, those that stand there most often first. */
function mostFirst(values: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const value of values) {
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  return [...counts].sort(([, a], [, b]) => b - a).map(([value]) => value);
}

/** A copy of one of the two sides. */
interface Sided {
  readonly side: 'there' | 'here';
  readonly plugin: ToMatch;
  readonly facts: FoundCopy;
}

/** Those whose copies the rules of joining put together with copies of here, or are in doubt about. */
function matchCopies(
  left: readonly ToMatch[],
  wanted: readonly ToMatch[],
  here: readonly ToMatch[],
): Map<string, Match> {
  const isLeft = new Set(left.map(({ id }) => id));
  const sided = [...sidedCopies(wanted, 'there'), ...sidedCopies(here, 'here')];
  const { groups, doubts } = gatherCopies(sided.map(toIdentify), none);
  const sure = new Map<string, Map<string, MatchChoice>>();
  const unsure = new Map<string, Map<string, MatchChoice>>();
  const pairs = groups.flatMap(({ members, reasons }) =>
    crossing(members.flatMap((at) => sided[at] ?? [])).map((pair) => ({ ...pair, reasons })),
  );
  for (const { there, here: one, reasons } of pairs) {
    note(sure, there.plugin.id, {
      plugin: one.plugin.id,
      probability: 0.97,
      because: joined(there, one, reasons),
    });
  }
  for (const { a, b, sum, pieces } of doubts) {
    const pair = crossing([sided[a], sided[b]].flatMap((one) => one ?? []))[0];
    if (pair) {
      note(unsure, pair.there.plugin.id, {
        plugin: pair.here.plugin.id,
        probability: rounded(1 / (1 + Math.exp(-sum))),
        because: pieces
          .filter(({ says }) => says !== 'base')
          .map(({ reason }) => reason)
          .join('; '),
      });
    }
  }
  const found = new Map<string, Match>();
  for (const id of isLeft) {
    const match = chosen(
      id,
      [...(sure.get(id)?.values() ?? [])],
      [...(unsure.get(id)?.values() ?? [])],
    );
    if (match) {
      found.set(id, match);
    }
  }
  return found;
}

function chosen(
  from: string,
  sure: readonly MatchChoice[],
  unsure: readonly MatchChoice[],
): Match | null {
  if (sure.length === 1) {
    return { from, how: 'likely', choices: sure };
  }
  const choices = (sure.length > 1 ? sure : unsure).toSorted(
    (a, b) => b.probability - a.probability,
  );
  const share = sure.length > 1 ? sure.length : 1;
  return choices.length === 0
    ? null
    : {
        from,
        how: 'ask',
        choices: choices.map((choice) => ({
          ...choice,
          probability: rounded(choice.probability / share),
        })),
      };
}

const rounded = (probability: number): number => Math.round(probability * 1000) / 1000;

const sidedCopies = (plugins: readonly ToMatch[], side: Sided['side']): Sided[] =>
  plugins.flatMap((plugin) => plugin.copies.map((facts) => ({ side, plugin, facts })));

const toIdentify = ({ facts }: Sided, at: number): CopyToIdentify => ({
  id: String(at),
  facts,
  isPresent: true,
  plugin: null,
});

/** Each plugin of there with each of here among some copies. */
function crossing(copies: readonly Sided[]): { there: Sided; here: Sided }[] {
  const there = copies.filter(({ side }) => side === 'there');
  const here = copies.filter(({ side }) => side === 'here');
  return there.flatMap((one) => here.map((other) => ({ there: one, here: other })));
}

function note(
  known: Map<string, Map<string, MatchChoice>>,
  from: string,
  choice: MatchChoice,
): void {
  const choices = known.get(from) ?? new Map<string, MatchChoice>();
  const before = choices.get(choice.plugin);
  if (!before || before.probability < choice.probability) {
    choices.set(choice.plugin, choice);
  }
  known.set(from, choices);
}

/** "another format: LV2 → VST3; their names are the same and …". */
function joined(there: Sided, here: Sided, reasons: readonly string[]): string {
  const formats =
    there.facts.format === here.facts.format
      ? []
      : [`another format: ${there.facts.format} → ${here.facts.format}`];
  const spelling = there.plugin.name === here.plugin.name ? [] : ['another spelling'];
  return [...formats, ...spelling, ...reasons].join('; ');
}

/** Newer versions and other editions of the same vendor's product, which nobody else is. */
function matchProducts(
  left: readonly ToMatch[],
  here: readonly ToMatch[],
  spoken: ReadonlySet<string>,
): Map<string, Match> {
  const free = here
    .filter(({ id }) => !spoken.has(id))
    .map((plugin) => ({ plugin, ...knownOf(plugin) }));
  const byProduct = grouped(free.map((one) => [one.key, one] as const));
  const found = new Map<string, Match>();
  for (const plugin of left) {
    const own = knownOf(plugin);
    const choices = (own.key === '' ? [] : (byProduct.get(own.key) ?? []))
      .filter((other) => own.vendor === '' || other.vendor === '' || other.vendor === own.vendor)
      .map((other) => choiceOf(own, other))
      .sort((a, b) => b.probability - a.probability);
    const [first, second] = choices;
    if (first) {
      const isLikely = !second && first.probability >= 0.8;
      found.set(plugin.id, { from: plugin.id, how: isLikely ? 'likely' : 'ask', choices });
    }
  }
  return found;
}

interface KnownProduct extends Product {
  readonly vendor: string;
  readonly key: string;
}

/** Empty as key where the name does not tell a product from others. */
function knownOf({ name, vendor }: ToMatch): KnownProduct {
  const product = productOf(name);
  const { bare, isTelling } = nameKeyOf(product.base, vendor, false, isGenericWord);
  return { ...product, vendor: foldVendor(vendor), key: isTelling ? bare : '' };
}

/** Newer or fuller is what one would take; older or lesser is asked. */
function choiceOf(
  own: KnownProduct,
  other: KnownProduct & { readonly plugin: ToMatch },
): MatchChoice {
  const isSameVendor = own.vendor !== '' && own.vendor === other.vendor;
  const isLess = other.number < own.number || (other.isLite && !own.isLite);
  const words = [
    other.number > own.number ? 'a newer version' : '',
    other.number < own.number ? 'an older version' : '',
    own.isLite && !other.isLite ? 'the full one of a lite one' : '',
    other.isLite && !own.isLite ? 'a lite one of the full one' : '',
  ].filter((word) => word !== '');
  return {
    plugin: other.plugin.id,
    probability: isSameVendor && !isLess ? 0.8 : 0.5,
    because: [
      ...(words.length > 0 ? words : ['another edition']),
      isSameVendor ? 'of the same vendor' : 'of an unknown vendor',
    ].join(' '),
  };
}
