/** The language of rules, its evaluation, and what an editor shows of it. Nothing in core imports this file. */
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
} from './language/rule.ts';
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
} from './language/values.ts';
export { parseRule, printRule } from './language/text.ts';
export {
  candidateOf,
  makeCandidate,
  nothingAround,
  type Candidate,
  type CandidateFacts,
} from './evaluate/candidate.ts';
export {
  compareVersions,
  compileLine,
  compileRule,
  isNegative,
  meetsText,
  type CompiledRule,
  type RuleContext,
} from './evaluate/holds.ts';
export { explain } from './evaluate/explain.ts';
export { sayLineShort, sayRule, sayRuleParts } from './language/say.ts';
export { CatalogIndex } from './evaluate/catalog-index.ts';
export { positionsIn } from './evaluate/bits.ts';
export { createFiller, type Filled, type SmartFolder } from './evaluate/fill.ts';
export { justOutside, type JustOutside } from './editor/near.ts';
export { ruleHighlights, wordSpans, type Span } from './editor/highlight.ts';
export { warningsOf, type Warning } from './editor/warn.ts';
export { gatherRules, type Gathering } from './editor/gather.ts';
export { readyRule, readyRules, vendorRule, type ReadyRule } from './editor/ready.ts';
