/** All texts of the parts that every screen uses. */

// notices
export const partIsMissing = 'Part of the page didn’t load. Reload it.';
export const close = 'Close';

// error-boundary
export const couldNotBeShown = (what: string): string => `${what} could not be shown`;
export const nothingSavedIsLost = (error: string): string =>
  `Nothing saved is lost, and the rest keeps working. What happened: ${error}`;
export const tryAgain = 'Try again';
export const copyTheDetails = 'Copy the details';

// time-words
export const today = (clock: string): string => `today ${clock}`;

// picker-dialog
export const noMatches = 'No matches';

// form-dialog
export const cancel = 'Cancel';

// use-document-title
export const cleverDrawer = (name: string): string => `${name} · Clever Drawer`;
