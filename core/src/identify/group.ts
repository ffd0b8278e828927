/**
 * Copies into plugins: which copies are one product, why, and where that is in doubt. Depends on
 * the copies alone, not on their order.
 */
import { grouped } from '../grouped.ts';
import { compareTexts } from '../text/compare.ts';
import type { IsGeneric } from './name-key.ts';
import {
  askAt,
  compareCopies,
  joinAt,
  membersOf,
  sameWeights,
  sumOf,
  type GroupedCopy,
  type Member,
  type SamePiece,
} from './same-plugin.ts';

/**
 * A copy to be grouped. `pin` is what the user joined it with or parted it from: equal pins stay
 * together, different ones apart.
 */
export interface ToGroup {
  readonly copy: GroupedCopy;
  readonly vendor: string | null;
  readonly pin: string | null;
  /** Whether the user said so in as many words. */
  readonly isSaid?: boolean;
}

/** Copies that are one plugin, by their positions, and why. */
export interface Group {
  /** Positions in what was given, ascending. */
  readonly members: readonly number[];
  readonly pin: string | null;
  /** Why these are one plugin; empty for a single copy. */
  readonly reasons: readonly string[];
}

/** Two groups that may be one plugin. */
export interface Doubt {
  /** Positions of a copy of each. */
  readonly a: number;
  readonly b: number;
  /** In log-odds. */
  readonly sum: number;
  readonly pieces: readonly SamePiece[];
}

/** All groups, and pairs about which one should ask. */
export interface Grouped {
  readonly groups: readonly Group[];
  readonly doubts: readonly Doubt[];
}

/** Of one name at most this many distinct copies are compared with each other. */
const blockLimit = 300;

/** Gathers copies into plugins. What comes out does not depend on their order. */
export function groupCopies(given: readonly ToGroup[], isGeneric: IsGeneric): Grouped {
  const members = membersOf(given, isGeneric);
  const order = contentOrder(members);
  const clusters = new Clusters(given, members);
  const sets = [
    ...grouped(order.map((at) => [twinKey(members[at] as Member), at] as const)).values(),
  ];
  const alike = twins(members, sets);
  joinPinned(given, clusters);
  for (const twin of alike) {
    clusters.join(twin.a, twin.b, twin.pieces);
  }
  const edges = [
    ...pairsToCompare(members, order, sets).map(({ a, b, facts }) => ({
      a,
      b,
      pieces: compareCopies(members[a] as Member, members[b] as Member, facts),
    })),
    ...alike,
  ].map((edge) => ({ ...edge, sum: sumOf(edge.pieces) }));
  const rank = new Map(order.map((at, i) => [at, i]));
  const rankOf = (at: number): number => rank.get(at) ?? 0;
  const first = ({ a, b }: Doubt): number => Math.min(rankOf(a), rankOf(b));
  const last = ({ a, b }: Doubt): number => Math.max(rankOf(a), rankOf(b));
  edges.sort((x, y) => y.sum - x.sum || first(x) - first(y) || last(x) - last(y));
  for (const edge of edges) {
    if (edge.sum >= joinAt) {
      clusters.join(edge.a, edge.b, edge.pieces);
    }
  }
  return { groups: clusters.groups(), doubts: doubtsIn(edges, clusters) };
}

/** An order that only what the copies say decides. */
function contentOrder(members: readonly Member[]): number[] {
  const keys = members.map(
    ({ copy }) => `${copy.format}\n${copy.identity ?? ''}\n${copy.name ?? ''}\n${copy.path}`,
  );
  return [...keys.keys()].sort((a, b) => compareTexts(keys[a] ?? '', keys[b] ?? '') || a - b);
}

interface Pair {
  readonly a: number;
  readonly b: number;
  readonly facts: { readonly claims: number; readonly isVendorUnclear: boolean };
}

/** Copies that agree in all that is compared (a set each) need no comparing: each with the first of them. */
function twins(
  members: readonly Member[],
  sets: readonly (readonly number[])[],
): { a: number; b: number; pieces: SamePiece[] }[] {
  return sets.flatMap(([first = 0, ...rest]) =>
    rest
      .map((b) => ({
        a: first,
        b,
        pieces: compareCopies(members[first] as Member, members[b] as Member, {
          claims: 0,
          isVendorUnclear: false,
        }),
      }))
      .filter(({ pieces }) => sumOf(pieces) >= joinAt),
  );
}

