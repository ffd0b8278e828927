import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import {
  asId,
  materialOf,
  reviewPart,
  toColumns,
  usualView,
  wishOf,
  type PastUse,
  type Plugin,
  type UseReview,
} from '@clever-drawer/core';
import type { ToldLoad } from './told-loads.ts';
import type { Told } from './review-worker.ts';
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
const load = (id: string, before: number): ToldLoad => [
  id,
  at - before,
  'bus',
  null,
  'slu',
  3,
  900,
  null,
];
const told = (loads: readonly ToldLoad[], computer = 'net-loft'): Told => ({
  at,
  computer,
  isLearning: true,
  catalog: JSON.stringify({ columns: toColumns([plugin('sluice'), plugin('heron')]) }),
  order: '[]',
  settings: '[]',
  usage: '[]',
  loads: JSON.stringify(loads),
  comings: '[]',
  sessions: '[]',
});

let reviewer: Reviewer;
beforeEach(() => {
  reviewer = new Reviewer();
});
afterEach(async () => {
  await reviewer.close();
});

const used = async (of: Told): Promise<UseReview> =>
  JSON.parse(await reviewer.work(of, 'use', usualView)) as UseReview;
const letters = async (of: Told): Promise<unknown> => (await used(of)).letters;

describe('the thread that works reviews out', () => {
  it('gives what core gives of the same', async () => {
    const uses: PastUse[] = [
      {
        plugin: 'sluice',
        at: at - 5,
        track: 'bus',
        after: null,
        typed: 'slu',
        keys: 3,
        took: 900,
        folder: null,
      },
    ];
    const catalog = [plugin('sluice'), plugin('heron')];
    const nothing = { order: [], settings: [], usage: [], comings: [], sessions: [] };
    const material = materialOf({ computer: 'net-loft', catalog, uses, ...nothing }, at);
    const wish = wishOf(usualView, at);
    const here = told([load('sluice', 5)]);
    expect(await used(here)).toEqual(reviewPart.use(material, wish));
    expect(JSON.parse(await reviewer.work(here, 'own', usualView))).toEqual(
      reviewPart.own(material, wish),
    );
  });

  it('answers each by what it was told last, of whatever computer', async () => {
    const one = told([load('sluice', 5)]);
    const two = told([load('sluice', 5), load('sluice', 9)]);
    const elsewhere = told([load('heron', 5)], 'stage');
    const many = await Promise.all([letters(one), letters(two), letters(elsewhere), letters(one)]);
    expect(many).toEqual([1, 2, 1, 1].map((times) => [{ letters: 'slu', times }]));
  });

  it('begins anew after it was closed', async () => {
    const here = told([load('sluice', 5)]);
    const first = await letters(here);
    await reviewer.close();
    expect(await letters(here)).toEqual(first);
  });

  it('says so where it breaks, and the next is answered again', async () => {
    const here = told([load('sluice', 5)]);
    const broken = letters({ ...here, catalog: '{"plugins":' });
    const waiting = letters(here);
    await expect(broken).rejects.toThrow('JSON');
    await expect(waiting).rejects.toThrow('ended');
    expect(await letters(here)).toEqual([{ letters: 'slu', times: 1 }]);
  });
});
