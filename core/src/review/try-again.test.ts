import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { CopyCard } from '../catalog/plugin.ts';
import { asId } from '../id.ts';
import { day } from '../time.ts';
import { tryAgainOf, weekOf } from './try-again.ts';

const now = Date.UTC(2026, 10, 25);
const copy = { state: 'present' } as CopyCard;
const plugin = (id: string, type: string) => ({
  id: asId<never>(id),
  types: [type],
  copies: [copy],
});
const plugins = [
  plugin('used', 'reverb/plate'),
  plugin('used too', 'delay/tape'),
  plugin('long ago', 'reverb/plate'),
  ...[1, 2, 3, 4, 5].map((n) => plugin(`never ${n}`, n % 2 === 0 ? 'reverb/plate' : 'delay/tape')),
  plugin('other type', 'eq'),
];
const ago = (days: number) => ({ lastLoaded: new Date(now - days * day).toISOString() });
const usage = new Map([
  ['used', ago(3)],
  ['used too', ago(5)],
  ['long ago', ago(200)],
]);
const names = (at: number, without?: (id: string) => boolean): string[] =>
  tryAgainOf(plugins, usage, at, without).map(({ id }) => id as string);

describe('tryAgainOf', () => {
  it('offers three forgotten ones of types that are used, of different types first', () => {
    const offered = names(now);
    expect(offered).toHaveLength(3);
    expect(offered[0]).toBe('long ago');
    expect(offered).not.toContain('other type');
    expect(offered).not.toContain('used');
    const types = offered.map((id) => plugins.find((one) => one.id === asId(id))?.types[0]);
    expect(types.slice(0, 2)).toEqual(['reverb/plate', 'delay/tape']);
  });
  it('is the same all week, from Monday, and others in some other week', () => {
    const monday = Date.UTC(2026, 10, 23);
    expect(new Date(monday).getUTCDay()).toBe(1);
    expect(weekOf(monday - 1)).toBe(weekOf(monday) - 1);
    expect(names(monday)).toEqual(names(monday + 7 * day - 1));
    const weeks = [1, 2, 3, 4].map((n) => names(now + n * 7 * day).join());
    expect(new Set(weeks).size).toBeGreaterThan(1);
  });
  it('leaves out what was dismissed, as if it were not there', () => {
    expect(names(now, (id) => id === 'long ago')).not.toContain('long ago');
    const ids = plugins.map(({ id }) => id as string);
    fc.assert(
      fc.property(fc.subarray(ids), fc.integer({ min: 0, max: 60 }), (out, weeks) => {
        const at = now + weeks * 7 * day;
        const left = plugins.filter(({ id }) => !out.includes(id) || usage.has(id));
        const isOut = (id: string): boolean => out.includes(id) && !usage.has(id);
        expect(names(at, isOut)).toEqual(tryAgainOf(left, usage, at).map(({ id }) => id));
      }),
    );
  });
  it('is what one gets by putting all in order and taking one of each type first', () => {
    const types = ['reverb/plate', 'delay/tape', 'eq', 'meter'];
    const some = fc.array(
      fc.record({
        type: fc.constantFrom(...types),
        days: fc.option(fc.integer({ min: 0, max: 400 })),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 60 }), (made, weeks) => {
        const all = made.map(({ type }, n) => plugin(`p${n}`, type));
        const used = new Map(
          made.flatMap(({ days }, n) => (days === null ? [] : [[`p${n}`, ago(days)] as const])),
        );
        const at = now + weeks * 7 * day;
        const offered = tryAgainOf(all, used, at);
        const everything = new Map<string, number>();
        // Each left out in turn tells the order in which they are offered.
        for (let left = all; left.length > 0; ) {
          const [next] = tryAgainOf(left, used, at);
          if (!next) {
            break;
          }
          everything.set(next.id, everything.size);
          left = left.filter((one) => one !== next);
        }
        const inOrder = all
          .filter(({ id }) => everything.has(id))
          .sort((a, b) => (everything.get(a.id) ?? 0) - (everything.get(b.id) ?? 0));
        const first = types
          .flatMap((type) => inOrder.find((one) => one.types[0] === type) ?? [])
          .sort((a, b) => inOrder.indexOf(a) - inOrder.indexOf(b));
        const others = inOrder.filter((one) => !first.includes(one));
        expect(offered).toEqual([...first, ...others].slice(0, 3));
      }),
    );
  });
});
