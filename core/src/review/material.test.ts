import { describe, expect, it } from '@jest/globals';
import { nothingSaid, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { asId, type FolderId } from '../id.ts';
import { plainFolder, type Folder, type OrderRecord } from '../order/records.ts';
import { parseRule } from '../rules/language/text.ts';
import { day } from '../time.ts';
import { materialOf, type ReviewSource } from './material.ts';
import { aUse, now } from './studio.test-data.ts';

const plugin = (id: string): Plugin => ({
  id: asId(id),
  name: id,
  vendor: null,
  kind: 'effect',
  types: [],
  arrived: '2026-01-01T00:00:00.000Z',
  copies: [],
});
const cabinet: OrderRecord = {
  table: 'cabinet',
  id: asId('cabinet'),
  name: 'All',
  position: 'a',
  opensFor: [],
  sortedBy: null,
};
const folder = (id: string, more: Partial<Folder> = {}): OrderRecord => ({
  ...plainFolder,
  table: 'folder',
  id: asId(id),
  cabinet: asId('cabinet'),
  parent: null,
  form: 'folder',
  name: id,
  position: 'aV',
  rule: null,
  ...more,
});
const smart = (id: string, text: string): OrderRecord => {
  const rule = parseRule(text);
  if (!rule.ok) {
    throw new Error(`no rule: ${text}`);
  }
  return folder(id, { form: 'smart', rule: rule.value });
};
const placed = (into: string, id: string): OrderRecord => ({
  table: 'placement',
  id: asId(`${into}-${id}`),
  folder: asId(into),
  plugin: asId(id),
  position: 'a',
});
const said = (id: string, more: Partial<AnswerFacts>): OrderRecord => ({
  ...nothingSaid,
  table: 'answer',
  id: asId(id),
  ...more,
});
const chain: OrderRecord = {
  table: 'chain',
  id: asId('both'),
  name: 'Both',
  kind: 'effect',
  plugins: [asId('sluice'), asId('heron')],
};

const made = (records: readonly OrderRecord[], more: Partial<ReviewSource> = {}) =>
  materialOf(
    {
      computer: 'net-loft',
      catalog: [plugin('sluice'), plugin('heron')],
      order: [cabinet, ...records],
      settings: [],
      usage: [],
      uses: [],
      comings: [],
      sessions: [],
      ...more,
    },
    now,
  );

describe('what a review is made of', () => {
  it('is the plugins, with chains beside them and not among them', () => {
    const { plugins, chains } = made([chain]);
    expect([plugins.map(({ id }) => id), chains]).toEqual([
      ['sluice', 'heron'],
      [['sluice', 'heron']],
    ]);
  });
  it('has no saved setting among the plugins, though folders hold them', () => {
    const setting = {
      id: asId<Plugin['id']>('low tide'),
      name: 'Low tide',
      plugin: asId<Plugin['id']>('sluice'),
      bank: null,
      format: 'LV2',
      path: '/low-tide.ttl',
      identity: null,
    } as const;
    const { plugins, folders } = made([folder('plain'), placed('plain', 'low tide')], {
      settings: [setting],
    });
    expect(plugins.map(({ id }) => id)).toEqual(['sluice', 'heron']);
    expect(folders[0]?.plugins).toEqual(['low tide']);
  });
  it('calls a plugin by its nickname, and says that it has one', () => {
    const names: OrderRecord = {
      table: 'plugin-names',
      id: asId('sluice'),
      nickname: 'Gate',
      slotLabel: null,
    };
    const [sluice, heron] = made([names]).plugins;
    expect(sluice).toMatchObject({ name: 'Gate', hasNickname: true });
    expect(heron).toMatchObject({ name: 'heron', hasNickname: false });
  });
  it('tells the last day of a trial, but none of what is owned, and what is said of types', () => {
    const until = '2026-12-24';
    const { plugins } = made([
      said('sluice', { licence: { state: 'trial', until }, types: ['delay/tape'] }),
      said('heron', { licence: { state: 'owned', until }, isHidden: true }),
    ]);
    expect(plugins.map(({ trialEnds, isHidden, types }) => [trialEnds, isHidden, types])).toEqual([
      [until, false, ['delay/tape']],
      [null, true, []],
    ]);
  });
  it('has folders with what stands in them, smart ones with what they hold now', () => {
    const used = { plugin: 'heron', loads: 3, warmth: 1 };
    const usage = [{ ...used, lastLoaded: new Date(now - 20 * day).toISOString() }];
    const records = [
      folder('plain'),
      placed('plain', 'heron'),
      smart('named', 'name has “slu”'),
      smart('lately', 'last loaded within the last 30 days'),
    ];
    const pluginsOf = (of: ReturnType<typeof made>) => of.folders.map(({ plugins }) => plugins);
    expect(pluginsOf(made(records, { usage }))).toEqual([['heron'], ['sluice'], ['heron']]);
  });
  it('leaves out dividers and what only stands for another folder', () => {
    const { folders } = made([
      folder('plain'),
      folder('line', { form: 'divider' }),
      folder('shown', { shortcutTo: asId<FolderId>('plain') }),
    ]);
    expect(folders.map(({ id }) => id)).toEqual(['plain']);
  });
  it('has loads as they are', () => {
    expect(made([], { uses: [aUse('heron')] }).uses).toEqual([aUse('heron')]);
  });
  it('has what the user made of each plugin, and which copies are wanted', () => {
    const { plugins } = made([
      folder('best', { form: 'favourites' }),
      folder('plain'),
      placed('best', 'sluice'),
      placed('plain', 'heron'),
      { table: 'plugin-names', id: asId('heron'), nickname: null, slotLabel: 'Hrn' },
      said('sluice', { tags: ['warm'], notes: 'loud', firstCopy: asId('gone') }),
    ]);
    expect(plugins.map(({ ties }) => ties)).toEqual([
      ['favourite', 'tagged', 'noted'],
      ['filed', 'named'],
    ]);
    expect(plugins[0]?.firstCopies).toEqual([]);
  });
});
