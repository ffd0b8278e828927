import { describe, expect, it } from '@jest/globals';
import { perform } from '@clever-drawer/core/acts';
import { orderOf, type OrderRecord } from '@clever-drawer/core/order';
import { toTryAgain, type Advice, type RetirableCopy } from '@clever-drawer/core/review';
import { adviceAct, usedCabinetName, weeklyFolder } from './advice-act.ts';
import { choicesOf, onlyChosen } from './choices.ts';
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
  tied: [],
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
    expect(adviceAct(advice('name-slow'), here())).toBeNull();
    expect(adviceAct(advice('trials'), here())).toBeNull();
  });
});

describe('what one chooses from', () => {
  const copy = (id: string, ties: RetirableCopy['ties'] = []): RetirableCopy => ({
    plugin: 'a',
    copy: id,
    format: 'VST2',
    is32Bit: false,
    path: `/${id}`,
    version: '1.0',
    by: { format: 'VST2', version: '2.0', path: '/new' },
    sessions: [],
    ties,
  });
  it('are plugins, or copies to be retired; what has ties comes last', () => {
    const tied = [{ plugin: 'd', ties: ['filed' as const] }];
    const ids = (given: Advice) => choicesOf(given)?.map(({ id }) => id);
    expect(ids(advice('hide-unused', { tied }))).toEqual(['a', 'b', 'c', 'd']);
    const copies = [copy('old', ['session']), copy('older')];
    expect(ids(advice('retire', { copies }))).toEqual(['older', 'old']);
  });
  it('are none where advice is followed as a whole', () => {
    expect(choicesOf(advice('merge'))).toBeNull();
    expect(choicesOf(advice('used-cabinet'))).toBeNull();
  });
  it('leave only what is chosen', () => {
    const whole = advice('retire', { copies: [copy('old', ['session']), copy('older')] });
    const chosen = onlyChosen(whole, choicesOf(whole) ?? [], new Set(['older']));
    expect(adviceAct(chosen, here())).toEqual({ act: 'set-aside', copies: ['older'] });
  });
});
