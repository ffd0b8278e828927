/** All texts of the parts that every screen uses. */

// notices
export const partIsMissing = 'Part of the page didn’t load. Reload it.';
export const close = 'Close';

// error-boundary
export const couldNotBeShown = (what: string): string => `${what} could not be shown`;
export const nothingThatWasSavedIsLost = (error: string): string =>
  `Nothing saved is lost, and the rest keeps working. What happened: ${error}`;
export const showItAgain = 'Try again';
export const copyWhatHappened = 'Copy the details';

// time-words
export const today = (clock: string): string => `today ${clock}`;

// picker-dialog
export const nothingIsCalledThat = 'No matches';

// form-dialog
export const cancel = 'Cancel';

// use-document-title
export const cleverDrawer = (name: string): string => `${name} · Clever Drawer`;
