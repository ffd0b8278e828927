/** All texts of the parts of screens, and what else people call them. */

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
