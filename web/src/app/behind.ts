/** What opens over any screen, fetched behind the first one. */
import { dialogOf, fetchedBehind, partOf } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const AllTags = dialogOf(dialogs, (module) => module.AllTags);
export const ComputerItems = partOf(dialogs, (module) => module.ComputerItems);
export const FindAnything = dialogOf(dialogs, (module) => module.FindAnything);
export const FormatOrder = dialogOf(dialogs, (module) => module.FormatOrder);
export const HelpKeys = dialogOf(dialogs, (module) => module.HelpKeys);
export const LatestChanges = dialogOf(dialogs, (module) => module.LatestChanges);
export const useDialogsBehind = dialogs.useSoon;
