/** A dialog with one field and a list that narrows while one types. */
import { dialogOf, fetchedBehind } from './behind.ts';

export type { Choice } from './picker-dialog.tsx';

const dialog = fetchedBehind(() => import('./picker-dialog.tsx'));

export const Picker = dialogOf(dialog, (module) => module.PickerDialog);
export const usePickerBehind = dialog.useSoon;
