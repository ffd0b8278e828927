import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { fold } from '../fold.ts';
import { isNarrowed, lineUp, narrow, noFilter, rowOf } from './filter.ts';
import { entryOf, find, type Habits } from './find.ts';
import { fits, slotSortAt } from './fits.ts';

const plugin = (name: string, over: Partial<Plugin> = {}): Plugin => ({ id: asId(name), name, vendor: 'Quoin', kind: 'effect', types: ['delay'], arrived: '2026-01-01', copies: [], ...over });
const catalog = [plugin('Slackwater Delay'), plugin('Shoal Verb', { types: ['reverb/hall'] }), plugin('Salt Line', { vendor: 'Saltglass' }), plugin('TapeEcho 2'), plugin('Islet')];
const entries = catalog.map((p) => entryOf(p, p.name === 'Islet' ? 'Slap me' : null, null));
const none: Habits = { warmth: new Map(), favourites: new Set() };
const names = (query: string, habits = none): string[] => find(entries, query, habits, 10).map((h) => h.plugin.name);

describe('finding by a few letters', () => {
  it('takes beginnings, initials, parts across words and capitals inside', () => {
    expect(names('sd')[0]).toBe('Slackwater Delay');
    expect(names('sla del')[0]).toBe('Slackwater Delay');
    expect(names('sladel')[0]).toBe('Slackwater Delay');
    expect(names('echo')[0]).toBe('TapeEcho 2');
    expect(names('tapeecho2')[0]).toBe('TapeEcho 2');
  });
  it('finds by nickname, vendor and type, in any order of words', () => {
    expect(names('slap')[0]).toBe('Islet');
    expect(names('glass')).toEqual(['Salt Line']);
    expect(names('hall quoin')).toEqual(['Shoal Verb']);
  });
  it('says why, and puts a name before a vendor', () => {
    expect(find(entries, 'salt', none, 1)[0]).toMatchObject({ because: 'name starts with “salt”' });
  });
  it('ranks what is loaded often higher among equal matches', () => {
    expect(names('s')[0]).toBe('Islet');
    expect(names('s', { ...none, warmth: new Map([['Shoal Verb', 30]]) })[0]).toBe('Shoal Verb');
    expect(names('', { warmth: new Map([['Salt Line', 2]]), favourites: new Set(['TapeEcho 2']) }).slice(0, 2)).toEqual(['Salt Line', 'TapeEcho 2']);
  });
  it('gives the same first hits whatever the limit', () => {
    fc.assert(fc.property(fc.string({ maxLength: 4 }), fc.integer({ min: 1, max: 5 }), (query, limit) => {
      expect(find(entries, query, none, limit).map((h) => h.plugin.id)).toEqual(find(entries, query, none, 100).slice(0, limit).map((h) => h.plugin.id));
    }));
  });
  it('does not take long over letters that match nowhere', () => {
    const long = entryOf(plugin(Array<string>(40).fill('aaaa').join(' ')), null, null);
    expect(find([long], `${'a'.repeat(60)}b`, none, 5)).toEqual([]);
  });
});

describe('narrowing the list', () => {
  const rows = catalog.map((p) => rowOf(p, null, null));
  it('keeps just what a plain reading of the filter keeps', () => {
    fc.assert(fc.property(fc.constantFrom(null, 'delay', 'reverb', 'none'), fc.constantFrom(null, 'Quoin', 'Saltglass'), fc.constantFrom('', 'sa', 'sla del', 'QUOIN'), fc.boolean(), (type, vendor, text, unfiled) => {
      const kept = narrow(rows, { ...noFilter, type, vendor, text, unfiled }, (id) => id === 'Islet', { answers: new Map(), usage: new Map(), isIn: () => false, now: 0 }).map((r) => r.plugin.name);
      const wanted = catalog.filter((p) => (type === null || p.types.some((t) => t.split('/')[0] === type)) && (vendor === null || p.vendor === vendor) && (!unfiled || p.name !== 'Islet')
        && text.split(' ').every((part) => fold(`${p.name} ${p.vendor ?? ''} ${p.types[0] === 'delay' ? 'Delay' : 'Hall'}`).includes(part.toLowerCase())));
      expect(kept).toEqual(wanted.map((p) => p.name));
    }));
  });
  it('knows whether anything narrows it', () => {
    expect(isNarrowed({ ...noFilter, text: '  ' })).toBe(false);
    expect(isNarrowed({ ...noFilter, unfiled: true })).toBe(true);
  });
  it('lines up by use, then by name', () =>
    expect(lineUp(rows, 'use', new Map([['TapeEcho 2', { warmth: 3 }]])).map((r) => r.plugin.name)).toEqual(['TapeEcho 2', 'Islet', 'Salt Line', 'Shoal Verb', 'Slackwater Delay']));
});

describe('slots', () => {
  it('take instruments first on an instrument track, effects and tools elsewhere, the unknown anywhere', () => {
    expect(slotSortAt('instrument', 0)).toBe('instrument');
    expect(slotSortAt('instrument', 1)).toBe('effect');
    expect([fits('instrument', 'effect'), fits('tool', 'effect'), fits('unknown', 'instrument'), fits('note-effect', 'effect')]).toEqual([false, true, true, false]);
  });
});
