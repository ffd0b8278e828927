/** The choice of a type by letters. */
import { fetchedLater } from '../ui/fetched-later.tsx';
import type { TypesPickerProps } from './types-picker-dialog.tsx';

export const TypesPicker = fetchedLater<TypesPickerProps>(
  async () => (await import('./types-picker-dialog.tsx')).TypesPickerDialog,
);
