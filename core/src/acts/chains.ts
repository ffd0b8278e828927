/** Chains of one's own: several plugins under one name, filed, named and found like a plugin. */
import { failed, type Result } from '../problem.ts';
import type { ActOf } from './act.ts';
import {
  allPlacements,
  answerIn,
  chainIn,
  namingIn,
  type Chain,
  type Order,
  type OrderRecord,
} from '../order/records.ts';
import { done, unknown, type NameOfPlugin, type Performed } from './act-result.ts';

export function addChain(
  order: Order,
  { id, name, kind, plugins }: ActOf<'add-chain'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
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

/** Takes its places, names and answers along; the plugins in it stay. */
export function removeChain(order: Order, { chain: id }: ActOf<'remove-chain'>): Result<Performed> {
  const chain = chainIn(order, id);
  if (!chain) {
    return unknown('chain', 'chain');
  }
  const made: OrderRecord[] = [namingIn(order, id), answerIn(order, id)].flatMap(
    (record) => record ?? [],
  );
  return done(`Remove the chain ${chain.name}`, {
    removed: [
      ...allPlacements(order).filter((placement) => placement.plugin === id),
      ...made,
      chain,
    ],
  });
}
