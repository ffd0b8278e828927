/** Chains as the catalog shows them: plugins without copies of their own. */
import { keyedById } from '../grouped.ts';
import { withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { Chain, Setting } from '../order/records.ts';

/** A chain as a plugin without copies, with the types of all its members. */
export function chainPlugin(
  { id, name, kind, plugins }: Chain,
  pluginOf: (id: string) => Plugin | undefined,
): Plugin {
  const members = plugins.flatMap((one) => pluginOf(one) ?? []);
  return {
    id,
    name,
    vendor: null,
    kind,
    types: [...new Set(members.flatMap((member) => member.types))],
    arrived: members.reduce(
      (latest, member) => (member.arrived > latest ? member.arrived : latest),
      '',
    ),
    copies: [],
    chain: plugins,
  };
}

const noSettings: ReadonlyMap<string, Setting> = new Map();

/**
 * All plugins with the chains behind them, each as what is said of it makes it. What is said of the
 * plugins is in them already. A chain that holds a setting holds its plugin.
 */
export function withChains(
  plugins: readonly Plugin[],
  chains: Iterable<Chain>,
  saidOf: (id: string) => AnswerFacts | undefined,
  settings: ReadonlyMap<string, Setting> = noSettings,
): readonly Plugin[] {
  const byId = keyedById(plugins);
  return [
    ...plugins,
    ...Array.from(chains, (chain) =>
      withAnswer(
        chainPlugin(chain, (id) => byId.get(settings.get(id)?.plugin ?? id)),
        saidOf(chain.id),
      ),
    ),
  ];
}
