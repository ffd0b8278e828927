/** Why smart folders hold what they hold: found when somebody looks, not for all that is in all folders. */
import { memoizeByObject } from '../memoize.ts';
import type { Folder } from '../order/records.ts';
import type { Candidate } from '../rules/evaluate/candidate.ts';
import { explain } from '../rules/evaluate/explain.ts';
import type { Arrangement } from './arrangement.ts';

const byId = memoizeByObject(
  (candidates: readonly Candidate[]) => new Map(candidates.map((one) => [one.id, one])),
);

/** Why a smart folder holds a plugin; null when it does not, and of other folders. */
export function because(
  { rules }: Arrangement,
  { rule, alwaysIn }: Folder,
  plugin: string,
): string | null {
  const candidate = rule && byId(rules.candidates).get(plugin);
  if (!candidate) {
    return null;
  }
  return alwaysIn.some((one) => one === plugin)
    ? 'always included, by hand'
    : explain(rule, candidate, rules.where, rules.words);
}
