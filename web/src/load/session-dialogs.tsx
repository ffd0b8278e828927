/** Saving the session under a name, and what it takes. */
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { SessionView } from '@clever-drawer/core/api';
import { formats } from '@clever-drawer/core/formats';
import type { HostSettings } from '@clever-drawer/core/loading';
import { useComputer } from '../studio/contexts.ts';
import { FormDialog } from '../ui/form-dialog.tsx';
import { AskFirst } from '../ui/ask-first.tsx';
import { sayTime } from '../ui/time-words.ts';
import type { SlotActs } from './model/slots.ts';
import { NameField } from './name-field.tsx';
import * as texts from './texts.ts';

export interface SessionDialogProps {
  readonly session: SessionView;
  readonly acts: SlotActs;
  readonly onClose: () => void;
}

export function SaveDialog({ session, acts, onClose }: SessionDialogProps) {
  const { client } = useComputer();
  const [name, setName] = useState(session.name);
  const submit = (): void => {
    if (name.trim() !== '') {
      acts.after(client.saveSession(name), texts.isSaved(name.trim()));
      onClose();
    }
  };
  return (
    <FormDialog
      title={texts.saveThisSessionAs}
      act={texts.saveTheSession}
      onSubmit={submit}
      onClose={onClose}
    >
      <NameField id="session-name" name={name} setName={setName} isInvalid={name.trim() === ''}>
        <Form.Control.Feedback type="invalid">{texts.enterAName}</Form.Control.Feedback>
      </NameField>
      {session.saved.length > 0 && <SavedSessions session={session} acts={acts} />}
    </FormDialog>
  );
}

function SavedSessions({
  session,
  acts,
}: {
  readonly session: SessionView;
  readonly acts: SlotActs;
}) {
  const { client } = useComputer();
  return (
    <ul className="plain-rows saved-sessions">
      {session.saved.map((saved) => (
        <li key={saved.id}>
          <span>
            {saved.name} <span className="text-soft">{sayTime(saved.savedAt)}</span>
          </span>
          <AskFirst
            size="sm"
            label={texts.deleteIt}
            question={texts.isTheSessionDeleted(saved.name)}
            onSure={() => {
              acts.after(client.forgetSession(saved.id), texts.isDeleted(saved.name));
            }}
          />
        </li>
      ))}
    </ul>
  );
}

export function SettingsDialog({ session: { settings }, acts, onClose }: SessionDialogProps) {
  const { client } = useComputer();
  const set = (next: Partial<typeof settings>): void => {
    acts.step(client.setSession({ ...settings, ...next }));
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="takes-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="takes-title">
          {texts.whatTheSessionTakes}
        </Modal.Title>
      </Modal.Header>
      <WhatItTakes settings={settings} set={set} />
      <Modal.Footer>
        <Button onClick={onClose}>{texts.done}</Button>
      </Modal.Footer>
    </Modal>
  );
}

function WhatItTakes({
  settings,
  set,
}: {
  readonly settings: HostSettings;
  readonly set: (next: Partial<typeof settings>) => void;
}) {
  return (
    <Modal.Body>
      <p className="text-soft">{texts.asInARealHost}</p>
      <FormatsTaken settings={settings} set={set} />
      <Form.Check
        type="checkbox"
        id="takes-32"
        label={texts.include32BitPlugins}
        checked={settings.takes32Bit}
        onChange={() => {
          set({ takes32Bit: !settings.takes32Bit });
        }}
      />
    </Modal.Body>
  );
}

function FormatsTaken({
  settings,
  set,
}: {
  readonly settings: HostSettings;
  readonly set: (next: Partial<typeof settings>) => void;
}) {
  return (
    <fieldset>
      <legend className="form-label">{texts.formats}</legend>
      {formats.map((format) => (
        <Form.Check
          key={format}
          inline
          type="checkbox"
          id={`takes-${format}`}
          label={format}
          checked={settings.formats.includes(format)}
          onChange={() => {
            set({
              formats: formats.filter((one) => (one === format) !== settings.formats.includes(one)),
            });
          }}
        />
      ))}
    </fieldset>
  );
}
