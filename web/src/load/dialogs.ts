/** The dialogs of Load, in one piece. */
export { ChainDialog } from './chain-dialog.tsx';
export { Learnt } from './learnt.tsx';
export { SaveDialog, SettingsDialog } from './session-dialogs.tsx';
export { SettingDialog } from './setting-dialog.tsx';
