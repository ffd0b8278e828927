/** A dialog with one field and a list that narrows while one types. */
import { fetchedLater } from './fetched-later.tsx';
import type { PickerProps } from './picker-dialog.tsx';

export type { Choice } from './picker-dialog.tsx';

export const Picker = fetchedLater<PickerProps>(
  async () => (await import('./picker-dialog.tsx')).PickerDialog,
  'keys held',
);
