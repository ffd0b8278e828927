/** Narrowing the list: the facts of the sentence "Show effects of any type from any vendor …". */
import { lazy } from '../memoize.ts';
import { hasFacets, type FacetFacts, type Facets } from './facets.ts';
import type { Format } from '../formats/found-copy.ts';
import { compareNames } from '../text/compare.ts';
import { fold, wordsOf } from '../text/fold.ts';
import { compareBy, type Warmth } from '../catalog/compare-plugins.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { Kind } from '../catalog/kind.ts';
import { isWithin, typeName } from '../taxonomy/tree.ts';

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
  /** What letters are looked for in, folded: put together when that is first asked for. */
  readonly searched: () => string;
}

/** A plugin as a row of the list. */
export function rowOf(plugin: Plugin, nickname: string | null, slotLabel: string | null): Row {
  return { plugin, nickname, searched: lazy(() => searchedOf(plugin, nickname, slotLabel)) };
}

/** What is searched of a plugin: names, their initials, vendor and types, folded. */
function searchedOf(plugin: Plugin, nickname: string | null, slotLabel: string | null): string {
  const types = plugin.types.map(typeName).join(' ');
  const initials = [plugin.name, nickname ?? '']
    .map((name) => wordsOf(name))
    .filter((words) => words.length > 1)
    .map((words) => words.map((word) => word.charAt(0)).join(''))
    .join(' ');
  return fold(
    [
      plugin.name,
      nickname ?? '',
      slotLabel ?? '',
      plugin.vendor ?? '',
      types,
      initials,
      ...(plugin.setting?.pluginNames ?? []),
      plugin.setting?.bank ?? '',
    ].join(' '),
  );
}

/** The vendor shown for plugins that name none. */
export const noVendor = '(no vendor)';

/** Whether a plugin is in a folder. */
type IsFiled = (id: string) => boolean;

/**
 * The rows that pass, in their given order. `isFiled` answers whether a plugin is in a folder.
 * Every typed part must be found.
 */
export function narrow(
  rows: readonly Row[],
  filter: Filter,
  isFiled: IsFiled,
  facts: FacetFacts,
): Row[] {
  const parts = fold(filter.text)
    .split(' ')
    .filter((part) => part !== '');
  const tests = testsOf(filter, isFiled, facts);
  const passes = (row: Row): boolean => {
    for (const part of parts) {
      if (!row.searched().includes(part)) {
        return false;
      }
    }
    for (const holds of tests) {
      if (!holds(row.plugin)) {
        return false;
      }
    }
    return true;
  };
  return rows.filter(passes);
}

/** What is narrowed, and by what. */
interface Narrowing {
  readonly rows: readonly Row[];
  readonly filter: Filter;
  readonly isFiled: IsFiled;
  readonly facts: FacetFacts;
}

/**
 * Narrows as `narrow` does, again and again: where only letters came behind those of the last time, no
 * more is looked at than what these had left.
 */
export function createNarrower(): typeof narrow {
  let last: Narrowing | null = null;
  let left: Row[] = [];
  return (rows, filter, isFiled, facts) => {
    const now = { rows, filter, isFiled, facts };
    left = narrow(last && goesOn(last, now) ? left : rows, filter, isFiled, facts);
    last = now;
    return left;
  };
}

/** Whether the same is narrowed by the same but for letters behind those of before. */
const goesOn = (before: Narrowing, now: Narrowing): boolean =>
  before.rows === now.rows &&
  before.isFiled === now.isFiled &&
  before.facts === now.facts &&
  (Object.keys(now.filter) as (keyof Filter)[]).every(
    (key) => key === 'text' || now.filter[key] === before.filter[key],
  ) &&
  fold(now.filter.text).startsWith(fold(before.filter.text));

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
