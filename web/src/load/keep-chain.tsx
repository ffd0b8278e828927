/** The plugins of a track kept under one name, to be found, filed and loaded together. */
import { Link2 } from 'lucide-react';
import type { TrackView } from '@clever-drawer/core/api';
import { useCatalog } from '../studio/contexts.ts';
import { ChainDialog } from './behind.ts';
import { SlotExtra } from './slot-extra.tsx';
import * as texts from './texts.ts';

export function KeepChain({ track }: { track: TrackView }) {
  const { pluginById } = useCatalog();
  const plugins = track.slots.flatMap(
    ({ plugin, asked }) =>
      pluginById.get(asked.setting?.id ?? '') ?? pluginById.get(plugin ?? '') ?? [],
  );
  if (plugins.length < 2 || plugins.length < track.slots.length) {
    return null;
  }
  return (
    <SlotExtra
      icon={Link2}
      label={texts.keepTheChainOf(track.name)}
      title={texts.keepThePlugins(plugins.length, track.name)}
      dialog={(close) => <ChainDialog track={track} plugins={plugins} onClose={close} />}
    />
  );
}
