/** Headings between rows that are lined up by a fact, and the lines in which both are drawn. */
import { formats } from '../formats/found-copy.ts';
import type { Warmth } from '../catalog/compare-plugins.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import { noVendor, type Row, type Sorting } from './filter.ts';

/** A heading with how many rows it is over, or rows that stand side by side. */
export type Line =
  | { readonly heading: string; readonly count: number; readonly isFolded: boolean }
  | { readonly rows: readonly Row[] };

/** The heading a row stands under, by the fact the list is lined up by; none by name. */
export function headingOf(by: Sorting, usage: Warmth): ((row: Row) => string) | null {
  switch (by) {
    case 'name':
      return null;
    case 'vendor':
      return ({ plugin }) => plugin.vendor ?? noVendor;
    case 'type':
      return ({ plugin }) =>
        plugin.types[0] === undefined ? 'No type' : typeName(groupOf(plugin.types[0]));
    case 'format':
      return ({ plugin }) =>
        formats.find((format) =>
          plugin.copies.some((copy) => copy.state === 'present' && copy.format === format),
        ) ?? 'No copy is there';
    case 'arrival':
      return ({ plugin }) => `Arrived in ${plugin.arrived.slice(0, 7)}`;
    case 'use':
      return ({ plugin }) => sayUse(usage.get(plugin.id)?.warmth ?? 0);
    default:
      return by satisfies never;
  }
}

/** Warmth in words; the steps are ours. Loads of today count 1 each and fade (loading/warmth.ts). */
const sayUse = (warmth: number): string => {
  if (warmth === 0) {
    return 'Never loaded';
  }
  if (warmth < 0.5) {
    return 'Not for long';
  }
  if (warmth < 5) {
    return 'Now and then';
  }
  return 'Often';
};

/**
 * Rows in lines of so many columns, under their headings; folded headings keep theirs. Without
 * headings, just the rows.
 */
export function linesOf(
  rows: readonly Row[],
  heading: ((row: Row) => string) | null,
  folded: ReadonlySet<string>,
  columns: number,
): Line[] {
  const lines: Line[] = [];
  for (let start = 0; start < rows.length; ) {
    const first = rows[start];
    const title = heading === null || !first ? null : heading(first);
    let end = heading === null ? rows.length : start;
    while (heading !== null && end < rows.length && heading(rows[end] as Row) === title) {
      end += 1;
    }
    const isFolded = title !== null && folded.has(title);
    if (title !== null) {
      lines.push({ heading: title, count: end - start, isFolded });
    }
    if (!isFolded) {
      for (let at = start; at < end; at += columns) {
        lines.push({ rows: rows.slice(at, Math.min(end, at + columns)) });
      }
    }
    start = end;
  }
  return lines;
}
