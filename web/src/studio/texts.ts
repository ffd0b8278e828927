/** All texts of acts, undo and redo, wherever they are done. */

// screens
export const scan = 'Scan';
export const sort = 'Sort';
export const file = 'File';
export const load = 'Load';
export const review = 'Review';
export const keep = 'Keep';
export const rule = 'Rule';
export const plugin = 'Plugin';
export const chart = 'Chart';

// use-order-acts
export const lastChange = (where: string, what: string): string =>
  `The last change was ${where}: ${what}. Press again to undo it.`;
export const cannotBeUndone = (what: string): string =>
  `${what}: this can’t be undone. Press again to undo what was done before it.`;
export const onTheScreen = (screen: string): string => `in ${screen}`;
export const inAnotherWindow = 'in another window';
export const notSaved = (reason: string): string => `Not saved: ${reason}`;
export const undone = 'Undone';
export const redone = 'Redone';
