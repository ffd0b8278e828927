/** All figures of a review at once. */
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

/** What a review says. */
export interface Review {
  readonly plugins: number;
  readonly loads: number;
  readonly summary: readonly string[];
  readonly makers: Makers;
  readonly groups: readonly OwnedGroup[];
  readonly dust: readonly DustMark[];
  readonly byGroup: Months;
  readonly byTrack: Months;
  readonly pairs: readonly LoadedAfter[];
  readonly recurring: readonly Recurring[];
  readonly keys: readonly KeysOfMonth[];
  readonly letters: readonly { readonly letters: string; readonly times: number }[];
  readonly slow: readonly SlowPlugin[];
  readonly comings: readonly ComingMonth[];
  readonly formats: readonly CopiesOfFormat[];
  readonly retirable: readonly RetirableCopy[];
  readonly health: OrderHealth;
  readonly doubles: readonly Doubling[];
  readonly trials: readonly EndingTrial[];
  readonly advice: readonly Advice[];
}

/** How many pairs, rows and letters are told. */
const told = 40;

/**
 * Everything a review says. What gathers dust, what is worth doing, and how good the order is, go by
 * all loads that are known, whatever time is looked at.
 */
export function reviewOf(material: ReviewMaterial, wish: ReviewWish): Review {
  const meant = narrowMaterial(material, wish);
  const always = narrowMaterial(material, { ...wish, from: null, track: null });
  return {
    plugins: meant.plugins.length,
    loads: meant.uses.length,
    summary: summaryOf(meant),
    makers: makersOf(meant),
    groups: ownedByGroup(meant),
    dust: dustOf(always, wish.now),
    byGroup: monthsOf(meant, 'group'),
    byTrack: monthsOf(meant, 'track'),
    pairs: pairsOf(meant.uses).slice(0, told),
    recurring: recurringOf(meant.uses).slice(0, told),
    keys: keysByMonth(meant.uses),
    letters: lettersOf(meant.uses).slice(0, told),
    slow: slowOnes(meant.plugins, meant.uses).slice(0, told),
    comings: comingsByMonth(meant.comings),
    formats: copiesByFormat(meant.plugins),
    retirable: retirableOf(meant, material.sessions),
    health: orderHealth(always),
    doubles: doublingOf(always),
    trials: endingTrials(meant.plugins, wish.now),
    advice: worthDoing(always, wish.now),
  };
}
