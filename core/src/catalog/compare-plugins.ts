/** The orders in which plugins are lined up, in the list and in sorted folders alike. */
import { formats } from '../formats/found-copy.ts';
import { compareNames, compareTexts } from '../text/compare.ts';
import type { Plugin } from './plugin.ts';

/** The facts by which plugins can be ordered. */
export type PluginOrder = 'name' | 'vendor' | 'type' | 'format' | 'newest' | 'use' | 'lately';

/** How warm the use of each plugin is, and when (ISO 8601) it was loaded last, by id. */
export type Warmth = ReadonlyMap<string, { readonly warmth: number; readonly lastLoaded?: string }>;

/** Behind every name: what has none comes last. */
const last = '\uffff';

/** Where the first of its formats stands in the order of all; what is not there comes last. */
const firstFormat = (plugin: Plugin): number =>
  Math.min(
    formats.length,
    ...plugin.copies
      .filter((copy) => copy.state === 'present')
      .map((copy) => formats.indexOf(copy.format)),
  );

/** Compares by one fact; what is equal is left to the caller, as all is by name. */
export function compareBy(order: PluginOrder, usage: Warmth): (a: Plugin, b: Plugin) => number {
  const facts: Record<PluginOrder, (a: Plugin, b: Plugin) => number> = {
    name: () => 0,
    vendor: (a, b) => compareNames(a.vendor ?? last, b.vendor ?? last),
    type: (a, b) => compareNames(a.types[0] ?? last, b.types[0] ?? last),
    format: (a, b) => firstFormat(a) - firstFormat(b),
    newest: (a, b) => compareTexts(b.arrived, a.arrived),
    lately: (a, b) =>
      compareTexts(usage.get(b.id)?.lastLoaded ?? '', usage.get(a.id)?.lastLoaded ?? ''),
    use: (a, b) => (usage.get(b.id)?.warmth ?? 0) - (usage.get(a.id)?.warmth ?? 0),
  };
  return facts[order];
}
