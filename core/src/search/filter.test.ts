import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId } from '../id.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { fold } from '../text/fold.ts';
import {
  createNarrower,
  isNarrowed,
  lineUp,
  narrow,
  noFilter,
  rowOf,
  type Filter,
} from './filter.ts';
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
  const rows = catalog.map((p) => rowOf(p, null, null));
  it('keeps just what a plain reading of the filter keeps', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(null, 'delay', 'reverb', 'none'),
        fc.constantFrom(null, 'Quoin', 'Saltglass'),
        fc.constantFrom('', 'sa', 'sla del', 'QUOIN'),
        fc.boolean(),
        (type, vendor, text, unfiled) => {
          const kept = narrow(
            rows,
            { ...noFilter, type, vendor, text, unfiled },
            (id) => id === 'Islet',
            { answers: new Map(), usage: new Map(), isIn: () => false, now: 0 },
          ).map((r) => r.plugin.name);
          const wanted = catalog.filter(
            (p) =>
              (type === null || p.types.some((t) => t.split('/')[0] === type)) &&
              (vendor === null || p.vendor === vendor) &&
              (!unfiled || p.name !== 'Islet') &&
              text
                .split(' ')
                .every((part) =>
                  fold(
                    `${p.name} ${p.vendor ?? ''} ${p.types[0] === 'delay' ? 'Delay' : 'Hall'}`,
                  ).includes(part.toLowerCase()),
                ),
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
  it('again and again keeps what it keeps at once, whatever was typed or chosen before', () => {
    const facts = { answers: new Map(), usage: new Map(), isIn: () => false, now: 0 };
    const isFiled = (id: string): boolean => id === 'Islet';
    const steps = fc.array(
      fc.record({
        text: fc.constantFrom('', 's', 'sa', 'sa ', 'sa l', 'SAL', 'sh', 'é', 'é2', '  s'),
        vendor: fc.constantFrom(null, 'Saltglass'),
        unfiled: fc.boolean(),
        from: fc.constantFrom(0, 1),
      }),
    );
    fc.assert(
      fc.property(steps, (all) => {
        const narrowAgain = createNarrower();
        const fewer = rows.slice(1);
        for (const { from, ...part } of all) {
          const filter: Filter = { ...noFilter, ...part };
          const among = from === 0 ? rows : fewer;
          expect(narrowAgain(among, filter, isFiled, facts)).toEqual(
            narrow(among, filter, isFiled, facts),
          );
        }
      }),
    );
  });
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
