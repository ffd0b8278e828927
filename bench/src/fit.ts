/**
 * Fits the weights of classification (core/src/identify/weights.data.ts): log loss over all groups
 * of types, by coordinate search around the kept values, which also hold it back. Fitted on swh-lv2
 * and swh-plugins only; measured on the others. The words were chosen by somebody who knew these
 * names, so the truth is softened: a name is taken to mislead one time in twenty-four, a
 * declaration one time in sixty.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  evidenceOf,
  groupOf,
  groupProbability,
  typeGroups,
  weights as current,
  type Subject,
  type Weights,
} from '@clever-drawer/core';
import { readKnown, type Known } from './lv2-truth.ts';

const file = join(import.meta.dirname, '../../core/src/identify/weights.data.ts');
/** Common practice, before fitting. */
const kept: Weights = {
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
};
const fittedNames = [
  'base',
  'clear',
  'hint',
  'faint',
  'part',
  'describing',
  'rival',
  'declared',
  'notDeclared',
] as const;
const softness = 1 / 24;
const softnessShown = 1 / 60;
const pull = 4;

interface View {
  readonly subject: Subject;
  readonly groups: ReadonlySet<string>;
  readonly counts: number;
  readonly softness: number;
}

/** Each plugin with its class hidden, and (counting less) shown. */
const viewsOf = (known: readonly Known[]): View[] =>
  known.flatMap(({ subject, groups, declared }) => [
    { subject, groups, counts: 1, softness },
    { subject: { ...subject, declared }, groups, counts: 0.5, softness: softnessShown },
  ]);

function loss(views: readonly View[], w: Weights): number {
  let sum = 0;
  for (const { subject, groups, counts, softness: soft } of views) {
    const pieces = evidenceOf(subject, w);
    for (const { id } of typeGroups) {
      const p = Math.min(
        0.9999,
        Math.max(
          0.0001,
          groupProbability(
            id,
            pieces.filter((piece) => groupOf(piece.type) === id),
            w,
          ),
        ),
      );
      const truth = groups.has(id) ? 1 - soft : soft / typeGroups.length;
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

function fit(views: readonly View[], start: Weights): Weights {
  let best = start;
  let least = loss(views, start);
  for (let step = 0.25; step > 0.01; step /= 2) {
    for (let again = true; again; ) {
      again = false;
      for (const name of fittedNames) {
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

const known = readKnown();
const seen = known.filter(({ set }) => set.startsWith('swh'));
const kept2 = known.filter(({ set }) => !set.startsWith('swh'));
const start = { ...kept, common: commonness(seen) };
const fitted = fit(viewsOf(seen), start);
const rounded = Object.fromEntries(
  Object.entries(fitted).map(([name, value]) => [
    name,
    typeof value === 'number' ? Number(value.toFixed(2)) : (value as Weights['common']),
  ]),
) as unknown as Weights;
console.log(
  `log loss a plugin: fitted sets ${(loss(viewsOf(seen), start) / seen.length).toFixed(3)} → ${(loss(viewsOf(seen), rounded) / seen.length).toFixed(3)}, others ${(loss(viewsOf(kept2), start) / kept2.length).toFixed(3)} → ${(loss(viewsOf(kept2), rounded) / kept2.length).toFixed(3)}`,
);
const source = readFileSync(file, 'utf8');
const marker = '// Written by `npm run fit`:\n';
writeFileSync(
  file,
  `${source.slice(0, source.indexOf(marker))}${marker}export const weights: Weights = ${JSON.stringify(
    rounded,
    null,
    2,
  )
    .replace(/"(\w+)":/g, '$1:')
    .replaceAll('"', "'")};\n`,
);
