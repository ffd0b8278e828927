/** A review in its parts. */
import { comingsByMonth, type ComingMonth } from './comings.ts';
import { doublingOf, type Doubling } from './doubles.ts';
import { dustOf, type DustMark } from './dust.ts';
import { endingTrials, type EndingTrial } from './ending.ts';
import { keysByMonth, lettersOf, slowOnes, type KeysOfMonth, type SlowPlugin } from './keys.ts';
import {
  copiesByFormat,
  retirableOf,
  type CopiesOfFormat,
  type RetirableCopy,
} from './old-copies.ts';
import { orderHealth, type OrderHealth } from './order-health.ts';
import { makersOf, ownedByGroup, type Makers, type OwnedGroup } from './owned.ts';
import { narrowMaterial, type ReviewMaterial, type ReviewWish } from './studied.ts';
import { summaryOf } from './summary.ts';
import { pairsOf, recurringOf, type LoadedAfter, type Recurring } from './together.ts';
import { monthsOf, type Months } from './when.ts';
import { worthDoing, type Advice } from './worth-doing.ts';

/** A summary, and what is worth doing: the latter by all loads, whatever time is looked at. */
export interface WorthReview {
  readonly summary: readonly string[];
  readonly advice: readonly Advice[];
}

/** What one owns. */
export interface OwnReview {
  readonly makers: Makers;
  readonly groups: readonly OwnedGroup[];
  readonly formats: readonly CopiesOfFormat[];
  readonly retirable: readonly RetirableCopy[];
  readonly doubles: readonly Doubling[];
}

/** What one uses; what gathers dust goes by all loads, whatever time is looked at. */
export interface UseReview {
  readonly dust: readonly DustMark[];
  readonly byGroup: Months;
  readonly byTrack: Months;
  readonly pairs: readonly LoadedAfter[];
  readonly recurring: readonly Recurring[];
  readonly keys: readonly KeysOfMonth[];
  readonly letters: readonly { readonly letters: string; readonly times: number }[];
  readonly slow: readonly SlowPlugin[];
}

/** What changed, and will. */
export interface ChangesReview {
  readonly comings: readonly ComingMonth[];
  readonly trials: readonly EndingTrial[];
}

/** How good the order is, by all loads. */
export interface OrderReview {
  readonly health: OrderHealth;
}

/** The parts of a review. */
export interface ReviewParts {
  readonly worth: WorthReview;
  readonly own: OwnReview;
  readonly use: UseReview;
  readonly changes: ChangesReview;
  readonly order: OrderReview;
}
/** The name of a part. */
export type ReviewPart = keyof ReviewParts;
/** The names of all parts, as they stand on the screen. */
export const reviewParts: readonly ReviewPart[] = ['worth', 'own', 'use', 'changes', 'order'];

/** How many pairs, rows and letters are told. */
const mostListed = 40;

const isOfAllTime = ({ from, track }: ReviewWish): boolean => from === null && track === null;

const always = (material: ReviewMaterial, wish: ReviewWish): ReviewMaterial =>
  narrowMaterial(material, { ...wish, from: null, track: null });

/** Each part by itself: only what is looked at is worked out. */
export const reviewPart: {
  readonly [P in ReviewPart]: (material: ReviewMaterial, wish: ReviewWish) => ReviewParts[P];
} = {
  worth: (material, wish) => {
    const all = always(material, wish);
    return {
      summary: summaryOf(isOfAllTime(wish) ? all : narrowMaterial(material, wish)),
      advice: worthDoing(all, wish.now),
    };
  },
  own: (material, wish) => {
    const meant = narrowMaterial(material, wish);
    return {
      makers: makersOf(meant),
      groups: ownedByGroup(meant),
      formats: copiesByFormat(meant.plugins),
      retirable: retirableOf(meant, material.sessions),
      doubles: doublingOf(always(material, wish)),
    };
  },
  use: (material, wish) => {
    const meant = narrowMaterial(material, wish);
    const { plugins, uses } = meant;
    return {
      dust: dustOf(always(material, wish), wish.now),
      byGroup: monthsOf(meant, 'group'),
      byTrack: monthsOf(meant, 'track'),
      pairs: pairsOf(uses).slice(0, mostListed),
      recurring: recurringOf(uses).slice(0, mostListed),
      keys: keysByMonth(uses),
      letters: lettersOf(uses).slice(0, mostListed),
      slow: slowOnes(plugins, uses).slice(0, mostListed),
    };
  },
  changes: (material, wish) => {
    const meant = narrowMaterial(material, wish);
    return {
      comings: comingsByMonth(meant.comings),
      trials: endingTrials(meant.plugins, wish.now),
    };
  },
  order: (material, wish) => ({ health: orderHealth(always(material, wish)) }),
};
