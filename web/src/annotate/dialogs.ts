/** The dialogs in which something is said of plugins, in one piece. */
export { FileIn } from './file-in.tsx';
export { FilePlugins } from './file-plugins.tsx';
export { NameDialog } from './name-dialog.tsx';
export { PluginMenu } from './plugin-menu.tsx';
export { TagPicker } from './tag-picker.tsx';
export { TrialForm } from './trial-form.tsx';
export { TypesPicker } from './types-picker.tsx';
