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

// screen-parts
export const worthDoing = 'Worth doing';
export const whatYouOwn = 'What you own';
export const whatYouUse = 'What you use';
export const whatChanged = 'What changed';
export const yourOrder = 'Your order';
export const returnToAPoint = 'Return to a point';
export const fromAnotherComputer = 'From another computer';
export const importAndExport = 'Import and export files';
export const shelfOnDisk = 'Shelf on disk';
export const backups = 'Backups';
export const manyAtOnce = 'Many at once';
export const allVendors = 'All vendors';
export const wordsOfPoints = 'restore version history snapshot';
export const wordsOfCarrying = 'transfer sync laptop match';
export const wordsOfFiles = 'export import save csv json document outline spreadsheet';
export const wordsOfTheShelf = 'directories links disk';
export const wordsOfBackups = 'backup restore safety copy';
export const wordsOfMany = 'list bulk questions';
export const wordsOfVendors = 'spellings manufacturers makers developers rename';
export const wordsOfReview = 'statistics charts usage report';
