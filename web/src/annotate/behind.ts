/** The dialogs in which something is said of plugins, behind the screens. */
import { fetchedBehind, partOf } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const NameDialog = partOf(dialogs, (module) => module.NameDialog);
export const TrialForm = partOf(dialogs, (module) => module.TrialForm);
export const TypesPicker = partOf(dialogs, (module) => module.TypesPicker);
export const useDialogsBehind = dialogs.useSoon;
