/**
 * Chains of one's own, and settings: what stands in the catalog beside the plugins, and is filed, named
 * and found like one.
 */
import { referrersOf, withPlugins } from '../order/references.ts';
import { failed, ok, type Result } from '../problem.ts';
import type { PluginId } from '../id.ts';
import {
  chainIn,
  fewestInChain,
  settingIn,
  type Chain,
  type Order,
  type Setting,
} from '../order/records.ts';
import type { ActOf, SettingFields } from './act.ts';
import {
  done,
  type NameOfPlugin,
  type ActResult,
  type OrderChange,
  unknown,
  edited,
} from './act-result.ts';
import { type ActRules, asSaid, noPlugins } from './act-rule.ts';

function addChain(
  order: Order,
  { id, name, kind, plugins }: ActOf<'add-chain'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const text = name.trim();
  if (text === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  if (chainIn(order, id)) {
    return failed({ code: 'id-taken', at: 'id' });
  }
  if (plugins.length < fewestInChain) {
    const detail = 'A chain has at least two plugins.';
    return failed({ code: 'field-invalid', at: 'plugins', detail });
  }
  // A chain of chains would have to be followed, and could lead into itself.
  if (plugins.some((plugin) => nameOf(plugin) === undefined || chainIn(order, plugin))) {
    return unknown('plugin', 'plugins');
  }
  const chain: Chain = { table: 'chain', id, name: text, kind, plugins };
  return done(`Keep ${plugins.length} plugins as the chain ${text}`, { added: [chain] });
}

/**
 * Takes its places, names and answers along, and is no longer kept in or out of smart folders by
 * hand; the plugins in it stay.
 */
function removeChain(order: Order, { chain: id }: ActOf<'remove-chain'>): Result<ActResult> {
  const chain = chainIn(order, id);
  if (!chain) {
    return unknown('chain', 'chain');
  }
  return done(`Remove the chain ${chain.name}`, withoutThing(order, id, null));
}

/** What goes with a chain or setting. A chain that held it holds `instead`. */
function withoutThing(order: Order, id: PluginId, instead: PluginId | null): OrderChange {
  const change = edited();
  for (const record of referrersOf(order, [id])) {
    if (record.table === 'folder') {
      change.updated.push([record, withPlugins(record, (one) => (one === id ? null : one))]);
    } else if (record.table === 'chain' && record.id !== id) {
      change.updated.push([record, withPlugins(record, (one) => (one === id ? instead : one))]);
    } else {
      change.removed.push(record);
    }
  }
  return change;
}

/** A setting goes with all that was made of it; on the disk nothing is touched. */
function removeSetting(order: Order, { setting: id }: ActOf<'remove-setting'>): Result<ActResult> {
  const setting = settingIn(order, id);
  return setting
    ? done(`Delete the setting ${setting.name}`, withoutThing(order, id, setting.plugin))
    : unknown('setting', 'setting');
}

/** The records of settings that are not kept yet; a refusal where one is of no plugin. */
export function newSettings(
  order: Order,
  settings: readonly SettingFields[],
  nameOf: NameOfPlugin,
): Result<readonly Setting[]> {
  const fresh = settings.filter(({ id }) => !settingIn(order, id));
  const isOfPlugin = ({ plugin }: SettingFields): boolean =>
    nameOf(plugin) !== undefined && !chainIn(order, plugin) && !settingIn(order, plugin);
  if (!fresh.every(isOfPlugin)) {
    return unknown('plugin', 'settings');
  }
  return fresh.every(({ name }) => name.trim() !== '')
    ? ok(fresh.map((setting): Setting => ({ table: 'setting', ...setting })))
    : failed({ code: 'name-empty', at: 'name' });
}

/** Acts on chains and settings, by name. */
export const chainActs = {
  'add-chain': { plugins: (act) => act.plugins, resolve: asSaid, perform: addChain },
  'remove-chain': { plugins: noPlugins, resolve: asSaid, perform: removeChain },
  'remove-setting': { plugins: noPlugins, resolve: asSaid, perform: removeSetting },
} satisfies ActRules<'add-chain' | 'remove-chain' | 'remove-setting'>;
