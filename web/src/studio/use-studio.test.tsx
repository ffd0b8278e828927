/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import type { PluginSetting } from '@clever-drawer/core/api';
import { nothingSaid, type Answer, type Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { orderOf, type OrderRecord } from '@clever-drawer/core/order';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { clientFor } from '../api/client.ts';
import { useStudio } from './use-studio.ts';

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
const found: readonly PluginSetting[] = [
  {
    id: asId('wide'),
    name: 'Wide',
    plugin: asId('sluice'),
    bank: null,
    format: 'VST3',
    path: '/settings/Wide.vstpreset',
    identity: null,
  },
];
const withOwnPicture: Answer = {
  ...nothingSaid,
  table: 'answer',
  id: asId('sluice'),
  picture: 'mine',
};

const pictureOf = (id: string, records: readonly OrderRecord[] = []): string | null => {
  const { result } = renderHook(() =>
    useStudio(client, { computer: 'desk', catalog, order: orderOf(records), found, usage: [] }, 0),
  );
  const { pluginById, pictureOf: addressOf } = result.current.catalog;
  const plugin = pluginById.get(id);
  return plugin ? addressOf(plugin) : null;
};

describe('the picture of a plugin', () => {
  it('is that of the copy used first which has one and is there', () => {
    expect(pictureOf('sluice')).toBe(client.pictureAddress('s1'));
    expect(pictureOf('heron')).toBe(client.pictureAddress('h1'));
    expect(pictureOf('wharf')).toBeNull();
  });
  it('follows the order of formats', () => {
    const lv2First: OrderRecord = {
      table: 'preference',
      id: asId('desk'),
      formats: ['LV2', 'VST3'],
    };
    expect(pictureOf('heron', [lv2First])).toBe(client.pictureAddress('h2'));
  });
  it('is the user’s own before any other, for its settings as well', () => {
    expect(pictureOf('sluice', [withOwnPicture])).toBe(client.ownPictureAddress('mine'));
    expect(pictureOf('wide', [withOwnPicture])).toBe(client.ownPictureAddress('mine'));
  });
});