const twinKey = ({ name, vendor, copy, shorts }: Member): string =>
  JSON.stringify([
    name.key,
    name.bare,
    name.width,
    vendor,
    copy.kind,
    copy.audioIn,
    copy.audioOut,
    shorts,
    copy.replaces,
    vendor === '' ? copy.path : '',
  ]);

function joinPinned(given: readonly ToGroup[], clusters: Clusters): void {
  for (const [first = 0, ...rest] of grouped(
    given.flatMap(({ pin }, at) => (pin === null ? [] : [[pin, at] as const])),
  ).values()) {
    for (const at of rest) {
      clusters.join(first, at, [
        { says: 'pin', weight: 99, reason: given[at]?.isSaid ? 'you said so' : '' },
      ]);
    }
  }
}

/** Pairs with a name, an identity or a declaration in common; of twins only the first takes part. */
function pairsToCompare(
  members: readonly Member[],
  order: readonly number[],
  sets: readonly (readonly number[])[],
): Pair[] {
  const firsts = sets.map(([first = 0]) => first);
  const pairs = new Map<number, Pair>();
  const add = (x: number, y: number, claims: number, isVendorUnclear: boolean): void => {
    const [a, b] = x < y ? [x, y] : [y, x];
    const key = a * members.length + b;
    const known = pairs.get(key)?.facts;
    if (x !== y) {
      pairs.set(key, {
        a,
        b,
        facts: {
          claims: known?.claims ? Math.min(known.claims, claims || known.claims) : claims,
          isVendorUnclear: isVendorUnclear || (known?.isVendorUnclear ?? false),
        },
      });
    }
  };
  const at = (i: number): Member => members[i] as Member;
  for (const block of grouped(
    firsts.flatMap((i) =>
      [...new Set([at(i).name.key, at(i).name.bare])].map((key) => [key, i] as const),
    ),
  ).values()) {
    const isVendorUnclear =
      new Set(block.map((i) => at(i).vendor).filter((vendor) => vendor !== '')).size > 1;
    for (const [i, a] of block.slice(0, blockLimit).entries()) {
      for (const b of block.slice(i + 1, blockLimit)) {
        add(a, b, 0, isVendorUnclear);
      }
    }
  }
  for (const { nameless, named } of calledInside(members, firsts)) {
    for (const a of nameless.slice(0, blockLimit)) {
      for (const b of named.slice(0, blockLimit)) {
        add(a, b, 0, false);
      }
    }
  }
  for (const block of grouped(
    order.flatMap((i) =>
      at(i).copy.identity === null
        ? []
        : [[`${at(i).copy.format}\n${at(i).copy.identity ?? ''}`, i] as const],
    ),
  ).values()) {
    for (const b of block.slice(1)) {
      add(block[0] ?? 0, b, 0, false);
    }
  }
  for (const { a, b, claims } of declarations(members, order)) {
    add(a, b, claims, false);
  }
  return [...pairs.values()];
}

/** Copies that only their file names, with those that are called so inside. */
function calledInside(
  members: readonly Member[],
  firsts: readonly number[],
): { nameless: number[]; named: number[] }[] {
  const byFile = grouped(
    firsts.flatMap((i) => (members[i]?.fileKeys ?? []).map((key) => [key, i] as const)),
  );
  const byShort = grouped(
    firsts.flatMap((i) => (members[i]?.shorts ?? []).map((key) => [key, i] as const)),
  );
  return [...byFile].map(([key, nameless]) => ({ nameless, named: byShort.get(key) ?? [] }));
}

/** Who declares to stand in for whom; `claims` is how many different plugins claim the same one. */
function declarations(
  members: readonly Member[],
  order: readonly number[],
): { a: number; b: number; claims: number }[] {
  const at = (i: number): Member => members[i] as Member;
  const claimants = grouped(
    order.flatMap((i) => at(i).copy.replaces.map((old) => [old.toLowerCase(), i] as const)),
  );
  if (claimants.size === 0) {
    return [];
  }
  const identities = grouped(
    order.flatMap((i) => {
      const { copy, ladspaId } = at(i);
      return [
        ...(copy.identity === null ? [] : [[copy.identity.toLowerCase(), i] as const]),
        ...(ladspaId === null ? [] : [[`urn:ladspa:${ladspaId}`, i] as const]),
      ];
    }),
  );
  return [...claimants].flatMap(([old, claiming]) => {
    const claims = new Set(claiming.map((i) => at(i).name.key)).size;
    return claiming.flatMap((a) =>
      (identities.get(old) ?? []).slice(0, blockLimit).map((b) => ({ a, b, claims })),
    );
  });
}

