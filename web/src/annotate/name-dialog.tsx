/** Nickname and slot label of one plugin. */
import type { Plugin } from '@clever-drawer/core';
import { fetchedLater } from '../ui/fetched-later.tsx';

interface Props {
  readonly plugin: Plugin;
  readonly onClose: () => void;
}

export const NameDialog = fetchedLater<Props>(
  async () => (await import('./name-form.tsx')).NameForm,
  'keys held',
);
