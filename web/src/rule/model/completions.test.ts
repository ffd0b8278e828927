import { describe, expect, it } from '@jest/globals';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { candidateOf, CatalogIndex, noWords } from '@clever-drawer/core/rules';
import { createCompletions } from './completions.ts';

const plugin = (name: string, vendor: string, types: readonly string[]): Plugin => ({
  id: asId(name),
  name,
  vendor,
  kind: 'effect',
  types: [...types],
  arrived: '2026-11-01',
  copies: [],
});
const candidates = [
  plugin('Tape Echo', 'Osier', ['delay/tape-echo']),
  plugin('Room Echo', 'Osier', ['delay/delay']),
  plugin('Kelp Hall', 'Pale Harbour', ['reverb/hall']),
].map((one) => candidateOf(one));
const where = { now: 0, isIn: () => false, isFiled: () => false };
const { of } = createCompletions(new CatalogIndex(candidates), candidates, noWords, where);

describe('completions of a line', () => {
  it('are the words of names, those of most plugins first', () => {
    expect(of('name', 'has')[0]).toEqual({ value: 'echo', text: 'echo', count: 2 });
  });
  it('are whole names where a line asks what the name is', () => {
    expect(of('name', 'is').map((one) => one.value)).toContain('Tape Echo');
  });
  it('are only types that some plugin has', () => {
    expect(of('type', 'is').every((one) => one.count > 0)).toBe(true);
  });
  it('are worked out once for each field and way of asking', () => {
    expect(of('vendor', 'is')).toBe(of('vendor', 'is'));
  });
});