/** What joins copies of different vendors. */
const acrossVendors: ReadonlySet<string> = new Set([
  'sameIdentity',
  'declared',
  'ownShort',
  'nearVendor',
  'pin',
]);

/**
 * Sets of copies that only grow. Different pins, and different vendors without a declaration, are
 * never joined.
 */
class Clusters {
  readonly #parent: number[];
  readonly #pins: Map<number, string>;
  readonly #vendors: Map<number, Set<string>>;
  /** What speaks for each, by its reason. */
  readonly #reasons = new Map<number, Map<string, SamePiece['says']>>();

  constructor(given: readonly ToGroup[], members: readonly Member[]) {
    this.#parent = given.map((_, i) => i);
    this.#pins = new Map(given.flatMap(({ pin }, i) => (pin === null ? [] : [[i, pin] as const])));
    this.#vendors = new Map(
      members.flatMap(({ vendor }, i) => (vendor === '' ? [] : [[i, new Set([vendor])] as const])),
    );
  }

  rootOf(at: number): number {
    let root = at;
    while (this.#parent[root] !== root) {
      root = this.#parent[root] ?? root;
    }
    this.#parent[at] = root;
    return root;
  }

  join(a: number, b: number, pieces: readonly SamePiece[]): void {
    const [x, y] = [this.rootOf(a), this.rootOf(b)];
    const [into, from] = x < y ? [x, y] : [y, x];
    if (into !== from && !this.#mayJoin(into, from, pieces)) {
      return;
    }
    this.#parent[from] = into;
    const pin = this.#pins.get(into) ?? this.#pins.get(from);
    if (pin !== undefined) {
      this.#pins.set(into, pin);
    }
    this.#vendors.set(
      into,
      new Set([...(this.#vendors.get(into) ?? []), ...(this.#vendors.get(from) ?? [])]),
    );
    const why = pieces
      .filter((piece) => piece.weight > 0 && piece.reason !== '')
      .map(({ reason, says }) => [reason, says] as const);
    this.#reasons.set(
      into,
      new Map([...(this.#reasons.get(into) ?? []), ...(this.#reasons.get(from) ?? []), ...why]),
    );
  }

  #mayJoin(a: number, b: number, pieces: readonly SamePiece[]): boolean {
    const [pinA, pinB] = [this.#pins.get(a), this.#pins.get(b)];
    if (pinA !== undefined && pinB !== undefined && pinA !== pinB) {
      return false;
    }
    const [vendorsA, vendorsB] = [this.#vendors.get(a), this.#vendors.get(b)];
    if (
      !vendorsA?.size ||
      !vendorsB?.size ||
      [...vendorsA].some((vendor) => vendorsB.has(vendor))
    ) {
      return true;
    }
    return pieces.some(({ says, weight }) => weight > 0 && acrossVendors.has(says));
  }

  groups(): Group[] {
    const members = grouped(this.#parent.map((_, i) => [String(this.rootOf(i)), i] as const));
    return [...members].map(([root, list]) => ({
      members: list,
      pin: this.#pins.get(Number(root)) ?? null,
      reasons: inOrder(this.#reasons.get(Number(root)) ?? new Map()),
    }));
  }
}

const places = Object.keys(sameWeights);

/**
 * Reasons in the order of the weights, what the user said first: the same ones in the same order,
 * whichever copies were compared first.
 */
const inOrder = (reasons: ReadonlyMap<string, SamePiece['says']>): string[] =>
  [...reasons]
    .sort(
      ([a, saysA], [b, saysB]) =>
        places.indexOf(saysA) - places.indexOf(saysB) || compareTexts(a, b),
    )
    .map(([reason]) => reason);

/** The best pair of each two groups that stayed apart, though something speaks for joining them. */
function doubtsIn(edges: readonly Doubt[], clusters: Clusters): Doubt[] {
  const seen = new Set<string>();
  return edges.filter(({ a, b, sum }) => {
    const roots = [clusters.rootOf(a), clusters.rootOf(b)].sort((x, y) => x - y);
    const key = roots.join(' ');
    return sum >= askAt && roots[0] !== roots[1] && !seen.has(key) && seen.add(key);
  });
}
