/**
 * Letters of one's own: every name gets some, the shortest that are free, and keeps them when
 * others come.
 */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Kind } from '../catalog/kind.ts';
import { asId } from '../id.ts';
import { entryOf, type Entry } from './entry.ts';
import { Finder } from './finder.ts';
import { habitsOf, noUse } from './habits.ts';
import { ownLetters } from './own-letters.ts';

const entry = (
  name: string,
  more: { arrived?: string; kind?: Kind; nickname?: string } = {},
): Entry =>
  entryOf(
    {
      id: asId(name),
      name,
      vendor: null,
      kind: more.kind ?? 'effect',
      types: [],
      arrived: more.arrived ?? '2026-01-01',
      copies: [],
    },
    { nickname: more.nickname ?? null, slotLabel: null, tags: [] },
  );
/** The positions of entries by their own letters. */
const ownOf = ownLetters;

const lettersOf = (...entries: Entry[]): Record<string, string> =>
  Object.fromEntries(
    [...ownOf(entries)].flatMap(([letters, list]) =>
      list.map((at) => [entries[at]?.plugin.name ?? '', letters]),
    ),
  );

describe('letters of one’s own', () => {
  it('are the shortest beginning that is free, the shorter name first', () =>
    expect(
      lettersOf(entry('Tern Hall'), entry('Tern'), entry('Tern Plate'), entry('Salt')),
    ).toEqual({ Salt: 's', Tern: 't', 'Tern Hall': 'te', 'Tern Plate': 'ter' }));
  it('are those of the nickname where there is one, and kinds do not take them from each other', () =>
    expect(
      lettersOf(
        entry('Tern'),
        entry('Salt Piano', { kind: 'instrument', nickname: 'Tinkle' }),
        entry('Teasel Meter', { kind: 'tool' }),
      ),
    ).toEqual({ Tern: 't', 'Salt Piano': 't', 'Teasel Meter': 'te' }));
  it('stay when a shorter name comes later, and a name that is there twice has none the second time', () =>
    expect([
      lettersOf(entry('Tern Hall'), entry('Te', { arrived: '2026-02-01' })),
      lettersOf(entry('T'), {
        texts: entry('T').texts,
        plugin: { ...entry('T').plugin, id: asId('u'), name: 'U' },
      }),
    ]).toEqual([{ 'Tern Hall': 't', Te: 'te' }, { T: 't' }]));
  it('make it first for them among names that begin alike, and are told; a whole word, a favourite or a load counts more', () => {
    const finder = new Finder(
      ['Tern Hall', 'Tern', 'Ternstone', 'Ternbank'].map((name) => entry(name)),
    );
    const first = (query: string, use: Partial<typeof noUse> = {}): string | undefined =>
      finder.find(query, habitsOf({ ...noUse, ...use }), 1).hits[0]?.plugin.name;
    expect([first('t'), first('te'), first('ter'), first('tern'), first('ternb')]).toEqual([
      'Tern',
      'Ternbank',
      'Tern Hall',
      'Tern',
      'Ternbank',
    ]);
    expect([
      first('te', { favourites: new Set(['Ternstone']) }),
      first('te', { warmth: new Map([['Ternstone', 0.1]]) }),
    ]).toEqual(['Ternstone', 'Ternstone']);
    expect([
      finder.fewestLetters('Ternbank', habitsOf(noUse)),
      finder.fewestLetters('Tern Hall', habitsOf(noUse)),
      finder.fewestLetters('Ternbank', habitsOf(noUse), (one) => one.name !== 'Tern'),
      finder.fewestLetters('nobody', habitsOf(noUse)),
    ]).toEqual(['te', 'th', 't', null]);
    expect(finder.find('te', habitsOf(noUse), 1).hits[0]?.because).toBe(
      'name starts with “te”, its own letters',
    );
  });
  it('are never two names’ of one kind, always a beginning, and the same whatever comes later', () => {
    const name = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(
        fc.uniqueArray(name, { minLength: 1, maxLength: 20 }),
        fc.uniqueArray(name, { maxLength: 10 }),
        (old, late) => {
          const before = old.map((one) => entry(one));
          const fresh = late
            .filter((one) => !old.includes(one))
            .map((one) => entry(one, { arrived: '2026-02-01' }));
          const letters = lettersOf(...before);
          const after = lettersOf(...fresh, ...before);
          expect(new Set(Object.values(after)).size).toBe(Object.keys(after).length);
          for (const [of, own] of Object.entries(after)) {
            expect(of.startsWith(own)).toBe(true);
          }
          for (const [of, own] of Object.entries(letters)) {
            expect(after[of]).toBe(own);
          }
          // All of a name is taken before it only where other names end up with all of its beginnings.
          for (const one of old) {
            if (!(one in letters)) {
              expect(
                Array.from(one, (_, n) => one.slice(0, n + 1)).every((start) =>
                  Object.values(letters).includes(start),
                ),
              ).toBe(true);
            }
          }
        },
      ),
    );
  });
});
