/** Saving the session, opening it again, and what it takes. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { SessionView } from '@clever-drawer/core/api';
import { useComputer } from '../studio/contexts.ts';
import { keysQuery } from '../studio/studio-queries.ts';
import { Learnt, SaveDialog, SettingsDialog } from './behind.ts';
import { SessionItems } from './menu-items.tsx';
import { Menu } from '../ui/menu.tsx';
import type { SlotActs } from './model/slots.ts';
import * as texts from './texts.ts';

export function SessionMenu({ session, acts }: { session: SessionView; acts: SlotActs }) {
  const { client } = useComputer();
  const { data: keys } = useQuery(keysQuery(client));
  const [dialog, setDialog] = useState<'save' | 'settings' | 'learnt' | null>(null);
  const choose = (key: string): void => {
    if (key === 'save' || key === 'settings' || key === 'learnt') {
      setDialog(key);
    } else {
      acts.step(client.openSession(key));
    }
  };
  return (
    <>
      <Menu
        boxClass="session-menu"
        className="link-words"
        onSelect={choose}
        items={<SessionItems session={session} />}
      >
        {texts.session}
      </Menu>
      {dialog === 'save' && (
        <SaveDialog
          session={session}
          acts={acts}
          onClose={() => {
            setDialog(null);
          }}
        />
      )}
      {dialog === 'learnt' && keys && (
        <Learnt
          keys={keys}
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
