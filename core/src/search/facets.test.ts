import { describe, expect, it } from '@jest/globals';
import { nothingSaid, type AnswerFacts } from '../catalog/answer.ts';
import type { CopyCard, Plugin } from '../catalog/plugin.ts';
import { asId } from '../id.ts';
import { hasFacets, type FacetFacts, type Facets } from './facets.ts';

const now = Date.parse('2026-11-24T12:00:00Z');
const copy = (more: Partial<CopyCard> = {}): CopyCard => ({
  id: asId('c'),
  format: 'VST3',
  path: '/p',
  version: null,
  hasPicture: false,
  is32Bit: false,
  isFailed: false,
  audioIn: null,
  audioOut: null,
  state: 'present',
  ...more,
});
const plugin = (id: string, arrived: string, ...copies: CopyCard[]): Plugin => ({
  id: asId(id),
  name: id,
  vendor: null,
  kind: 'effect',
  types: [],
  arrived,
  copies: copies.length > 0 ? copies : [copy()],
});
const list = [
  plugin('new', '2026-11-20T00:00:00Z'),
  plugin('old', '2020-01-01T00:00:00Z', copy({ is32Bit: true })),
  plugin('both', '2025-01-01T00:00:00Z', copy(), copy({ is32Bit: true })),
  plugin('away', '2025-01-01T00:00:00Z', copy({ state: 'away' })),
  plugin('gone', '2025-01-01T00:00:00Z', copy({ state: 'gone' })),
];
const facts: FacetFacts = {
  now,
  isIn: (folder, id) => folder === 'f' && id === 'both',
  answers: new Map<string, AnswerFacts>([
    ['new', { ...nothingSaid, tags: ['film'], licence: { state: 'trial', until: null } }],
    ['old', { ...nothingSaid, isHidden: true }],
  ]),
  usage: new Map([
    ['both', { lastLoaded: '2026-11-23T00:00:00Z' }],
    ['old', { lastLoaded: '2026-01-01T00:00:00Z' }],
  ]),
};
const left = (wanted: Facets): string[] =>
  list.filter((one) => hasFacets(one, wanted, facts)).map((one) => one.name);

describe('facets', () => {
  it('let everything pass when nothing is wanted, and nothing for a value nobody knows', () => {
    expect([left({}).length, left({ state: 'nonsense' }), left({ bits: '16' })]).toEqual([
      5,
      [],
      [],
    ]);
  });
  it('know bits, licence, state, tags and folders', () => {
    expect([
      left({ bits: '32' }),
      left({ bits: '64' }),
      left({ licence: 'trial' }),
      left({ licence: 'unknown' }).length,
    ]).toEqual([['old'], ['new', 'both'], ['new'], 4]);
    expect([
      left({ state: 'hidden' }),
      left({ state: 'away' }),
      left({ state: 'gone' }),
      left({ state: 'present' }).length,
      left({ tag: 'film' }),
      left({ folder: 'f' }),
    ]).toEqual([['old'], ['away'], ['gone'], 3, ['new'], ['both']]);
  });
  it('know when it arrived and was loaded, and all at once', () => {
    expect([
      left({ arrived: '7' }),
      left({ loaded: '7' }),
      left({ loaded: 'never' }),
      left({ loaded: 'not-90' }),
    ]).toEqual([['new'], ['both'], ['new', 'away', 'gone'], ['new', 'old', 'away', 'gone']]);
    expect(left({ loaded: 'not-90', bits: '32' })).toEqual(['old']);
  });

  it('know what arrived since a time', () => {
    expect(left({ arrived: 'since 2025-01-01T00:00:00Z' })).toEqual([
      'new',
      'both',
      'away',
      'gone',
    ]);
    expect(left({ arrived: 'since 2026-11-20T00:00:01Z' })).toEqual([]);
    expect(left({ arrived: 'since never' })).toEqual([]);
  });
});
