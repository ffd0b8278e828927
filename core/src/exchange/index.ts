/** What leaves and comes in; documents stand in `documents`. Nothing in core imports this file. */
export { copiesEnd, copiesHead, readCopiesFrame } from './copies-file.ts';
export { copyLineOf, readCopyLine, type CopyLine } from './copy-line.ts';
export {
  matchPlugins,
  matchHows,
  type Match,
  type MatchChoice,
  type MatchHow,
  type ToMatch,
} from './match-plugins.ts';
export { diffRecords, mergeModes, mergeRecords, type MergeMode } from './merge-order.ts';
export {
  changeAbouts,
  changeWhats,
  describeChange,
  type ChangeLine,
  type DescribedChange,
} from './describe-change.ts';
export { planShelf, type ShelfEntry, type ShelfPlan, type ShelfWish } from './shelf.ts';
