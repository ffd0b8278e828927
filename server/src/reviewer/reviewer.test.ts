import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import {
  materialOf,
  reviewPart,
  usualView,
  wishOf,
  type PastUse,
  type UseReview,
} from '@clever-drawer/core/review';
import type { ReviewFacts } from './review-worker.ts';
import { Reviewer } from './reviewer.ts';

const at = Date.UTC(2026, 10, 28, 12);
const plugin = (id: string): Plugin => ({
  id: asId(id),
  name: id,
  vendor: 'Saltglass',
  kind: 'effect',
  types: ['delay/tape'],
  arrived: '2026-01-01T00:00:00.000Z',
  copies: [],
});
const load = (id: string, before: number): PastUse => ({
  plugin: id,
  at: at - before,
  track: 'bus',
  after: null,
  typed: 'slu',
  keys: 3,
  took: 900,
  folder: null,
});
const nothing = { order: [], settings: [], usage: [], comings: [], sessions: [] };
const factsOf = (uses: readonly PastUse[], computer = 'net-loft'): ReviewFacts => ({
  at,
  source: { ...nothing, computer, catalog: [plugin('sluice'), plugin('heron')] },
  uses: JSON.stringify(uses),
});

let reviewer: Reviewer;
beforeEach(() => {
  reviewer = new Reviewer();
});
afterEach(async () => {
  await reviewer.close();
});

const used = async (of: ReviewFacts): Promise<UseReview> =>
  JSON.parse(await reviewer.work(of, 'use', usualView)) as UseReview;
const letters = async (of: ReviewFacts): Promise<unknown> => (await used(of)).letters;

describe('the thread that works reviews out', () => {
  it('gives what core gives of the same', async () => {
    const uses = [load('sluice', 5)];
    const catalog = [plugin('sluice'), plugin('heron')];
    const material = materialOf({ computer: 'net-loft', catalog, uses, ...nothing }, at);
    const wish = wishOf(usualView, at);
    const here = factsOf(uses);
    expect(await used(here)).toEqual(reviewPart.use(material, wish));
    expect(JSON.parse(await reviewer.work(here, 'own', usualView))).toEqual(
      reviewPart.own(material, wish),
    );
  });

  it('answers each by what it was told last, of whatever computer', async () => {
    const one = factsOf([load('sluice', 5)]);
    const two = factsOf([load('sluice', 5), load('sluice', 9)]);
    const elsewhere = factsOf([load('heron', 5)], 'stage');
    const many = await Promise.all([letters(one), letters(two), letters(elsewhere), letters(one)]);
    expect(many).toEqual([1, 2, 1, 1].map((times) => [{ letters: 'slu', times }]));
  });

  it('begins anew after it was closed', async () => {
    const here = factsOf([load('sluice', 5)]);
    const first = await letters(here);
    await reviewer.close();
    expect(await letters(here)).toEqual(first);
  });

  it('says so where it breaks, and the next is answered again', async () => {
    const here = factsOf([load('sluice', 5)]);
    const broken = letters({ ...here, uses: '{"plugins":' });
    const waiting = letters(here);
    await expect(broken).rejects.toThrow('JSON');
    await expect(waiting).rejects.toThrow('ended');
    expect(await letters(here)).toEqual([{ letters: 'slu', times: 1 }]);
  });
});
