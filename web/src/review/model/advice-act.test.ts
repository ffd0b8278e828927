import { describe, expect, it } from '@jest/globals';
import { perform } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import { orderOf, type OrderRecord } from '@clever-drawer/core/order';
import { toTryAgain, type Advice } from '@clever-drawer/core/review';
import { adviceAct, usedCabinetName, weeklyFolder } from './advice-act.ts';
import { copiesToRetire } from './copies-to-retire.ts';
import { pluginOf } from '@clever-drawer/core/testing';
import { cabinet, folder } from './order.test-data.ts';

const plugins = [
  pluginOf('a', { types: ['reverb/plate'] }),
  pluginOf('b', { types: ['delay/tape'] }),
  pluginOf('c', { types: ['reverb/hall'] }),
];
const here = (...records: OrderRecord[]) => ({
  order: orderOf([cabinet, ...records]),
  cabinet,
  pluginById: new Map(plugins.map((one) => [one.id as string, one])),
});
const advice = (kind: Advice['kind'], more: Partial<Advice> = {}): Advice => ({
  kind,
  key: kind,
  title: '',
  brings: '',
  worth: 1,
  plugins: ['a', 'b', 'c'],
  folders: [],
  copies: [],
  slow: [],
  ...more,
});

describe('adviceAct', () => {
  it('files into a new folder, or into the one that is there', () => {
    expect(adviceAct(advice('file-used'), here())).toMatchObject({
      act: 'add-folder',
      name: weeklyFolder,
      plugins: [{ plugin: 'a' }, { plugin: 'b' }, { plugin: 'c' }],
    });
    expect(
      adviceAct(advice('try-again'), here(folder('again', { name: toTryAgain }))),
    ).toMatchObject({
      act: 'file',
      folder: 'again',
    });
  });
  it('hides, sorts, merges, and keeps a chain under a name', () => {
    expect(adviceAct(advice('hide-unused'), here())).toEqual({
      act: 'answer',
      say: [{ plugins: ['a', 'b', 'c'], set: { isHidden: true } }],
    });
    expect(adviceAct(advice('reorder', { folders: ['f'] }), here())).toEqual({
      act: 'set-folder',
      folder: 'f',
      set: { sortedBy: 'use' },
    });
    expect(adviceAct(advice('merge', { folders: ['f', 'g'] }), here())).toEqual({
      act: 'merge-folders',
      from: 'f',
      into: 'g',
    });
    expect(adviceAct(advice('keep-chain'), here(), 'Gull chain')).toMatchObject({
      act: 'add-chain',
      name: 'Gull chain',
      plugins: ['a', 'b', 'c'],
    });
  });
  it('makes a cabinet with a folder for each group, which the order takes', () => {
    const act = adviceAct(advice('used-cabinet'), here());
    expect(act).toMatchObject({
      act: 'add-cabinet',
      name: usedCabinetName,
      folders: [
        { form: 'favourites' },
        { name: 'Reverb', plugins: [{ plugin: 'a' }, { plugin: 'c' }] },
        { name: 'Delay', plugins: [{ plugin: 'b' }] },
      ],
    });
    const result = act && perform(here().order, act, () => 'a plugin');
    expect(result?.ok).toBe(true);
  });
  it('is none for what is done otherwise', () => {
    expect(adviceAct(advice('retire'), here())).toBeNull();
    expect(adviceAct(advice('trials'), here())).toBeNull();
  });
});

describe('copiesToRetire', () => {
  const withCopies = (...copies: [id: string, path: string][]) => ({
    copies: copies.map(([id, path]) => ({ id, path })) as unknown as Plugin['copies'],
  });
  it('sets a file aside only when all that is in it is needless', () => {
    const both = [withCopies(['a', '/x.so'], ['n', '/n.vst3']), withCopies(['b', '/x.so'])];
    expect(copiesToRetire(both, [{ copy: 'a' }])).toEqual([]);
    expect(copiesToRetire(both, [{ copy: 'a' }, { copy: 'b' }])).toEqual([
      { id: 'a', path: '/x.so' },
    ]);
  });
});
