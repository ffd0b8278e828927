/** All texts of acts, undo and redo, wherever they are done. */

// use-order-acts
export const lastDone = (where: string, what: string): string =>
  `Last done ${where}: ${what}. Press again to undo it.`;
export const onTheScreen = (screen: string): string => `on the screen ${screen}`;
export const inAnotherWindow = 'in another window';
export const notSaved = (reason: string): string => `Not saved: ${reason}`;
export const undone = 'Undone';
export const redone = 'Redone';
