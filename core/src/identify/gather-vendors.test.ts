import { isOneApart } from '../text/edit-distance.ts';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  foldVendor,
  gatherVendors,
  nearMisses,
  noDecisions,
  vendorNames,
} from './gather-vendors.ts';

const gather = (counts: Record<string, number>, decided = noDecisions) =>
  gatherVendors(new Map(Object.entries(counts)), decided);

describe('spellings of a vendor', () => {
  it('gather without address, case, punctuation and the words that come and go', () => {
    const vendors = gather({
      'Osier & Pitch': 5,
      'OSIER and PITCH Ltd.': 2,
      'Osier & Pitch <hello@osier.invalid>': 1,
      'Osier & Pitch VST3': 1,
      Saltglass: 3,
    });
    expect(vendors.map((v) => [v.name, v.count])).toEqual([
      ['Osier & Pitch', 9],
      ['Saltglass', 3],
    ]);
    expect(foldVendor('Some One <some at one dot org>')).toBe('someone');
  });
  it('are shown without the format that a copy names, however many do', () => {
    const namesOf = (counts: Record<string, number>) => gather(counts).map(({ name }) => name);
    expect(namesOf({ 'Saltglass VST': 9, 'Saltglass LV2': 3, Saltglass: 1 })).toEqual([
      'Saltglass',
    ]);
    expect(namesOf({ 'Osier & Pitch VST3': 2 })).toEqual(['Osier & Pitch']);
    expect(namesOf({ VST: 1, Handclap: 1 })).toEqual(['Handclap', 'VST']);
  });
  it('go where the user says, and spellings alike follow', () => {
    const decided = new Map([
      ['Thrift', 'Thrift Oscillators'],
      ['Thrift Oscillators', 'Thrift Oscillators'],
    ]);
    expect(
      gather({ 'Thrift Oscillators': 20, Thrift: 3, 'THRIFT Ltd': 1 }, decided).map((v) => [
        v.name,
        v.count,
      ]),
    ).toEqual([['Thrift Oscillators', 24]]);
    expect(vendorNames(gather({ Thrift: 1 }, new Map([['Thrift', 'Mine']]))).get('Thrift')).toBe(
      'Mine',
    );
  });
  it('are gathered alike in any order', () => {
    const spelling = fc.constantFrom(
      'Osier',
      'OSIER',
      'Osier Ltd',
      'Pale Harbour',
      'pale harbour',
      'Quoin',
      'Quoins',
    );
    fc.assert(
      fc.property(fc.uniqueArray(spelling), (list) => {
        const counts = list.map((s): [string, number] => [s, s.length]);
        expect(gatherVendors(new Map([...counts].reverse()), noDecisions)).toEqual(
          gatherVendors(new Map(counts), noDecisions),
        );
      }),
    );
  });
});

describe('near misses', () => {
  it('are vendors a letter apart, or one with a word more; others are not', () => {
    const missed = nearMisses(
      gather({
        Saltglass: 3,
        Saltgless: 1,
        'Pale Harbour': 4,
        'Pale Harbour Works': 1,
        Brackenfield: 2,
        Quoin: 2,
        Ebbing: 1,
      }),
    );
    expect(missed.map((m) => `${m.a.name} ${m.b.name}`).sort()).toEqual([
      'Pale Harbour Pale Harbour Works',
      'Saltglass Saltgless',
    ]);
  });
  it('count one wrong, missing, added or swapped letter', () => {
    expect([
      isOneApart('saltglass', 'saltgless'),
      isOneApart('saltglass', 'salglass'),
      isOneApart('saltglass', 'saltglasss'),
      isOneApart('saltglass', 'satlglass'),
      isOneApart('saltglass', 'sattgless'),
    ]).toEqual([true, true, true, true, false]);
  });
});
