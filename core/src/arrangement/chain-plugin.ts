/** Chains as the catalog shows them: plugins without copies of their own. */
import { withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { allChains, answerIn, type Chain, type Order } from '../order/records.ts';

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

/**
 * All plugins with the chains behind them, each as what is said of it makes it. What is said of the
 * plugins is in them already.
 */
export function withChains(
  plugins: readonly Plugin[],
  chains: Iterable<Chain>,
  saidOf: (id: string) => AnswerFacts | undefined,
): readonly Plugin[] {
  const byId = new Map(plugins.map((plugin) => [plugin.id as string, plugin]));
  return [
    ...plugins,
    ...Array.from(chains, (chain) =>
      withAnswer(
        chainPlugin(chain, (id) => byId.get(id)),
        saidOf(chain.id),
      ),
    ),
  ];
}

/** The catalog as the user has it: with what is said of each plugin, and the chains behind them. */
export function catalogAsSaid(catalog: readonly Plugin[], order: Order): readonly Plugin[] {
  return withChains(
    catalog.map((plugin) => withAnswer(plugin, answerIn(order, plugin.id))),
    allChains(order),
    (id) => answerIn(order, id),
  );
}
