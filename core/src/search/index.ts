/** Finding and narrowing. Nothing in core imports this file. */
export { ruleFromFilter } from './rule-from-filter.ts';
export {
  createSettingFinder,
  findableSetting,
  settingsShown,
  settingsBeyond,
  withSettings,
  type FindableThing,
  type FindableSetting,
  type SettingFinder,
} from './settings.ts';
export {
  facets,
  facetValues,
  sinceTime,
  hasFacets,
  type Facet,
  type FacetFacts,
  type Facets,
} from './facets.ts';
export { headingOf, Lines, type Line as ListLine } from './headings.ts';
export {
  isNarrowed,
  lineUp,
  narrow,
  listsSettings,
  noFilter,
  noVendor,
  sortings,
  type Filter,
  type Row,
  type Sorting,
} from './filter.ts';
export { entryOf, noGivenNames, type GivenNames, type Entry } from './entry.ts';
export { Finder, type Found, type Hit, type IsAmong } from './finder.ts';
export { highlightedSpans } from './highlight.ts';
export { splitWidth } from './width.ts';
export { placesIn } from './places.ts';
export { chosenByLetters, habitsOf, noUse, type Habit, type Habits, type Use } from './habits.ts';
