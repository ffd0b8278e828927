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

/** Rows that are alike, and those without headings all. */
interface Section {
  readonly heading: string | null;
  /** Its rows, from one to before another. */
  readonly from: number;
  readonly to: number;
  readonly isFolded: boolean;
  /** The lines it takes, from one to before another: its heading, then its rows where it is not folded. */
  readonly firstLine: number;
  readonly endLine: number;
}

/**
 * Rows in lines of so many columns, under their headings; folded headings keep theirs. Without headings,
 * just the rows. A line is made when it is asked for: of many, few are in view.
 */
export class Lines {
  readonly #all: readonly Row[];
  readonly #columns: number;
  readonly #sections: readonly Section[];
  /** The rows in view: all but those of folded headings. */
  readonly rows: readonly Row[];

  constructor(
    all: readonly Row[],
    heading: ((row: Row) => string) | null,
    folded: ReadonlySet<string>,
    columns: number,
  ) {
    this.#all = all;
    this.#columns = columns;
    this.#sections = sectionsOf(all, heading, folded, columns);
    this.rows = this.#sections.some(({ isFolded }) => isFolded)
      ? this.#unfolded().flatMap(({ from, to }) => all.slice(from, to))
      : all;
  }

  /** How many there are. */
  get count(): number {
    return this.#sections.at(-1)?.endLine ?? 0;
  }

  /** The line at a place; undefined where there is none. */
  at(line: number): Line | undefined {
    const section = this.#sectionAt(line);
    if (!section) {
      return undefined;
    }
    const { heading, from, to, isFolded, firstLine } = section;
    if (heading !== null && line === firstLine) {
      return { heading, count: to - from, isFolded };
    }
    const first = from + (line - firstRowLine(section)) * this.#columns;
    return { rows: this.#all.slice(first, Math.min(to, first + this.#columns)) };
  }

  /** Whether a heading stands in a line. */
  isHeading(line: number): boolean {
    const section = this.#sectionAt(line);
    return section !== undefined && section.heading !== null && line === section.firstLine;
  }

  /** In which line a row stands, by its place among those in view; -1 where there is none. */
  lineOf(row: number): number {
    let before = 0;
    for (const section of this.#unfolded()) {
      const size = section.to - section.from;
      if (row < before + size) {
        return firstRowLine(section) + Math.floor((row - before) / this.#columns);
      }
      before += size;
    }
    return -1;
  }

  #sectionAt(line: number): Section | undefined {
    let [low, high] = [0, this.#sections.length];
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      if (line < (this.#sections[middle] as Section).endLine) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return line < 0 ? undefined : this.#sections[low];
  }

  #unfolded(): Section[] {
    return this.#sections.filter(({ isFolded }) => !isFolded);
  }
}

const firstRowLine = ({ heading, firstLine }: Section): number =>
  heading === null ? firstLine : firstLine + 1;

function sectionsOf(
  rows: readonly Row[],
  heading: ((row: Row) => string) | null,
  folded: ReadonlySet<string>,
  columns: number,
): Section[] {
  const sections: Section[] = [];
  let line = 0;
  const add = (title: string | null, from: number, to: number): void => {
    const isFolded = title !== null && folded.has(title);
    const lines = Number(title !== null) + (isFolded ? 0 : Math.ceil((to - from) / columns));
    sections.push({ heading: title, from, to, isFolded, firstLine: line, endLine: line + lines });
    line += lines;
  };
  if (heading === null) {
    add(null, 0, rows.length);
    return sections;
  }
  const titles = rows.map(heading);
  let from = 0;
  for (let at = 1; at <= rows.length; at += 1) {
    if (titles[at] !== titles[from]) {
      add(titles[from] as string, from, at);
      from = at;
    }
  }
  return sections;
}
