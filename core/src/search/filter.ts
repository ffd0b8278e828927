/** Narrowing the list: the facts of the sentence "Show effects of any type from any vendor …". */
import { hasFacets, type FacetFacts, type Facets } from './facets.ts';
import type { Format } from '../formats/found-copy.ts';
import { compareNames } from '../text/compare.ts';
import { compareBy, type Warmth } from '../catalog/compare-plugins.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { Kind } from '../catalog/kind.ts';
import { isWithin } from '../taxonomy/tree.ts';

/** What narrows the list; null is "any". */
export interface Filter {
  readonly kind: Kind | 'setting' | null;
  /** A type or a group; a group includes its types; `none` for plugins without any. */
  readonly type: string | null;
  readonly vendor: string | null;
  readonly format: Format | null;
  readonly text: string;
  readonly unfiled: boolean;
  readonly facets: Facets;
}

/** A filter that narrows nothing. */
export const noFilter: Filter = {
  kind: null,
  type: null,
  vendor: null,
  format: null,
  text: '',
  unfiled: false,
  facets: {},
};

/** Whether a filter narrows anything. */
export const isNarrowed = (filter: Filter): boolean =>
  JSON.stringify({ ...filter, text: filter.text.trim() }) !== JSON.stringify(noFilter);

/** The ways in which the list can stand. */
export const sortings = ['name', 'vendor', 'type', 'format', 'arrival', 'use'] as const;
/** One of the ways in which the list can stand. */
export type Sorting = (typeof sortings)[number];

/** A plugin in the list, made once for each catalog. */
export interface Row {
  readonly plugin: Plugin;
  readonly nickname: string | null;
}

/** The vendor shown for plugins that name none. */
export const noVendor = '(no vendor)';

/** Whether a plugin is in a folder. */
type IsFiled = (id: string) => boolean;

/**
 * The rows that pass, in their given order. `met` are those that the filter's letters meet, as they
 * are found everywhere; null without letters. `isFiled` answers whether a plugin is in a folder.
 */
export function narrow(
  rows: readonly Row[],
  filter: Filter,
  met: ReadonlySet<string> | null,
  isFiled: IsFiled,
  facts: FacetFacts,
): Row[] {
  const tests = testsOf(filter, isFiled, facts);
  return rows.filter(
    ({ plugin }) => (met?.has(plugin.id) ?? true) && tests.every((holds) => holds(plugin)),
  );
}

/** What is asked of each plugin besides its letters: only what the filter narrows by. */
function testsOf(
  filter: Filter,
  isFiled: IsFiled,
  facts: FacetFacts,
): ((plugin: Plugin) => boolean)[] {
  const { kind, type, vendor, format, unfiled, facets } = filter;
  const withSettings = listsSettings(filter);
  const isOfKind = (plugin: Plugin): boolean =>
    plugin.setting ? withSettings : kind === null || plugin.kind === kind;
  const narrowing: readonly (readonly [boolean, (plugin: Plugin) => boolean])[] = [
    [true, isOfKind],
    [type !== null, (plugin) => hasType(plugin, type ?? '')],
    [vendor !== null, (plugin) => (plugin.vendor ?? noVendor) === vendor],
    [format !== null, ({ copies }) => copies.some((copy) => copy.format === format)],
    [unfiled, ({ id }) => !isFiled(id)],
    [Object.keys(facets).length > 0, (plugin) => hasFacets(plugin, facets, facts)],
  ];
  return narrowing.filter(([isAsked]) => isAsked).map(([, holds]) => holds);
}

/** Settings are many: they stand in the list where they, a tag or a folder are asked for. */
export function listsSettings({ kind, facets }: Filter): boolean {
  const isAskedFor = (facets.tag ?? facets.folder) !== undefined;
  return kind === 'setting' || (kind === null && isAskedFor);
}

const hasType = (plugin: Plugin, type: string): boolean =>
  type === 'none' ? plugin.types.length === 0 : plugin.types.some((t) => isWithin(t, type));

/** Rows lined up by one fact; equal ones by name, so that the order is total. */
export function lineUp(rows: readonly Row[], by: Sorting, usage: Warmth): Row[] {
  const compare = compareBy(by === 'arrival' ? 'newest' : by, usage);
  return [...rows].sort(
    (a, b) =>
      compare(a.plugin, b.plugin) ||
      compareNames(a.nickname ?? a.plugin.name, b.nickname ?? b.plugin.name) ||
      (a.plugin.id < b.plugin.id ? -1 : 1),
  );
}
