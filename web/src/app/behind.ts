/** What opens over any screen, fetched behind the first one. */
import { fetchedBehind, partOf } from '../ui/behind.ts';

const dialogs = fetchedBehind(() => import('./dialogs.ts'));

export const AllTags = partOf(dialogs, (module) => module.AllTags);
export const ComputerItems = partOf(dialogs, (module) => module.ComputerItems);
export const FindAnything = partOf(dialogs, (module) => module.FindAnything);
export const FormatOrder = partOf(dialogs, (module) => module.FormatOrder);
export const HelpKeys = partOf(dialogs, (module) => module.HelpKeys);
export const LatestChanges = partOf(dialogs, (module) => module.LatestChanges);
export const useDialogsBehind = dialogs.useSoon;
