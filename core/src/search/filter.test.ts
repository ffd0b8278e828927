import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { isNarrowed, lineUp, narrow, noFilter } from './filter.ts';
import { isLoadable, slotKindAt } from '../loading/loadability.ts';

const plugin = (name: string, over: Partial<Plugin> = {}): Plugin => ({
  id: asId(name),
  name,
  vendor: 'Quoin',
  kind: 'effect',
  types: ['delay'],
  arrived: '2026-01-01',
  copies: [],
  ...over,
});
const catalog = [
  plugin('Slackwater Delay'),
  plugin('Shoal Verb', { types: ['reverb/hall'] }),
  plugin('Salt Line', { vendor: 'Saltglass' }),
  plugin('TapeEcho 2'),
  plugin('Islet'),
];

describe('narrowing the list', () => {
  const rows = catalog.map((p) => ({ plugin: p, nickname: null }));
  it('keeps just what a plain reading of the filter keeps', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(null, 'delay', 'reverb', 'none'),
        fc.constantFrom(null, 'Quoin', 'Saltglass'),
        fc.constantFrom(null, new Set<string>(), new Set(['Islet', 'Salt Line', 'Shoal Verb'])),
        fc.boolean(),
        (type, vendor, met, unfiled) => {
          const kept = narrow(
            rows,
            { ...noFilter, type, vendor, unfiled },
            met,
            (id) => id === 'Islet',
            { answers: new Map(), usage: new Map(), isIn: () => false, now: 0 },
          ).map((r) => r.plugin.name);
          const wanted = catalog.filter(
            (p) =>
              (type === null || p.types.some((t) => t.split('/')[0] === type)) &&
              (vendor === null || p.vendor === vendor) &&
              (!unfiled || p.name !== 'Islet') &&
              (met?.has(p.name) ?? true),
          );
          expect(kept).toEqual(wanted.map((p) => p.name));
        },
      ),
    );
  });
  it('knows whether anything narrows it', () => {
    expect(isNarrowed({ ...noFilter, text: '  ' })).toBe(false);
    expect(isNarrowed({ ...noFilter, unfiled: true })).toBe(true);
  });
  it('lines up by use, then by name', () =>
    expect(
      lineUp(rows, 'use', new Map([['TapeEcho 2', { warmth: 3 }]])).map((r) => r.plugin.name),
    ).toEqual(['TapeEcho 2', 'Islet', 'Salt Line', 'Shoal Verb', 'Slackwater Delay']));
});

describe('slots', () => {
  it('take instruments first on an instrument track, effects and tools elsewhere, the unknown anywhere', () => {
    expect(slotKindAt('instrument', 0)).toBe('instrument');
    expect(slotKindAt('instrument', 1)).toBe('effect');
    expect([
      isLoadable('instrument', 'effect'),
      isLoadable('tool', 'effect'),
      isLoadable('unknown', 'instrument'),
      isLoadable('note-effect', 'effect'),
    ]).toEqual([false, true, true, false]);
  });
});
