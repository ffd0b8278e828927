/** The facts of the marked plugin, in a line. */
import { copyInFront, type Plugin } from '@clever-drawer/core/catalog';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { factsLine } from '../model/facts-line.ts';

export function FactsOf({ plugin }: { readonly plugin: Plugin }) {
  const { answers, usage, formatOrder } = useCatalog();
  const { arrangement } = useArrangement();
  const answer = answers.get(plugin.id);
  const facts = factsLine({
    plugin,
    answer,
    copy: copyInFront(plugin, { order: formatOrder, first: answer?.firstCopy ?? null }),
    usage: usage.get(plugin.id),
    folders: (arrangement.foldersOf.get(plugin.id) ?? []).map(({ name }) => name),
  });
  return (
    <p className="facts-line" title={facts.join(' · ')}>
      {facts.join(' · ')}
    </p>
  );
}
