import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { gatherPrefixes } from './maker-prefix.ts';

const bare = (names: readonly string[], vendor = 'gorse'): string[] => {
  const plugins = names.map((name) => ({ name, vendor }));
  return plugins.map(gatherPrefixes(plugins));
};

describe('what a maker puts in front of all its names', () => {
  it('is taken off, as a word, in capitals or glued on', () => {
    expect(bare(['Gorse Hall', 'Gorse Gate', 'Gorse Rotor', 'Gorse Fuzz', 'Gorse Tilt'])).toEqual([
      'Hall',
      'Gate',
      'Rotor',
      'Fuzz',
      'Tilt',
    ]);
    expect(bare(['GkHall', 'Gkgate', 'Gk_rotor', 'Gk-fuzz', 'GkTilt'])).toEqual([
      'Hall',
      'gate',
      'rotor',
      'fuzz',
      'Tilt',
    ]);
  });
  it('stays where it is a word of the trade, or where too few names share it', () => {
    const delays = ['Delay One', 'Delay Two', 'Delay Three', 'Delay Four', 'Delay Five'];
    expect(bare(delays)).toEqual(delays);
    const few = ['Gorse Hall', 'Gorse Gate', 'Gorse Rotor'];
    expect(bare(few)).toEqual(few);
    const mixed = ['Gorse Hall', 'Gorse Gate', 'Rotor', 'Fuzz', 'Tilt'];
    expect(bare(mixed)).toEqual(mixed);
  });
  it('stays in a name whose first word it would cut, and where no vendor is known', () => {
    const names = ['GorHall', 'GorGate', 'GorRotor', 'GorFuzz', 'GoRed', 'GorTilt'];
    expect(bare(names)[4]).toBe('GoRed');
    expect(bare(names, '')).toEqual(names);
  });

  it('is the longest beginning that four of five names share, counted one by one', () => {
    // Names with a mark behind what they may share, so that nothing but the count decides.
    const name = fc
      .tuple(fc.constantFrom('quo', 'quoin', 'quoins', 'marl'), fc.stringMatching(/^[a-z]{2,5}$/))
      .map(([beginning, rest]) => `${beginning} ${rest}`);
    fc.assert(
      fc.property(fc.uniqueArray(name, { minLength: 5, maxLength: 14 }), (names) => {
        const shared = ['quo ', 'quoin ', 'quoins ', 'marl '].find(
          (one) => names.filter((n) => n.startsWith(one)).length >= 0.8 * names.length,
        );
        const expected = names.map((n) =>
          shared !== undefined && n.startsWith(shared) ? n.slice(shared.length) : n,
        );
        const glued = countedBeginning(names);
        fc.pre(glued === (shared ?? '') || glued.length < 2);
        expect(bare(names)).toEqual(expected);
      }),
    );
  });
});

/** The same by counting every beginning of every name. */
function countedBeginning(names: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const name of names) {
    for (let length = 2; length < name.length; length += 1) {
      const beginning = name.slice(0, length);
      counts.set(beginning, (counts.get(beginning) ?? 0) + 1);
    }
  }
  return [...counts]
    .filter(([, count]) => count >= 0.8 * names.length)
    .reduce((long, [one]) => (one.length > long.length ? one : long), '');
}
