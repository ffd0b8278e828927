import { describe, expect, it } from '@jest/globals';
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
});
