/** All texts of the parts that every screen uses. */

// notices
export const partIsMissing =
  'A part of Clever Drawer could not be fetched while it was away. Load the page again to have all of it.';
export const close = 'Close';

// error-boundary
export const couldNotBeShown = (what: string): string => `${what} could not be shown`;
export const nothingThatWasSavedIsLost = (error: string): string =>
  `Nothing that was saved is lost, and all else goes on working. What happened: ${error}`;
export const showItAgain = 'Show it again';
export const copyWhatHappened = 'Copy what happened';

// time-words
export const today = (clock: string): string => `today ${clock}`;

// picker-dialog
export const nothingIsCalledThat = 'Nothing is called that.';

// form-dialog
export const cancel = 'Cancel';

// use-document-title
export const cleverDrawer = (name: string): string => `${name} · Clever Drawer`;
