/** The forms, menus and dialogs of File, behind the screen. */
import { dialogOf, fetchedBehind, partOf } from '../../ui/behind.ts';

const forms = fetchedBehind(() => import('./index.ts'));

export const CabinetForm = dialogOf(forms, (module) => module.CabinetForm);
export const CabinetMenu = partOf(forms, (module) => module.CabinetMenu, false);
export const FacetOptions = partOf(forms, (module) => module.FacetOptions);
export const FactsOf = partOf(forms, (module) => module.FactsOf);
export const FolderMenuItems = partOf(forms, (module) => module.FolderMenuItems);
export const GatherRule = dialogOf(forms, (module) => module.GatherRule);
export const IntoCabinet = dialogOf(forms, (module) => module.IntoCabinet);
export const KeepByHand = dialogOf(forms, (module) => module.KeepByHand);
export const MergeInto = dialogOf(forms, (module) => module.MergeInto);
export const KeepLink = partOf(forms, (module) => module.KeepLink);
export const OpenDrawer = partOf(forms, (module) => module.OpenDrawer);
export const PrintedList = partOf(forms, (module) => module.PrintedList, false);
export const TrayActs = partOf(forms, (module) => module.TrayActs);
export const Suggestions = dialogOf(forms, (module) => module.Suggestions);
export const WordOptions = partOf(forms, (module) => module.WordOptions);
export const useFormsBehind = forms.useSoon;
