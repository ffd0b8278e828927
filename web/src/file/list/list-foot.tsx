/** At the foot of the list: the facts of the marked plugin, and what keys would do to what. */
import { copyInFront } from '@clever-drawer/core/catalog';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { KeysHint } from '../../ui/keys-hint.tsx';
import type { ActedOn } from '../model/acted-on.ts';
import { factsLine } from '../model/facts-line.ts';
import * as texts from '../texts.ts';

interface Props {
  readonly active: string | null;
  readonly acted: ActedOn;
}

export function ListFoot({ active, acted: { plugins, isTray } }: Props) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const plugin = active === null ? undefined : pluginById.get(active);
  const what =
    plugins.length > 1 ? texts.manyActedOn(plugins.length, isTray) : plugin && nameOf(plugin);
  return (
    <div className="list-foot">
      <Facts active={active} />
      <div className="list-keys">
        {what !== undefined && <strong>{what}:</strong>}
        <KeysHint keys={plugins.length > 1 ? texts.keysForMany : texts.keysForOne} />
      </div>
    </div>
  );
}

function Facts({ active }: Pick<Props, 'active'>) {
  const { pluginById, answers, usage, formatOrder } = useCatalog();
  const { arrangement } = useArrangement();
  const plugin = active === null ? undefined : pluginById.get(active);
  if (!plugin) {
    return <p className="facts-line text-soft">{texts.markAPluginToSee}</p>;
  }
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
