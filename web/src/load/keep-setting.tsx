/** What stands in a slot, kept as a setting of one's own: a name, a note, and the state the host gave. */
import { Bookmark } from 'lucide-react';
import { stateLength } from '@clever-drawer/core/acts';
import type { SlotView } from '@clever-drawer/core/api';
import { useCatalog } from '../studio/contexts.ts';
import { SettingDialog } from './behind.ts';
import { SlotExtra } from './slot-extra.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly slot: SlotView | undefined;
  /** What it is called until somebody says otherwise: the track's name. */
  readonly trackName: string;
}

export function KeepSetting({ slot, trackName }: Props) {
  const { pluginById } = useCatalog();
  const plugin = pluginById.get(slot?.plugin ?? '');
  const state = slot?.state ?? null;
  if (!slot || !plugin || state === null || state.length > stateLength) {
    return null;
  }
  return (
    <SlotExtra
      icon={Bookmark}
      label={texts.keepTheSettingOf(plugin.name)}
      title={texts.keepTheCurrentSettingOf(plugin.name)}
      dialog={(close) => (
        <SettingDialog
          slot={slot}
          state={state}
          plugin={plugin}
          trackName={trackName}
          onClose={close}
        />
      )}
    />
  );
}
