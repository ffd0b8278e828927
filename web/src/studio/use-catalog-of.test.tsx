/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import {
  asId,
  catalogAsSaid,
  nothingSaid,
  orderOf,
  type Answer,
  type ComputerView,
  type OrderRecord,
  type Plugin,
  type PluginSetting,
  type Setting,
  type Usage,
} from '@clever-drawer/core';
import { clientFor } from '../api/client.ts';
import { cabinetOf } from './order.test-data.ts';
import { copyOf, pluginOf } from './plugin.test-data.ts';
import { useCatalogOf } from './use-catalog-of.ts';

const desk: ComputerView = { id: asId('desk'), name: 'Desk', isElsewhere: false };
const client = clientFor('desk');

const catalog: readonly Plugin[] = [
  pluginOf('Sluice', { copies: [copyOf('s1', { hasPicture: true })] }),
  pluginOf('Heron', {
    copies: [
      copyOf('h1', { hasPicture: true }),
      copyOf('h2', { format: 'LV2', hasPicture: true }),
      copyOf('h3', { format: 'CLAP' }),
    ],
  }),
  pluginOf('Wharf', { copies: [copyOf('w1', { hasPicture: true, state: 'gone' })] }),
];
const card = (id: string, plugin: string, name: string): PluginSetting => ({
  id: asId(id),
  name,
  plugin: asId(plugin),
  bank: null,
  format: 'VST3',
  path: `/settings/${name}.vstpreset`,
  identity: null,
});
const found = [card('wide', 'sluice', 'Wide'), card('slow', 'heron', 'Slow')];
const said = (id: string, more: Partial<Answer>): Answer => ({
  ...nothingSaid,
  table: 'answer',
  id: asId(id),
  ...more,
});
const keptSetting: Setting = { ...card('old', 'heron', 'Old'), table: 'setting', state: null };
const records: readonly OrderRecord[] = [
  said('sluice', { kind: 'tool', types: ['meter/tuner'], vendor: 'Quoin' }),
  said('wide', { tags: ['chorus'] }),
  said('pair', { types: ['delay'] }),
  { table: 'naming', id: asId('heron'), nickname: 'Grey Bird', slotLabel: null },
  {
    table: 'chain',
    id: asId('pair'),
    name: 'Two of them',
    kind: 'effect',
    plugins: [asId('sluice'), asId('wide')],
  },
  keptSetting,
];

interface Given {
  readonly records?: readonly OrderRecord[];
  readonly found?: readonly PluginSetting[] | undefined;
  readonly loads?: readonly Usage[] | undefined;
}

const catalogOf = (given: Given) =>
  renderHook(
    (now: Given) =>
      useCatalogOf(client, desk, catalog, orderOf(now.records ?? []), now.loads, now.found),
    { initialProps: given },
  );
const pluginOfName = (plugins: readonly Plugin[], name: string): Plugin => {
  const plugin = plugins.find((one) => one.name === name);
  if (!plugin) {
    throw new Error(`no ${name}`);
  }
  return plugin;
};

describe('the catalog of a window', () => {
  it('is that which the server makes of the same records', () => {
    const { plugins, settings, pluginById } = catalogOf({ records, found }).result.current;
    const wanted = catalogAsSaid(catalog, orderOf(records), found);
    expect([...plugins, ...settings]).toEqual(wanted);
    expect([...pluginById.values()]).toEqual(wanted);
    expect(pluginById.get('sluice')).toMatchObject({ kind: 'tool', vendor: 'Quoin' });
    expect(pluginById.get('pair')).toMatchObject({ types: ['delay'] });
  });
  it('is the very one that was catalogued where nothing is said of it', () => {
    expect(catalogOf({}).result.current.plugins).toBe(catalog);
  });
  it('holds settings of which something was made, also those that are not found', () => {
    const { settings, keptSettings } = catalogOf({ records, found }).result.current;
    expect(keptSettings.map(({ name }) => name)).toEqual(['Old']);
    expect(pluginOfName(settings, 'Old').setting).toMatchObject({ isGone: true });
  });
  it('takes none of them for gone before it is known what there is', () => {
    const { settings } = catalogOf({ records, found: undefined }).result.current;
    expect(pluginOfName(settings, 'Old').setting).toMatchObject({ isGone: false });
  });
  it('knows how often each plugin was loaded', () => {
    const used = { plugin: 'heron', loads: 3, lastLoaded: '2026-03-01T00:00:00.000Z', warmth: 2 };
    const { usage } = catalogOf({ loads: [used] }).result.current;
    expect([...usage]).toEqual([['heron', used]]);
  });
});

describe('what stays the same', () => {
  it('is the same object, whatever else of the order changes', () => {
    const { result, rerender } = catalogOf({ records, found });
    const before = result.current;
    rerender({ records: [...records, cabinetOf('c')], found });
    expect(result.current).toBe(before);
  });
  it('is all but the plugin of which something else is said', () => {
    const { result, rerender } = catalogOf({ records, found });
    const before = result.current;
    rerender({ records: [...records, said('wharf', { vendor: 'Pale Harbour' })], found });
    const changed = result.current.plugins.filter((one) => !before.plugins.includes(one));
    expect(changed.map(({ name }) => name)).toEqual(['Wharf', 'Two of them']);
  });
});

describe('the picture of a plugin', () => {
  const pictureIn = (name: string, more: readonly OrderRecord[] = []): string | null => {
    const { plugins, pictureOf } = catalogOf({ records: more }).result.current;
    return pictureOf(pluginOfName(plugins, name));
  };
  it('is that of the copy in front which has one and is there', () => {
    expect(pictureIn('Sluice')).toBe(client.pictureAddress('s1'));
    expect(pictureIn('Heron')).toBe(client.pictureAddress('h1'));
    expect(pictureIn('Wharf')).toBeNull();
  });
  it('follows the order of formats', () => {
    const lv2First: OrderRecord = { table: 'preference', id: desk.id, formats: ['LV2', 'VST3'] };
    expect(pictureIn('Heron', [lv2First])).toBe(client.pictureAddress('h2'));
  });
  it('is the user’s own before any other, for its settings as well', () => {
    const own = [said('sluice', { picture: 'mine' })];
    expect(pictureIn('Sluice', own)).toBe(client.ownPictureAddress('mine'));
    const { settings, pictureOf } = catalogOf({ records: own, found }).result.current;
    expect(pictureOf(pluginOfName(settings, 'Wide'))).toBe(client.ownPictureAddress('mine'));
  });
});
