import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Plugin } from '../catalog/plugin.ts';
import { lineUp, sortings, type Row } from './filter.ts';
import { headingOf, Lines, type Line } from './headings.ts';

const plugin = (name: string, vendor: string | null, types: string[], arrived: string): Plugin => ({
  id: name as never,
  name,
  vendor,
  types,
  kind: 'effect',
  arrived,
  copies: [
    {
      id: name as never,
      format: 'LV2',
      path: name,
      version: null,
      hasPicture: false,
      is32Bit: false,
      isFailed: false,
      audioIn: null,
      audioOut: null,
      state: 'present',
    },
  ],
});
const anyRows: fc.Arbitrary<Row[]> = fc
  .uniqueArray(
    fc.record({
      name: fc.string({ minLength: 1, maxLength: 4 }),
      vendor: fc.constantFrom('Osier', 'Quoin', null),
      type: fc.constantFrom('reverb/plate', 'reverb/hall', 'delay', null),
      month: fc.integer({ min: 1, max: 9 }),
    }),
    { selector: (p) => p.name, maxLength: 40 },
  )
  .map((list) =>
    list.map(
      (p): Row => ({
        plugin: plugin(p.name, p.vendor, p.type === null ? [] : [p.type], `2026-0${p.month}-01`),
        nickname: null,
      }),
    ),
  );

const all = (lines: Lines): Line[] =>
  Array.from({ length: lines.count }, (_, at) => lines.at(at) as Line);

describe('headings', () => {
  it('stand once each, over all rows that are alike, and lose none of them', () => {
    fc.assert(
      fc.property(
        anyRows,
        fc.constantFrom(...sortings),
        fc.integer({ min: 1, max: 4 }),
        (rows, by, columns) => {
          const sorted = lineUp(rows, by, new Map());
          const lines = all(new Lines(sorted, headingOf(by, new Map()), new Set(), columns));
          const titles = lines.flatMap((line) => ('heading' in line ? [line.heading] : []));
          expect(new Set(titles).size).toBe(titles.length);
          expect(lines.flatMap((line) => ('rows' in line ? line.rows : []))).toEqual(sorted);
          expect(lines.reduce((sum, line) => sum + ('heading' in line ? line.count : 0), 0)).toBe(
            by === 'name' ? 0 : rows.length,
          );
        },
      ),
    );
  });
  it('keep their rows when folded, and say how many', () => {
    const rows = ['Kelp', 'Silt'].map((name) => ({
      plugin: plugin(name, 'Osier', [], '2026-01-01'),
      nickname: null,
    }));
    const lines = new Lines(rows, headingOf('vendor', new Map()), new Set(['Osier']), 1);
    expect(all(lines)).toEqual([{ heading: 'Osier', count: 2, isFolded: true }]);
    expect([lines.rows, lines.lineOf(0)]).toEqual([[], -1]);
  });
  it('leave each row that is in view in the line where it is said to stand', () => {
    fc.assert(
      fc.property(
        anyRows,
        fc.constantFrom(...sortings),
        fc.subarray(['Osier', '(no vendor)', 'Reverb', 'Delay', 'Arrived in 2026-03']),
        fc.integer({ min: 1, max: 4 }),
        (rows, by, folded, columns) => {
          const sorted = lineUp(rows, by, new Map());
          const lines = new Lines(sorted, headingOf(by, new Map()), new Set(folded), columns);
          expect(all(lines).flatMap((line) => ('rows' in line ? line.rows : []))).toEqual(
            lines.rows,
          );
          for (const [at, row] of lines.rows.entries()) {
            expect(lines.at(lines.lineOf(at))).toHaveProperty(
              'rows',
              expect.arrayContaining([row]),
            );
          }
          expect(all(lines).map((line) => 'heading' in line)).toEqual(
            all(lines).map((_, at) => lines.isHeading(at)),
          );
          expect([lines.at(-1), lines.at(lines.count)]).toEqual([undefined, undefined]);
        },
      ),
    );
  });
});
