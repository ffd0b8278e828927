/** The name of a chain that is kept as it stands in a track. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { TrackView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { useActs, useArrangement } from '../studio/contexts.ts';
import { FormDialog } from '../ui/form-dialog.tsx';
import { NameField } from './name-field.tsx';
import * as texts from './texts.ts';

/** What a chain is that was kept from such a track. */
const chainKinds = {
  track: 'effect',
  bus: 'effect',
  final: 'effect',
  instrument: 'instrument',
  notes: 'note-effect',
} as const;

export interface ChainDialogProps {
  readonly track: TrackView;
  readonly plugins: readonly Plugin[];
  readonly onClose: () => void;
}

export function ChainDialog({ track, plugins, onClose }: ChainDialogProps) {
  const { act } = useActs();
  const [name, setName] = useState(texts.chainOfTrack(track.name));
  const submit = (): void => {
    if (
      act({
        act: 'add-chain',
        id: asId(crypto.randomUUID()),
        name,
        kind: chainKinds[track.sort],
        plugins: plugins.map((plugin) => plugin.id),
      })
    ) {
      onClose();
    }
  };
  return (
    <FormDialog
      title={texts.keepTheChainOf(track.name)}
      act={texts.keepTheChain}
      onSubmit={submit}
      onClose={onClose}
    >
      <ChainFields plugins={plugins} track={track} name={name} setName={setName} />
    </FormDialog>
  );
}

interface ChainFieldsProps {
  readonly plugins: readonly Plugin[];
  readonly track: TrackView;
  readonly name: string;
  readonly setName: React.Dispatch<React.SetStateAction<string>>;
}

function ChainFields({ plugins, track, name, setName }: ChainFieldsProps) {
  const { nameOf } = useArrangement();
  return (
    <>
      <p>
        {plugins.map((plugin, at) => (
          <span key={track.slots[at]?.id}>
            {at > 0 && ' → '}
            <span className="label small">{nameOf(plugin)}</span>
          </span>
        ))}
      </p>
      <NameField id="chain-name" name={name} setName={setName}>
        <Form.Text className="text-soft">{texts.youCanFindFileAnd}</Form.Text>
      </NameField>
    </>
  );
}
