/** Chains of one's own: several plugins under one name, filed, named and found like a plugin. */
import { referrersOf, withPlugins } from '../order/references.ts';
import { failed, type Result } from '../problem.ts';
import { chainIn, type Chain, type Order } from '../order/records.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, unknown, edited } from './act-result.ts';
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
  const change = edited();
  for (const record of referrersOf(order, [id])) {
    if (record.table === 'folder') {
      change.updated.push([record, withPlugins(record, (one) => (one === id ? null : one))]);
    } else {
      change.removed.push(record);
    }
  }
  return done(`Remove the chain ${chain.name}`, change);
}

/** Acts on chains, by name. */
export const chainActs = {
  'add-chain': { plugins: (act) => act.plugins, resolve: asSaid, perform: addChain },
  'remove-chain': { plugins: noPlugins, resolve: asSaid, perform: removeChain },
} satisfies ActRules<'add-chain' | 'remove-chain'>;
