/** The dialogs in which something is said of plugins, behind the screens. */
import { dialogOf, fetchedBehind, partOf } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const FileIn = dialogOf(dialogs, (module) => module.FileIn);
export const FilePlugins = dialogOf(dialogs, (module) => module.FilePlugins);
export const NameDialog = dialogOf(dialogs, (module) => module.NameDialog);
export const PluginMenu = partOf(dialogs, (module) => module.PluginMenu);
export const TagPicker = dialogOf(dialogs, (module) => module.TagPicker);
export const TrialForm = dialogOf(dialogs, (module) => module.TrialForm);
export const TypesPicker = dialogOf(dialogs, (module) => module.TypesPicker);
export const useDialogsBehind = dialogs.useSoon;
