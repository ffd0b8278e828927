/** What core offers to the rest of Clever Drawer. Nothing in core imports this file. */
export { describe, failed, ok, type Problem, type ProblemCode, type Result } from './problem.ts';
export {
  asId,
  type CabinetId,
  type ComputerId,
  type CopyId,
  type FolderId,
  type PlaceId,
  type PlacementId,
  type PluginId,
  type ScanId,
  type SlotId,
  type SpellingId,
  type TrackId,
} from './id.ts';
export {
  applyChange,
  diff,
  isEmptyChange,
  keyOf,
  noChange,
  plainText,
  reverse,
  squash,
  type Change,
  type Keyed,
  type Records,
} from './change.ts';
export { grouped } from './grouped.ts';
export { createStable } from './stable.ts';
export { compareNames, fold, wordsOf } from './fold.ts';
export {
  bareCopy,
  failedCopy,
  formats,
  stemOfPath,
  type Format,
  type FoundCopy,
} from './formats/found-copy.ts';
export { cleanText, limits, type BundleFiles, type OpenFile } from './formats/bundle-files.ts';
export { fileUri, readLv2 } from './formats/lv2.ts';
export { readAudioUnit } from './formats/audio-unit.ts';
export type { Binary } from './formats/binary-facts.ts';
export { readBinary } from './formats/binary.ts';
export { bytesSource, type ByteSource } from './formats/byte-source.ts';
export { readBinaryPlugin } from './formats/binary-plugin.ts';
export {
  noDescriptions,
  readLadspaRdf,
  type LadspaDescription,
  type LadspaDescriptions,
} from './formats/ladspa-rdf.ts';
export { memoryFiles } from './formats/memory-files.ts';
export { readVst3 } from './formats/vst3.ts';
export { kinds, type Kind } from './catalog/kind.ts';
export {
  copyInFront,
  isForOldSessions,
  preferred,
  isOnly32Bit,
  isPresent,
  nameOfCopy,
  type CopyCard,
  type CopyState,
  type Plugin,
} from './catalog/plugin.ts';
export {
  allTags,
  answerLimits,
  licenceStates,
  nothingSaid,
  saysNothing,
  withAnswer,
  type Answer,
  type AnswerFacts,
  type Licence,
  type LicenceState,
} from './catalog/answer.ts';
export {
  groupCopies,
  type Doubt,
  type Group,
  type Grouped,
  type ToGroup,
} from './catalog/group.ts';
export { makesSound, nameKeyOf, type NameKey, type Width } from './catalog/name-key.ts';
export type { GroupedCopy, SamePiece } from './catalog/same-plugin.ts';
export {
  foldVendor,
  gatherVendors,
  nearMisses,
  noDecisions,
  vendorNames,
  type NearMiss,
  type SpellingDecisions,
  type Vendor,
} from './catalog/vendor.ts';
export {
  classify,
  clearTypes,
  groupProbability,
  type Classified,
  type KindReason,
  type Reason,
  type Suggestion,
} from './types/classify.ts';
export {
  evidenceOf,
  kindNames,
  type Piece,
  type SeriesShare,
  type Subject,
} from './types/evidence.ts';
export { isGenericWord } from './types/generic.ts';
export { lexicon } from './types/lexicon.ts';
export { gatherSeries, type InSeries } from './types/series.ts';
export { weights, type Weights } from './types/weights.ts';
export {
  groupOf,
  isType,
  isWithin,
  kindOfType,
  typeGroups,
  typeName,
  type TypeGroup,
} from './types/tree.ts';
export { nameOf, subjectOf, type NamedPlugin } from './types/plugin-facts.ts';
export {
  isKindUncertain,
  isTypeUncertain,
  questionsOf,
  questionSorts,
  type KindQuestion,
  type LicenceQuestion,
  type Question,
  type QuestionSort,
  type TwinQuestion,
  type TypeQuestion,
  type Uncertain,
  type VendorGuess,
  type VendorQuestion,
} from './sort/questions.ts';
export {
  sortCatalog,
  sortPlugins,
  type Decisions,
  type GatheredPlugin,
  gatherPlugin,
  type SortedCatalog,
  type SortedCopy,
  type SortedPlugin,
  type Grounds,
  type TwinDoubt,
} from './sort/sort-catalog.ts';
export { lv2Classes, readDeclared, vst3SubCategories } from './types/declared.ts';
export {
  compare,
  copyKey,
  findingSorts,
  type Comparison,
  type FindingSort,
  type KnownCopy,
} from './scan/compare.ts';
export {
  actSize,
  nameLength,
  type Act,
  type ActName,
  type NewFolder,
  type Owner,
  type Said,
} from './cabinet/act.ts';
export {
  allAnswers,
  allBelongings,
  allChains,
  chainIn,
  allFolders,
  allNamings,
  allPlacements,
  allSpellings,
  answerIn,
  cabinetIn,
  cabinetsOf,
  cabinetSlots,
  folderAndBelow,
  folderForms,
  folderSortings,
  folderIn,
  foldersBelow,
  meantBy,
  namingIn,
  orderOf,
  placementIn,
  placementsIn,
  plainFolder,
  preferenceIn,
  type Belonging,
  type Chain,
  type Cabinet,
  type CabinetSlot,
  type FolderSorting,
  type Folder,
  type FolderForm,
  type Naming,
  type Order,
  type OrderRecord,
  type Placement,
  type Preference,
  type SmartPart,
  type Spelling,
} from './cabinet/order.ts';
export { createArranger, ruleWordsOf, type Arrangement } from './cabinet/arrangement.ts';
export { withChains } from './cabinet/chain-plugin.ts';
export { perform } from './cabinet/perform.ts';
export type { NameOfPlugin, OrderChange, Performed } from './cabinet/performed.ts';
export {
  countPlan,
  planByFormat,
  planByJob,
  planByType,
  planByVendor,
  planChecks,
  planLike,
  planOf,
  plans,
  type PlanName,
  type PlannedFolder,
} from './cabinet/plan.ts';
export { between, byPosition, spread, type Position } from './cabinet/position.ts';
export { slotLabelFor, slotLabelLength } from './cabinet/slot-label.ts';
export {
  daysOf,
  fieldNames,
  fields,
  foldersRead,
  keywordLine,
  keywordRule,
  linesOf as linesOfRule,
  relationsFor,
  ruleLimits,
  standsAlone,
  units,
  type Card,
  type Field,
  type Line,
  type Relation,
  type Rule,
} from './rules/rule.ts';
export {
  editDistance,
  knownValues,
  nearest,
  noWords,
  sayValue,
  states,
  understand,
  writeValue,
  type NamedFolder,
  type RuleWords,
  type State,
} from './rules/values.ts';
export { parseRule, printRule } from './rules/text.ts';
export {
  candidateOf,
  makeCandidate,
  nothingAround,
  type Candidate,
  type CandidateFacts,
} from './rules/candidate.ts';
export {
  compareVersions,
  compileLine,
  compileRule,
  explain,
  isNegative,
  meetsText,
  sayLine,
  type CompiledRule,
  type Where,
} from './rules/holds.ts';
export { sayLineShort, sayRule, sayRuleParts } from './rules/say.ts';
export { CatalogIndex } from './rules/catalog-index.ts';
export { positionsIn } from './rules/bits.ts';
export { createFiller, type Filled, type SmartFolder } from './rules/fill.ts';
export { justOutside, type JustOutside } from './rules/near.ts';
export { marksOf, wordSpans, type Span } from './rules/marks.ts';
export { warningsOf, type Warning } from './rules/warn.ts';
export { gatherRules, type Gathering } from './rules/gather.ts';
export { ruleFromFilter } from './rules/from-filter.ts';
export { readyRule, readyRules, vendorRule, type ReadyRule } from './rules/ready.ts';
export {
  facets,
  facetValues,
  hasFacets,
  type Facet,
  type FacetFacts,
  type Facets,
} from './find/facets.ts';
export { clearFrom, createSuggester, type FolderSuggestion } from './cabinet/suggest.ts';
export { headingOf, linesOf, type Line as ListLine } from './find/headings.ts';
export {
  isNarrowed,
  lineUp,
  narrow,
  noFilter,
  noVendor,
  rowOf,
  sortings,
  type Filter,
  type Row,
  type Sorting,
} from './find/filter.ts';
export { entryOf, uncalled, type Calling, type Entry } from './find/entry.ts';
export { Finder, type Found, type Hit } from './find/finder.ts';
export { metSpans } from './find/met.ts';
export { placesIn } from './find/places.ts';
export { forgotten, type Regard } from './find/forgotten.ts';
export {
  chosenByLetters,
  habitsOf,
  noUse,
  type Habit,
  type Habits,
  type Use,
} from './find/habits.ts';
export {
  acceptsAll,
  cabinetSlotAt,
  copyToLoad,
  fits,
  slotNames,
  slotSortAt,
  trackSorts,
  whyNot,
  whyNotCopy,
  whyNotHere,
  type Accepts,
  type SlotSort,
  type TrackSort,
} from './find/fits.ts';
export {
  changeSlot,
  moveSlot,
  putSlot,
  removeSlot,
  slotLimit,
  trackOfSlot,
  type HostCopy,
  type HostSession,
  type HostSettings,
  type HostSlot,
  type HostTrack,
} from './host/host-session.ts';
export { misbehaviours, type Misbehaviour } from './host/misbehaviour.ts';
export { createRepairer, type Known, type Repair, type RepairFor } from './host/repair.ts';
export { halfLifeDays, warmth, weightOfAge, type Usage } from './usage/usage.ts';
export { stepOf } from './history/undo.ts';
export { scanModes, type AsideView, type ScanMode } from './api.ts';
export type {
  CatalogView,
  ChangeView,
  HabitsView,
  KeysView,
  ProblemView,
  RepairView,
  SavedSessionView,
  ComputerView,
  PluginView,
  SortView,
  FindingView,
  LoadRequest,
  OrderStep,
  OrderView,
  PastLoad,
  PlaceView,
  Refusal,
  ScanProgress,
  ScanState,
  ScanView,
  ServerEvent,
  SessionView,
  SlotView,
  TrackView,
} from './api.ts';
