/** The dialogs of Load, and what was learnt over time, behind the screen. */
import { dialogOf, fetchedBehind } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const ChainDialog = dialogOf(dialogs, (module) => module.ChainDialog);
export const Learnt = dialogOf(dialogs, (module) => module.Learnt);
export const SaveDialog = dialogOf(dialogs, (module) => module.SaveDialog);
export const SettingDialog = dialogOf(dialogs, (module) => module.SettingDialog);
export const SettingsDialog = dialogOf(dialogs, (module) => module.SettingsDialog);
export const useDialogsBehind = dialogs.useSoon;
