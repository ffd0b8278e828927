/** A chain as the catalog shows it: a plugin without copies of its own. */
import type { Plugin } from '../catalog/plugin.ts';
import type { Chain } from './order.ts';

export function chainPlugin({ id, name, kind, plugins }: Chain, pluginOf: (id: string) => Plugin | undefined): Plugin {
  const members = plugins.flatMap((one) => pluginOf(one) ?? []);
  return { id, name, vendor: null, kind, types: [...new Set(members.flatMap((member) => member.types))], arrived: members.reduce((latest, member) => (member.arrived > latest ? member.arrived : latest), ''), copies: [], chain: plugins };
}
