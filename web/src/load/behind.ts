/** The dialogs of Load, and what was learnt over time, behind the screen. */
import { fetchedBehind, partOf } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const ChainDialog = partOf(dialogs, (module) => module.ChainDialog);
export const Learnt = partOf(dialogs, (module) => module.Learnt);
export const SaveDialog = partOf(dialogs, (module) => module.SaveDialog);
export const SettingDialog = partOf(dialogs, (module) => module.SettingDialog);
export const SettingsDialog = partOf(dialogs, (module) => module.SettingsDialog);
export const useDialogsBehind = dialogs.useSoon;
