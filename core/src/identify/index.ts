/** Copies to plugins, spellings to vendors, plugins to types, and questions. Nothing in core imports this file. */
export { groupCopies, type Doubt, type Group, type Grouped, type ToGroup } from './group.ts';
export { makesSound, nameKeyOf, type NameKey, type Width } from './name-key.ts';
export type { GroupedCopy, SamePiece } from './same-plugin.ts';
export {
  foldVendor,
  gatherVendors,
  nearMisses,
  noDecisions,
  vendorNames,
  type NearMiss,
  type SpellingDecisions,
  type Vendor,
} from './gather-vendors.ts';
export {
  classify,
  clearTypes,
  groupLogOdds,
  scaledLogOdds,
  type Classified,
  type KindReason,
  type Reason,
  type Suggestion,
} from './classify.ts';
export { evidenceOf, type Piece, type SeriesShare, type Subject } from './evidence.ts';
export { isGenericWord } from './generic-words.ts';
export { lexicon } from './lexicon.data.ts';
export { gatherSeries, type InSeries } from './series.ts';
export { gatherPrefixes } from './maker-prefix.ts';
export { weights, type Weights } from './weights.data.ts';
export { atFirstSight, nameOfCopies, subjectOf, type NamedPlugin } from './plugin-facts.ts';
export {
  isKindUncertain,
  isTypeUncertain,
  pluginsAsked,
  questionsOf,
  questionVariants,
  type SortFacts,
  type SortGround,
  type KindQuestion,
  type LicenceQuestion,
  type Question,
  type QuestionVariant,
  type TwinQuestion,
  type TypeQuestion,
  type Uncertain,
  type VendorGuess,
  type VendorQuestion,
} from './questions.ts';
export {
  identifyCatalog,
  identifyPlugins,
  type Decisions,
  type GatheredPlugin,
  gatherPlugin,
  type IdentifiedCatalog,
  type CopyToIdentify,
  type IdentifiedPlugin,
  type PluginEvidence,
  type TwinDoubt,
} from './identify-catalog.ts';
