/** What a scan found against what was known. Nothing in core imports this file. */
export {
  compare,
  copyKey,
  findingKinds,
  type Comparison,
  type FindingKind,
  type KnownCopy,
} from './compare.ts';
