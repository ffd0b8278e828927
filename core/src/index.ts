/** What core offers to the rest of Clever Drawer. Nothing in core imports this file. */
export { describe, failed, ok, type Problem, type ProblemCode, type Result } from './problem.ts';
export { asId, type CabinetId, type ComputerId, type CopyId, type FolderId, type PlaceId, type PlacementId, type PluginId, type ScanId, type SlotId, type TrackId } from './id.ts';
export { applyChange, diff, isEmptyChange, keyOf, noChange, reverse, squash, type Change, type Keyed, type Records } from './change.ts';
export { compareNames, fold, wordsOf } from './fold.ts';
export { bareCopy, failedCopy, formats, type Format, type FoundCopy } from './formats/found-copy.ts';
export { cleanText, limits, type BundleFiles, type OpenFile } from './formats/bundle-files.ts';
export { fileUri, readLv2 } from './formats/lv2.ts';
export { readAudioUnit } from './formats/audio-unit.ts';
export type { Binary } from './formats/binary-facts.ts';
export { readBinary } from './formats/binary.ts';
export { bytesSource, type ByteSource } from './formats/byte-source.ts';
export { readBinaryPlugin } from './formats/binary-plugin.ts';
export { noDescriptions, readLadspaRdf, type LadspaDescription, type LadspaDescriptions } from './formats/ladspa-rdf.ts';
export { memoryFiles } from './formats/memory-files.ts';
export { readVst3 } from './formats/vst3.ts';
export { kinds, type Kind } from './catalog/kind.ts';
export { copyInFront, isOnly32Bit, isPresent, nameOfCopy, pluginKey, type CopyCard, type CopyState, type Plugin } from './catalog/plugin.ts';
export { foldVendor } from './catalog/vendor.ts';
export { groupOf, isType, isWithin, kindOfType, typeGroups, typeName, type TypeGroup } from './types/tree.ts';
export { pluginFacts, type PluginFacts } from './types/plugin-facts.ts';
export { lv2Classes, readDeclared, vst3SubCategories } from './types/declared.ts';
export { compare, copyKey, findingSorts, type Comparison, type FindingSort, type KnownCopy } from './scan/compare.ts';
export { actSize, nameLength, type Act, type ActName } from './cabinet/act.ts';
export {
  allFolders, allNamings, allPlacements, cabinetIn, cabinetsOf, folderAndBelow, folderForms, folderIn, foldersBelow, namingIn, orderOf, placementIn, placementsIn,
  type Cabinet, type Folder, type FolderForm, type Naming, type Order, type OrderRecord, type Placement,
} from './cabinet/order.ts';
export { createArranger, type Arrangement } from './cabinet/arrangement.ts';
export { perform, type NameOfPlugin, type OrderChange, type Performed } from './cabinet/perform.ts';
export { between, byPosition, spread, type Position } from './cabinet/position.ts';
export { slotLabelFor, slotLabelLength } from './cabinet/slot-label.ts';
export { candidateOf, compileRule, keywordRule, keywordsOf, sayRule, type Candidate, type Card, type Line, type Rule } from './rules/rule.ts';
export { isNarrowed, lineUp, narrow, noFilter, noVendor, rowOf, sortings, type Filter, type Row, type Sorting } from './find/filter.ts';
export { entryOf, find, type Entry, type Habits, type Hit } from './find/find.ts';
export { canLoad, fits, slotSortAt, trackSorts, type SlotSort, type TrackSort } from './find/fits.ts';
export { halfLifeDays, warmth, weightOfAge, type Usage } from './usage/usage.ts';
export { stepOf } from './history/undo.ts';
export { scanModes, type AsideView, type ScanMode } from './api.ts';
export type {
  CatalogView, ComputerView, FindingView, LoadRequest, OrderStep, OrderView, PastLoad, PlaceView, Refusal, ScanProgress, ScanState, ScanView,
  ServerEvent, SessionView, SlotView, TrackView,
} from './api.ts';
