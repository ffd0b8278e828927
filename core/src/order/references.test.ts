import { describe, expect, it } from '@jest/globals';
import { asId, type PluginId } from '../id.ts';
import { cabinetOf, folderOf, placementOf } from './records.test-data.ts';
import { orderOf, type Chain, type CopyAssignment, type Setting } from './records.ts';
import {
  namesPlugins,
  pluginsIn,
  pluginsOfChange,
  referrersOf,
  usedIn,
  withPlugins,
} from './references.ts';

const silt = asId<PluginId>('Silt');
const kelp = asId<PluginId>('Kelp');
const marl = asId<PluginId>('Marl');
const chain: Chain = {
  table: 'chain',
  id: asId('Voice'),
  name: 'Voice',
  kind: 'effect',
  plugins: [silt, kelp, silt],
};
const setting: Setting = {
  table: 'setting',
  id: asId('Soft'),
  name: 'Soft',
  plugin: silt,
  bank: null,
  format: 'LV2',
  path: null,
  identity: null,
  state: 'gain=1',
};
const assignment: CopyAssignment = {
  table: 'copy-assignment',
  id: asId('copy'),
  plugin: kelp,
  before: marl,
};
const smart = folderOf('Smart', { form: 'smart', alwaysIn: [silt], alwaysOut: [kelp] });
const filed = placementOf('Tone', 'Kelp');

describe('plugins in records', () => {
  it('are those that each sort of record names', () => {
    expect([chain, setting, assignment, smart, filed, cabinetOf('c')].map(pluginsIn)).toEqual([
      ['Voice', 'Silt', 'Kelp', 'Silt'],
      ['Soft', 'Silt'],
      ['Kelp', 'Marl'],
      ['Silt', 'Kelp'],
      ['Kelp'],
      [],
    ]);
    const change = { added: [filed], updated: [[setting, setting]] as const, removed: [smart] };
    expect(new Set(pluginsOfChange(change))).toEqual(new Set(['Kelp', 'Soft', 'Silt']));
  });
  it('tell who refers to one, and what is in use', () => {
    const order = orderOf([chain, setting, assignment, filed, cabinetOf('c')]);
    expect(referrersOf(order, [silt])).toEqual([chain, setting]);
    // Where a copy belongs makes nothing of the plugin that it was part of.
    expect(usedIn(order)).toEqual(new Set(['Voice', 'Silt', 'Kelp', 'Soft']));
  });
});

describe('plugins that become others', () => {
  const joined = (id: PluginId): PluginId => (id === kelp ? silt : id);
  const gone = (id: PluginId): PluginId | null => (id === silt ? null : id);
  it('are replaced where a record names them', () => {
    expect([chain, setting, smart, filed, assignment].map(namesPlugins)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
    expect(withPlugins(chain, joined).plugins).toEqual([silt, silt, silt]);
    expect(withPlugins(setting, () => marl).plugin).toBe(marl);
  });
  it('are left out of chains and folders when gone; a setting stays with its plugin', () => {
    expect(withPlugins(chain, gone).plugins).toEqual([kelp]);
    expect(withPlugins(smart, gone)).toMatchObject({ alwaysIn: [], alwaysOut: [kelp] });
    expect(withPlugins(setting, gone)).toEqual(setting);
  });
  it('stand once in a smart folder, and what is kept in is not kept out', () => {
    expect(withPlugins({ ...smart, alwaysIn: [silt, kelp] }, joined)).toMatchObject({
      alwaysIn: [silt],
      alwaysOut: [],
    });
    expect(
      withPlugins({ ...smart, alwaysIn: [marl], alwaysOut: [silt, kelp] }, joined),
    ).toMatchObject({
      alwaysIn: [marl],
      alwaysOut: [silt],
    });
  });
});
