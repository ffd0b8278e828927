/** At the foot of the list: the facts of the marked plugin, and what keys would do to what. */
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { FactsOf } from '../forms/behind.ts';
import { KeysHint } from '../../ui/keys-hint.tsx';
import type { ActedOn } from '../model/acted-on.ts';
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
      {plugin ? (
        <FactsOf plugin={plugin} />
      ) : (
        <p className="facts-line text-soft">{texts.markAPluginToSee}</p>
      )}
      <div className="list-keys">
        {what !== undefined && <strong>{what}:</strong>}
        <KeysHint keys={plugins.length > 1 ? texts.keysForMany : texts.keysForOne} />
      </div>
    </div>
  );
}
