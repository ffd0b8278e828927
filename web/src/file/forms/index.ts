/** The forms, menus and dialogs of File, in one piece. */
export { CabinetMenu } from '../chest/cabinet-menu.tsx';
export { FolderMenuItems, IntoCabinet, MergeInto } from '../chest/folder-menu-items.tsx';
export { CabinetForm } from './cabinet-form.tsx';
export { GatherRule } from './gather-rule.tsx';
export { KeepByHand } from './keep-by-hand.tsx';
export { PrintedList } from '../list/printed-list.tsx';
export { OpenDrawer } from '../chest/open-drawer.tsx';
export { FactsOf } from '../list/facts-of.tsx';
export { FacetOptions } from '../list/facet-options.tsx';
export { WordOptions } from '../list/word-options.tsx';
export { KeepLink } from '../list/keep-link.tsx';
export { TrayActs } from '../tray/tray-acts.tsx';
export { Suggestions } from './suggestions.tsx';
