/** A dialog with one field and a list that narrows while one types. */
import { fetchedBehind, partOf } from './behind.ts';

export type { Choice } from './picker-dialog.tsx';

const dialog = fetchedBehind(() => import('./picker-dialog.tsx'));

export const Picker = partOf(dialog, (module) => module.PickerDialog);
export const usePickerBehind = dialog.useSoon;
