import { describe, expect, it } from '@jest/globals';
import { asId, orderOf, type Answer, type FolderId, type OrderRecord } from '@clever-drawer/core';
import { materialOf } from './material.ts';
import { pluginOf } from '../../studio/plugin.test-data.ts';
import { cabinet, folder } from './order.test-data.ts';

const placed = (into: string, id: string): OrderRecord => ({
  table: 'placement',
  id: asId(`${into}-${id}`),
  folder: asId(into),
  plugin: asId(id),
  position: 'a',
});

const made = (
  records: readonly OrderRecord[],
  {
    answers = [],
    namings = [],
    smart = [],
  }: {
    readonly answers?: readonly (readonly [string, Answer])[];
    readonly namings?: readonly (readonly [string, { nickname: string | null }])[];
    readonly smart?: readonly (readonly [string, readonly string[]])[];
  } = {},
) => {
  const members = new Map(smart);
  return materialOf({
    plugins: [
      pluginOf('sluice'),
      pluginOf('heron'),
      pluginOf('both', { chain: [asId('sluice'), asId('heron')] }),
    ],
    answers: new Map(answers),
    formatOrder: ['LV2'],
    order: orderOf([cabinet, ...records]),
    arrangement: {
      namings: new Map(namings),
      rules: { membersOf: (id: string) => members.get(id) ?? null },
    } as unknown as Parameters<typeof materialOf>[0]['arrangement'],
  });
};

describe('what a review is made of', () => {
  it('is the plugins, with chains beside them and not among them', () => {
    const material = made([]);
    expect([material.plugins.map(({ id }) => id), material.chains]).toEqual([
      ['sluice', 'heron'],
      [['sluice', 'heron']],
    ]);
  });
  it('calls a plugin by its nickname, and says that it has one', () => {
    const [sluice] = made([], { namings: [['sluice', { nickname: 'Gate' }]] }).plugins;
    expect(sluice).toMatchObject({ name: 'Gate', hasNickname: true });
  });
  it('tells the last day of a trial, but none of what is owned', () => {
    const says = (state: 'trial' | 'owned') =>
      ({ licence: { state, until: '2026-12-24' }, isHidden: true }) as unknown as Answer;
    const { plugins } = made([], {
      answers: [
        ['sluice', says('trial')],
        ['heron', says('owned')],
      ],
    });
    expect(plugins.map(({ trialEnds }) => trialEnds)).toEqual(['2026-12-24', null]);
  });
  it('has folders with what stands in them, smart ones with what they hold now', () => {
    const { folders } = made([folder('plain'), folder('smart'), placed('plain', 'heron')], {
      smart: [['smart', ['sluice', 'heron']]],
    });
    expect(folders.map(({ id, plugins }) => [id, plugins])).toEqual([
      ['plain', ['heron']],
      ['smart', ['sluice', 'heron']],
    ]);
  });
  it('leaves out dividers and what only stands for another folder', () => {
    const { folders } = made([
      folder('plain'),
      folder('line', { form: 'divider' }),
      folder('shown', { shortcutTo: asId<FolderId>('plain') }),
    ]);
    expect(folders.map(({ id }) => id)).toEqual(['plain']);
  });
  it('is plain values, which a worker can be given', () => {
    const material = made([folder('plain'), placed('plain', 'heron')]);
    expect(structuredClone(material)).toEqual(material);
  });
});
