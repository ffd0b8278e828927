/** Figures and findings about a collection. Nothing in core imports this file. */
export type { ComingMonth } from './comings.ts';
export type { Doubling } from './doubles.ts';
export { dustAges, dustLoads, type DustMark } from './dust.ts';
export type { EndingTrial } from './ending.ts';
export type { KeysOfMonth, SlowPlugin } from './keys.ts';
export { materialOf, type ReviewSource } from './material.ts';
export type { CopiesOfFormat, RetirableCopy } from './old-copies.ts';
export type { NearFolders, OrderHealth, Stranger } from './order-health.ts';
export type { MakerCell, Makers, Owned, OwnedGroup } from './owned.ts';
export {
  reviewPart,
  reviewParts,
  type ChangesReview,
  type OrderReview,
  type OwnReview,
  type ReviewPart,
  type ReviewParts,
  type UseReview,
  type WorthReview,
} from './review.ts';
export type {
  AskingSession,
  Coming,
  PastUse,
  ReviewMaterial,
  ReviewWish,
  StudiedCopy,
  StudiedFolder,
  StudiedPlugin,
} from './studied.ts';
export type { LoadedAfter, Recurring } from './together.ts';
export { tryAgainOf, weekOf } from './try-again.ts';
export {
  periods,
  usualView,
  viewOf,
  wholeReview,
  wishOf,
  type Period,
  type ReviewView,
} from './view.ts';
export type { MonthCell, MonthRows, Months } from './when.ts';
export { tiesIn, tieWords, type Tie } from './ties.ts';
export { toTryAgain, type Advice, type AdviceKind } from './worth-doing.ts';
