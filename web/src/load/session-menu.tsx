/** Saving the session, opening it again, and what it takes. */
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import type { SessionView } from '@clever-drawer/core';
import { useComputer } from '../studio/contexts.ts';
import { fetchedLater } from '../ui/fetched-later.tsx';
import { MenuItem } from '../ui/menu-item.tsx';
import { sayTime } from '../ui/time-words.ts';
import type { SlotActs } from './model/slots.ts';
import type { SessionDialogProps } from './session-dialogs.tsx';
import * as texts from './texts.ts';

const SaveDialog = fetchedLater<SessionDialogProps>(
  async () => (await import('./session-dialogs.tsx')).SaveDialog,
  'keys held',
);
const SettingsDialog = fetchedLater<SessionDialogProps>(
  async () => (await import('./session-dialogs.tsx')).SettingsDialog,
  'keys held',
);

export function SessionMenu({ session, acts }: { session: SessionView; acts: SlotActs }) {
  const { client } = useComputer();
  const [dialog, setDialog] = useState<'save' | 'settings' | null>(null);
  const choose = (key: string | null): void => {
    if (key === 'save' || key === 'settings') {
      setDialog(key);
    } else if (key) {
      const saved = session.saved.find((one) => one.id === key);
      acts.after(client.openSession(key), saved ? texts.isOpen(saved.name) : undefined);
    }
  };
  return (
    <>
      <Dropdown className="session-menu" onSelect={choose}>
        <Dropdown.Toggle as="button" type="button" className="link-words">
          {texts.session}
        </Dropdown.Toggle>
        <SessionItems session={session} />
      </Dropdown>
      {dialog === 'save' && (
        <SaveDialog
          session={session}
          acts={acts}
          onClose={() => {
            setDialog(null);
          }}
        />
      )}
      {dialog === 'settings' && (
        <SettingsDialog
          session={session}
          acts={acts}
          onClose={() => {
            setDialog(null);
          }}
        />
      )}
    </>
  );
}

function SessionItems({ session }: { readonly session: SessionView }) {
  return (
    <Dropdown.Menu>
      <MenuItem eventKey="save">{texts.saveThisSession}</MenuItem>
      <MenuItem eventKey="settings">{texts.whatItTakes}</MenuItem>
      <Dropdown.Divider />
      <Dropdown.Header>
        {session.saved.length === 0 ? texts.noSessionIsSavedYet : texts.openAgain}
      </Dropdown.Header>
      {session.saved.map((saved) => (
        <MenuItem key={saved.id} eventKey={saved.id}>
          {saved.name}{' '}
          <span className="text-soft">
            · {texts.slots(saved.slots)}, {sayTime(saved.savedAt)}
          </span>
        </MenuItem>
      ))}
    </Dropdown.Menu>
  );
}
