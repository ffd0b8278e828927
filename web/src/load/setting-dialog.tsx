/** The name, the note and the folder of a setting that is kept as it stands in a slot. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { Act } from '@clever-drawer/core/acts';
import type { SlotView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { annotateAct } from '../annotate/annotate.ts';
import { fileAct } from '../annotate/filing.ts';
import { useActs, useArrangement } from '../studio/contexts.ts';
import { FormDialog } from '../ui/form-dialog.tsx';
import { NameField } from './name-field.tsx';
import * as texts from './texts.ts';

export interface SettingDialogProps {
  readonly slot: SlotView;
  readonly state: string;
  readonly plugin: Plugin;
  readonly trackName: string;
  readonly onClose: () => void;
}

export function SettingDialog({ slot, state, plugin, trackName, onClose }: SettingDialogProps) {
  const { act } = useActs();
  const { nameOf } = useArrangement();
  const [name, setName] = useState(
    slot.asked.setting ? texts.mine(slot.asked.setting.name) : trackName,
  );
  const [note, setNote] = useState('');
  const [folder, setFolder] = useState('');
  const submit = (): void => {
    const id = crypto.randomUUID();
    const then: Act | null = note.trim() === '' ? null : annotateAct([id], { notes: note.trim() });
    const kept = {
      id: asId<Plugin['id']>(id),
      name: name.trim(),
      plugin: plugin.id,
      bank: null,
      format: slot.asked.format,
      path: null,
      identity: null,
      state,
    };
    if (act({ act: 'keep-settings', settings: [kept], then })) {
      if (folder !== '') {
        act(fileAct(folder, [id]));
      }
      onClose();
    }
  };
  return (
    <FormDialog
      title={texts.keepItAsItIsSet(nameOf(plugin))}
      act={texts.keepTheSetting}
      onSubmit={submit}
      onClose={onClose}
    >
      <SettingFields name={name} setName={setName} note={note} setNote={setNote} />
      <FolderField folder={folder} setFolder={setFolder} />
    </FormDialog>
  );
}

interface FolderFieldProps {
  readonly folder: string;
  readonly setFolder: (folder: string) => void;
}

/** The folder in which it is filed as well, if any. */
function FolderField({ folder, setFolder }: FolderFieldProps) {
  const { arrangement } = useArrangement();
  return (
    <Form.Group controlId="setting-folder" className="mt-3">
      <Form.Label>{texts.folderOfTheSetting}</Form.Label>
      <Form.Select
        value={folder}
        onChange={(event) => {
          setFolder(event.target.value);
        }}
      >
        <option value="">{texts.unfiled}</option>
        {arrangement.folders
          .filter(({ form }) => form === 'folder' || form === 'favourites')
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </Form.Select>
    </Form.Group>
  );
}

interface FieldsProps {
  readonly name: string;
  readonly setName: (name: string) => void;
  readonly note: string;
  readonly setNote: (note: string) => void;
}

function SettingFields({ name, setName, note, setNote }: FieldsProps) {
  return (
    <>
      <NameField id="setting-name" className="mb-3" name={name} setName={setName} isReplaced>
        <Form.Text className="text-soft">{texts.itIsFoundWithItsSetting}</Form.Text>
      </NameField>
      <Form.Group controlId="setting-note">
        <Form.Label>{texts.note}</Form.Label>
        <Form.Control
          as="textarea"
          rows={2}
          value={note}
          onChange={(event) => {
            setNote(event.target.value);
          }}
        />
      </Form.Group>
    </>
  );
}
