/**
 * Fits the weights of classification: log loss over all groups of types, by coordinate search around
 * the kept values, which also hold it back. Nothing is certain: the truth is softened by one in sixty.
 * How often the likeliest comes true is fitted last, on the plugins' own first suggestions.
 */
import {
  evidenceOf,
  groupLogOdds,
  scaledLogOdds,
  weights as current,
  type Subject,
  type Weights,
} from '@clever-drawer/core/identify';
import { groupOf, typeGroups } from '@clever-drawer/core/taxonomy';
import type { Known } from './lv2-truth.ts';

/** Common practice, before fitting. */
export const kept: Weights = {
  ...current,
  base: -3.1,
  common: {},
  clear: 4.6,
  hint: 2.9,
  faint: 1.2,
  part: 0.8,
  describing: 0.5,
  rival: 0.6,
  declared: 7,
  notDeclared: 2.5,
  ports: 1,
  controls: 1,
  description: 0.5,
  besideName: 0.7,
};
export const fittedNames = [
  'base',
  'clear',
  'hint',
  'faint',
  'part',
  'describing',
  'rival',
  'declared',
  'notDeclared',
  'ports',
  'controls',
  'description',
  'besideName',
] as const;
export type FittedName = (typeof fittedNames)[number];
/** How often the truth is taken to be another one. */
const softness = 1 / 60;
const pull = 1;

export interface View {
  readonly subject: Subject;
  readonly groups: ReadonlySet<string>;
  readonly counts: number;
}

/**
 * Each plugin with its class hidden, and (counting less) shown, or with its name hidden as well: that
 * is what is known of those called by a fancy. A maker with many counts for the root
 * of their number: its plugins are alike, and so are its mistakes.
 */
export function viewsOf(known: readonly Known[]): View[] {
  const sizes = new Map<string, number>();
  for (const one of known) {
    sizes.set(makerOf(one), (sizes.get(makerOf(one)) ?? 0) + 1);
  }
  return known.flatMap((one) => {
    const { subject, groups, declared } = one;
    const counts = 4 / Math.sqrt(sizes.get(makerOf(one)) ?? 1);
    return [
      { subject, groups, counts },
      { subject: { ...subject, declared }, groups, counts: counts / 2 },
      { subject: { ...subject, name: '' }, groups, counts: counts / 2 },
    ];
  });
}

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));
/** No probability is taken for certain: its logarithm would be without bounds. */
const bounded = (p: number): number => Math.min(0.9999, Math.max(0.0001, p));

/** Log loss over all groups, with what holds the weights back. */
export function loss(views: readonly View[], w: Weights): number {
  let sum = 0;
  for (const { subject, groups, counts } of views) {
    const pieces = evidenceOf(subject, w);
    for (const { id } of typeGroups) {
      const own = pieces.filter((piece) => groupOf(piece.type) === id);
      const p = bounded(logistic(groupLogOdds(id, own, w)));
      const truth = groups.has(id) ? 1 - softness : softness / typeGroups.length;
      sum -= counts * (truth * Math.log(p) + (1 - truth) * Math.log(1 - p));
    }
  }
  return (
    sum + pull * fittedNames.reduce((total, name) => total + Math.log(w[name] / kept[name]) ** 2, 0)
  );
}

/**
 * How much commoner than the average each group is in the sample, with every group counted three
 * times more.
 */
function commonness(known: readonly Known[]): Record<string, number> {
  const counts = typeGroups.map(
    ({ id }) => known.filter(({ groups }) => groups.has(id)).length + 3,
  );
  const mean = Math.exp(counts.reduce((sum, n) => sum + Math.log(n), 0) / counts.length);
  return Object.fromEntries(
    typeGroups.map(({ id }, i) => [
      id,
      Number((0.25 * Math.log((counts[i] ?? mean) / mean)).toFixed(2)),
    ]),
  );
}

/** The weights that fit these plugins best. */
export function fitWeights(known: readonly Known[]): Weights {
  const views = viewsOf(known);
  const best = descend(views, { ...kept, common: commonness(known) }, fittedNames);
  return rounded({ ...best, ...fitScaling(views, best) });
}

/** The current weights with these few fitted to the plugins. */
export const fitSome = (known: readonly Known[], names: readonly FittedName[]): Weights =>
  rounded(descend(viewsOf(known), current, names));

/** Coordinate search for the least loss, of these weights alone. */
function descend(views: readonly View[], start: Weights, names: readonly FittedName[]): Weights {
  let best = start;
  let least = loss(views, start);
  for (let step = 0.25; step > 0.01; step /= 2) {
    for (let again = true; again; ) {
      again = false;
      for (const name of names) {
        for (const factor of [1 + step, 1 / (1 + step)]) {
          const next = { ...best, [name]: best[name] * factor };
          const value = loss(views, next);
          if (value < least - 1e-6) {
            [best, least, again] = [next, value, true];
          }
        }
      }
    }
  }
  return best;
}

/** Shift and slope (Platt scaling) by which the likeliest group of each plugin comes true as often as is said. */
function fitScaling(views: readonly View[], w: Weights): Pick<Weights, 'shift' | 'slope'> {
  const firsts = views.map(({ subject, groups, counts }) => {
    const pieces = evidenceOf(subject, w);
    const best = typeGroups
      .map(({ id }) => ({
        id,
        logOdds: groupLogOdds(
          id,
          pieces.filter((piece) => groupOf(piece.type) === id),
          w,
        ),
      }))
      .reduce((a, b) => (b.logOdds > a.logOdds ? b : a));
    return { counts, x: best.logOdds, isRight: groups.has(best.id) };
  });
  const lossOf = (shift: number, slope: number): number =>
    firsts.reduce((sum, { counts, x, isRight }) => {
      const p = bounded(logistic(scaledLogOdds(x, { shift, slope })));
      return sum - counts * Math.log(isRight ? p : 1 - p);
    }, 0);
  let best = { shift: 0, slope: 1 };
  for (let step = 0.4; step > 0.01; step /= 2) {
    for (let again = true; again; ) {
      const tried = [-1, 1].flatMap((sign) => [
        { ...best, shift: best.shift + sign * step },
        { ...best, slope: best.slope + sign * step },
      ]);
      const better = tried.find(
        ({ shift, slope }) => lossOf(shift, slope) < lossOf(best.shift, best.slope) - 1e-6,
      );
      again = better !== undefined;
      best = better ?? best;
    }
  }
  return best;
}

const rounded = (weights: Weights): Weights =>
  Object.fromEntries(
    Object.entries(weights).map(([name, value]) => [
      name,
      typeof value === 'number' ? Number(value.toFixed(2)) : (value as Weights['common']),
    ]),
  ) as unknown as Weights;

/** Packages of one maker, which are left out together. */
export const makerOf = ({ set }: Known): string => (set.startsWith('swh-') ? 'swh' : set);

/** For each maker the weights that were fitted without its plugins. */
export function fitWithoutEach(known: readonly Known[]): ReadonlyMap<string, Weights> {
  const makers = [...new Set(known.map(makerOf))];
  return new Map(
    makers.map((maker) => [maker, fitWeights(known.filter((one) => makerOf(one) !== maker))]),
  );
}
