/** What is asked about a studio: what sorting left uncertain, without what the user has answered. */
import type { SortFacts, SortGround, Uncertain } from '../identify/questions.ts';
import type { Answer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { allCopyAssignments, allSpellings, type Order } from '../order/records.ts';

/** What questions are made of. `plugins` are as the user has them; chains are none to ask about. */
export const uncertainOf = (
  plugins: readonly Plugin[],
  answers: ReadonlyMap<string, Answer>,
  order: Order,
  { grounds, doubts, vendors, near }: SortFacts,
): Uncertain => ({
  plugins: plugins.filter(({ chain }) => chain === undefined),
  answers,
  grounds: new Map(grounds.map((one) => [one.plugin as string, one])),
  decided: new Set(allSpellings(order).map(({ spelling }) => spelling)),
  pinned: new Set(allCopyAssignments(order).map(({ id }) => id as string)),
  doubts,
  vendors,
  near,
});

/** What is uncertain, as the last sorting found it; with the answers in the order it makes the questions. */
export interface SortView extends SortFacts {
  readonly version: number;
}

/** What became of it up to a version. */
export interface SortChange extends Omit<SortFacts, 'grounds'> {
  readonly version: number;
  readonly changed: readonly SortGround[];
  readonly removed: readonly string[];
}

/** What is uncertain after something became of it; a ground that is the same stays the same object. */
export function changeSort(before: SortView, { changed, removed, ...now }: SortChange): SortView {
  const isOther = new Set<string>([...removed, ...changed.map(({ plugin }) => plugin)]);
  const same = before.grounds.filter(({ plugin }) => !isOther.has(plugin));
  return { ...now, grounds: [...same, ...changed] };
}
