/** What core offers to the rest of Clever Drawer. Nothing in core imports this file. */
export { describe, failed, ok, type Problem, type ProblemCode, type Result } from './problem.ts';
export {
  asId,
  type Id,
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
  isSameValue,
  keyOf,
  noChange,
  plainText,
  reverse,
  squash,
  type Change,
  type Keyed,
  type Records,
  takeChange,
} from './change.ts';
export { grouped, keyedById } from './grouped.ts';
export { lazy, memoizeByObject, memoizeIn, memoizeLast } from './memoize.ts';
export { day } from './time.ts';
export { createTurns, type Turns } from './turns.ts';
export { editDistance } from './text/edit-distance.ts';
export { jsonObject } from './text/json-object.ts';
export { printNumber } from './print-number.ts';
export { oneOrMany, plural } from './text/plural.ts';
export { compareNames } from './text/compare.ts';
export { fold, wordsOf } from './text/fold.ts';
export {
  bareCopy,
  failedCopy,
  formats,
  stemOfPath,
  type Format,
  type FoundCopy,
  describedBy,
} from './formats/found-copy.ts';
export {
  changeCatalog,
  comparePlaces,
  type CatalogChange,
  type CatalogState,
} from './catalog/catalog-change.ts';
export { kinds, kindWords, whichIsUnknown, type Kind } from './catalog/kind.ts';
export {
  copyInFront,
  isForOldSessions,
  preferred,
  isOnly32Bit,
  isPresent,
  faceOf,
  type SettingFacts,
  nameOfCopy,
  type CopyCard,
  type CopyState,
  type Plugin,
} from './catalog/plugin.ts';
export {
  allTags,
  answerLimits,
  licenceStates,
  nobody,
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
} from './identify/group.ts';
export { makesSound, nameKeyOf, type NameKey, type Width } from './identify/name-key.ts';
export type { GroupedCopy, SamePiece } from './identify/same-plugin.ts';
export {
  foldVendor,
  gatherVendors,
  nearMisses,
  noDecisions,
  vendorNames,
  type NearMiss,
  type SpellingDecisions,
  type Vendor,
} from './identify/gather-vendors.ts';
export {
  classify,
  clearTypes,
  groupLogOdds,
  scaledLogOdds,
  type Classified,
  type KindReason,
  type Reason,
  type Suggestion,
} from './identify/classify.ts';
export { evidenceOf, type Piece, type SeriesShare, type Subject } from './identify/evidence.ts';
export { isGenericWord } from './identify/generic-words.ts';
export { lexicon } from './identify/lexicon.data.ts';
export { gatherSeries, type InSeries } from './identify/series.ts';
export { gatherPrefixes } from './identify/maker-prefix.ts';
export { weights, type Weights } from './identify/weights.data.ts';
export {
  groupOf,
  isType,
  isWithin,
  kindOfType,
  typeGroups,
  typeName,
  type TypeGroup,
} from './taxonomy/tree.ts';
export {
  atFirstSight,
  nameOfCopies,
  subjectOf,
  type NamedPlugin,
} from './identify/plugin-facts.ts';
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
} from './identify/questions.ts';
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
} from './identify/identify-catalog.ts';
export { declaredTypes, lv2Classes, readDeclared, vst3SubCategories } from './taxonomy/declared.ts';
export { isFiledNear, leavesOpen } from './taxonomy/filed-near.ts';
export {
  compare,
  copyKey,
  findingKinds,
  type Comparison,
  type FindingKind,
  type KnownCopy,
} from './scan/compare.ts';
export {
  actSize,
  nameLength,
  stateLength,
  type KeptSetting,
  type Act,
  type ActOf,
  type ActName,
  type NewFolder,
  type Owner,
  type Said,
} from './acts/act.ts';
export {
  allAnswers,
  allCopyAssignments,
  allChains,
  allSettings,
  chainIn,
  settingIn,
  allFolders,
  allPluginNames,
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
  resolveShortcut,
  pluginNamesIn,
  orderOf,
  placementIn,
  placementsIn,
  plainFolder,
  preferenceIn,
  type CopyAssignment,
  type Chain,
  type Setting,
  type Cabinet,
  type CabinetSlot,
  type FolderSorting,
  type Folder,
  type FolderForm,
  type PluginNames,
  type Order,
  type OrderRecord,
  type Placement,
  type Preference,
  type SmartPart,
  type Spelling,
} from './order/records.ts';
export { because } from './arrangement/because.ts';
export { createArranger, type Arrangement } from './arrangement/arrangement.ts';
export { ruleWordsOf } from './arrangement/standing.ts';
export { type FoundSettingCard } from './arrangement/setting-plugin.ts';
export {
  createStudio,
  type Studio,
  type StudioCatalog,
  type StudioFacts,
} from './studio/studio.ts';
export { changeSort, uncertainOf, type SortChange, type SortView } from './studio/uncertain.ts';
export { perform, pluginsOfAct } from './acts/perform.ts';
export { pluginsOfChange, usedIn } from './order/references.ts';
export type { NameOfPlugin, OrderChange, ActResult } from './acts/act-result.ts';
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
} from './plans/plan.ts';
export { between, byPosition, spread, type Position } from './order/position.ts';
export { slotLabelFor, slotLabelLength } from './order/slot-label.ts';
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
} from './rules/language/rule.ts';
export {
  knownValues,
  nearest,
  noWords,
  sayValue,
  things,
  states,
  understand,
  writeValue,
  type NamedFolder,
  type RuleWords,
  type State,
} from './rules/language/values.ts';
export { parseRule, printRule } from './rules/language/text.ts';
export {
  candidateOf,
  makeCandidate,
  nothingAround,
  type Candidate,
  type CandidateFacts,
} from './rules/evaluate/candidate.ts';
export {
  compareVersions,
  compileLine,
  compileRule,
  isNegative,
  meetsText,
  type CompiledRule,
  type RuleContext,
} from './rules/evaluate/holds.ts';
export { explain } from './rules/evaluate/explain.ts';
export { sayLineShort, sayRule, sayRuleParts } from './rules/language/say.ts';
export { CatalogIndex } from './rules/evaluate/catalog-index.ts';
export { positionsIn } from './rules/evaluate/bits.ts';
export { createFiller, type Filled, type SmartFolder } from './rules/evaluate/fill.ts';
export { justOutside, type JustOutside } from './rules/editor/near.ts';
export { ruleHighlights, wordSpans, type Span } from './rules/editor/highlight.ts';
export { warningsOf, type Warning } from './rules/editor/warn.ts';
export { gatherRules, type Gathering } from './rules/editor/gather.ts';
export { ruleFromFilter } from './search/rule-from-filter.ts';
export {
  createSettingFinder,
  findableSetting,
  settingsShown,
  settingsBeyond,
  withSettings,
  type FindableThing,
  type FindableSetting,
  type SettingFinder,
} from './search/settings.ts';
export { readyRule, readyRules, vendorRule, type ReadyRule } from './rules/editor/ready.ts';
export {
  facets,
  facetValues,
  sinceTime,
  hasFacets,
  type Facet,
  type FacetFacts,
  type Facets,
} from './search/facets.ts';
export { clearFrom, createSuggester, type FolderSuggestion } from './plans/suggest.ts';
export { headingOf, Lines, type Line as ListLine } from './search/headings.ts';
export {
  isNarrowed,
  lineUp,
  listsSettings,
  createNarrower,
  noFilter,
  noVendor,
  rowOf,
  sortings,
  type Filter,
  type Row,
  type Sorting,
} from './search/filter.ts';
export { entryOf, noGivenNames, type GivenNames, type Entry } from './search/entry.ts';
export { Finder, type Found, type Hit } from './search/finder.ts';
export { highlightedSpans } from './search/highlight.ts';
export { placesIn } from './search/places.ts';
export { forgotten, type Forgotten, type Regard } from './loading/forgotten.ts';
export {
  countScopes,
  createSlotSearch,
  loadableIn,
  scopeFor,
  slotFolders,
  slotRows,
  slotScopes,
  type ScopeCounts,
  type SlotFolder,
  type SlotReasons,
  type SlotResult,
  type SlotScope,
  type SlotSearch,
} from './loading/slot-search.ts';
export {
  chosenByLetters,
  habitsOf,
  noUse,
  type Habit,
  type Habits,
  type Use,
} from './search/habits.ts';
export {
  acceptsAll,
  cabinetSlotAt,
  copyToLoad,
  isLoadable,
  slotNames,
  slotKindAt,
  trackKinds,
  trackWords,
  whyNot,
  whyNotCopy,
  whyNotHere,
  type TakenBySession,
  type SlotKind,
  type TrackKind,
} from './loading/loadability.ts';
export {
  changeSlot,
  moveSlot,
  putSlot,
  removeSlot,
  slotLimit,
  trackOfSlot,
  type HostCopy,
  type HostSetting,
  type HostSession,
  type HostSettings,
  type HostSlot,
  type HostTrack,
} from './loading/host-session.ts';
export { misbehaviours, type Misbehaviour } from './loading/misbehaviour.ts';
export { createRepairer, type Known, type Repair, type RepairFor } from './loading/repair.ts';
export { halfLifeDays, warmth, weightOfAge, type Usage } from './loading/warmth.ts';
export { fitChange, isSameChange, stepOf, type WhereNow } from './acts/undo.ts';
export {
  openingWishes,
  scanModes,
  type AsideView,
  type ScanMode,
  type HealthView,
} from './api/api.ts';
export type {
  CatalogView,
  MatchView,
  BackupView,
  BackupsView,
  OrderPreview,
  ShelfSettings,
  ShelfView,
  PointComparison,
  PointView,
  PointsView,
  ChangeView,
  HabitsView,
  KeysView,
  ProblemView,
  RepairView,
  SavedSessionView,
  ComputerView,
  PluginView,
  WaitingAsked,
  WaitingView,
  FindingView,
  LoadRequest,
  OrderStep,
  OrderView,
  PastLoad,
  OpeningView,
  PutOff,
  WorkedReview,
  PluginSetting,
  WaitingSetting,
  SettingView,
  OpeningWish,
  TakenView,
  PlaceView,
  Refusal,
  ScanProgress,
  ScanState,
  ScanView,
  ServerEvent,
  SessionView,
  SlotView,
  TrackView,
} from './api/api.ts';
export {
  cutText,
  isStorable,
  shortKey,
  storable,
  storableValue,
  troubleInValue,
  type ValueLimits,
  type ValueTrouble,
} from './text/storable.ts';
export { copyLineOf, readCopyLine, type CopyLine } from './exchange/copy-line.ts';
export {
  matchPlugins,
  matchHows,
  type Match,
  type MatchChoice,
  type MatchHow,
  type ToMatch,
} from './exchange/match-plugins.ts';
export { diffRecords, mergeModes, mergeRecords, type MergeMode } from './exchange/merge-order.ts';
export {
  changeAbouts,
  changeWhats,
  describeChange,
  type ChangeLine,
  type DescribedChange,
} from './exchange/describe-change.ts';
export {
  dayOf,
  muchAtOnce,
  partOfChange,
  pointReasons,
  pointsToThin,
  sizeOf,
  squashAll,
  wayBack,
  type ChangePart,
  type PointReason,
} from './keep/points.ts';
export type { ComingMonth } from './review/comings.ts';
export type { Doubling } from './review/doubles.ts';
export { dustAges, dustLoads, type DustMark } from './review/dust.ts';
export type { EndingTrial } from './review/ending.ts';
export type { KeysOfMonth, SlowPlugin } from './review/keys.ts';
export { materialOf, type ReviewSource } from './review/material.ts';
export type { CopiesOfFormat, RetirableCopy } from './review/old-copies.ts';
export type { NearFolders, OrderHealth, Stranger } from './review/order-health.ts';
export type { MakerCell, Makers, Owned, OwnedGroup } from './review/owned.ts';
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
} from './review/review.ts';
export type {
  AskingSession,
  Coming,
  PastUse,
  ReviewMaterial,
  ReviewWish,
  StudiedCopy,
  StudiedFolder,
  StudiedPlugin,
} from './review/studied.ts';
export type { LoadedAfter, Recurring } from './review/together.ts';
export { tryAgainOf, weekOf } from './review/try-again.ts';
export {
  periods,
  usualView,
  viewOf,
  wholeReview,
  wishOf,
  type Period,
  type ReviewView,
} from './review/view.ts';
export type { MonthCell, MonthRows, Months } from './review/when.ts';
export { toTryAgain, type Advice, type AdviceKind } from './review/worth-doing.ts';
export { planShelf, type ShelfEntry, type ShelfPlan, type ShelfWish } from './exchange/shelf.ts';
