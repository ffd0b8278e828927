/** All texts of Keep. */
import type { MatchHow, MergeMode } from '@clever-drawer/core/exchange';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// backups-tab
export const everythingOfTheStudio = 'Everything of the studio in one file';
export const allComputers =
  'All computers with their orders, history, points, loads and pictures: every night while Clever Drawer runs, and whenever you like. Each backup is read back and checked. To restore one:';
export const backingUp = 'Backing up …';
export const backUpNow = 'Back up now';
export const lastBackup = (when: string): string => `Last backup: ${when}, read back ✓`;
export const thereIsNoBackupYet = 'There is no backup yet.';
export const itIsOld = ' It is old: make one now.';
export const theLastOneFailed = (trouble: string): string => `The last one failed: ${trouble}`;
export const bytesKB = (bytes: string): string => `${bytes} kB`;
export const bytesMB = (bytes: string): string => `${bytes} MB`;
export const rows = (rows: string, size: string): string => `${rows} rows, ${size}`;
export const directory = 'Directory';
export const numberToKeep = 'Number to keep';
export const save = 'Save';

// change-lines
/** What the ways are called where one returns, and where something is read in. */
export const wayWords = {
  return: { comes: 'Comes back', goes: 'Would go', changes: 'As it was' },
  read: { comes: 'Comes', goes: 'Would go', changes: 'Changes' },
} as const;
export const nothingWouldChange = 'Nothing would change: both are the same.';
export const whatWouldChange = 'What would change';
export const and = 'And';
export const lineMore = (count: number): string => `${plural(count, 'line')} more.`;
export const stays = 'Stays';
export const folderWithFiled = (folders: number, placements: number): string =>
  `${plural(folders, 'folder')} with ${plural(placements, 'plugin')} filed; loads and habits`;
export const andMore = (count: number): string => `and ${count} more`;

// match-rows
/** Those that somebody has to look at come first, and stand open. */
export const matchGroups = [
  ['ask', 'to ask'],
  ['likely', 'likely: the match, and why'],
  ['missing', 'missing: their places wait'],
  ['same', 'chosen by you'],
] as const;
export const rowWords = {
  same: 'chosen',
  likely: 'likely',
  ask: 'ask',
  missing: 'missing',
} as const;
export const leftOut = 'left out';
export const chooseAMatchFor = (from: string): string => `Choose a match for ${from}`;
export const choose = 'Choose';
export const leaveItOut = 'Leave it out';
export const foldersIn = (folders: string): string => ` in ${folders}`;
export const isLeftOut = 'is left out.';
export const keepsItsPlaceUntil = (where: string): string =>
  `keeps its place${where} until it is installed.`;
export const mayBeUntilYouChoose = (choices: string, where: string): string =>
  `may be ${choices}. Until you choose, its place${where} waits.`;

// take-in
export const modeWords: readonly (readonly [MergeMode, string, string])[] = [
  ['add', 'Add what is not here', 'Nothing here changes.'],
  ['theirs', 'That order wins', 'Where both have an answer, theirs is used.'],
  ['mine', 'This order wins', 'Only gaps here are filled.'],
  ['replace', 'Replace this order', 'Removes what only this one has. You can undo it.'],
];
/** What each way is called, and what it means. */
export const howWords: Readonly<Record<MatchHow, string>> = {
  same: 'the same',
  likely: 'likely',
  ask: 'to ask',
  missing: 'missing',
};
export const matchingItsPlugins = 'Matching its plugins …';
export const pluginOfThatOrder = (count: number): string =>
  `${plural(count, 'plugin')} of that order, matched with this computer’s`;
export const includeItsLoadsAndHabits = 'Include its loads and habits';
export const load = (loads: number): string => `${plural(loads, 'load')}; `;
export const undoDoesNotRemoveThem = 'undo does not remove them';
export const importing = 'Importing …';
export const importAsOneChange = 'Import as one change';
export const cancel = 'Cancel';
export const howToMerge = 'How to merge';

// carry-tab
export const onlyOneComputerSoFar = 'Only one computer so far';
export const addAnotherComputersPluginsIn =
  'Add another computer’s plugins in Scan, or export this order to a file and import it there.';
export const importAnOrderTo = (computer: string): string => `Import an order to ${computer}`;
export const itsFolders =
  'Its folders, names and answers, with each plugin matched to this computer’s. To import somewhere else, choose that computer at the top first.';
export const computerToImportFrom = 'Computer to import from';
export const chooseAComputer = 'Choose a computer …';

// files-tab
export const exportIt = 'Export';
export const theWholeOrder = (computer: string): string =>
  `The whole order of ${computer} in one document: cabinets, folders, rules, names and your answers. It is plain JSON, documented, and readable without Clever Drawer.`;
export const withLoadsAndHabits = 'With loads and habits';
export const whenWhereAndByWhich = 'when, where and by which search each was loaded';
export const exportTheDocument = 'Export the document';
export const asAnOutlineOpml = 'As an outline (OPML)';
export const asATableCsv = 'As a table (CSV)';
export const itsCopiesAsLines = 'Its copies as lines';
export const aPageToPrint = 'A page to print …';
export const importIt = 'Import';
export const aDocumentOrOutline =
  'A document or outline of any computer, or a table (CSV) of this one that you edited. You see the changes before they are made.';
export const chooseAFile = 'Choose a file …';
export const isInAnotherEncoding = (file: string): string =>
  `${file} isn’t UTF-8 text. Save it as UTF-8 and choose it again; nothing was changed.`;
export const orDropItHere = 'or drop it here.';
export const documentOfAnOrder = 'Document of an order';

// outside
export const outsideThisProgram = 'Outside this program';
export const newestBackup = 'Last backup';
export const readBack = (when: string): string => `${when}, read back ✓`;
export const noneYet = 'none yet';
export const andTheLastOneFailed = ' · the last one failed';
export const shelfOnDisk = 'Shelf on disk';
export const outOfDate = '⚠ out of date';
export const upToDate = 'up to date ✓';

// model/point-words
export const evening = 'Evening';
export const before = (before: string): string => `Before “${before}”`;
export const today = (clock: string): string => `today ${clock}`;
export const thisWeek = 'This week';

// points
export const pointsToReturnTo = 'Points to return to';
export const everyChangeIsSavedAnyway = 'Every change is saved anyway; a point is one with a name.';
export const now = 'Now';
export const changeSince = (changes: number, point: string): string =>
  `${plural(changes, 'change')} since ${point}`;
export const changeSoFar = (changes: number): string => `${plural(changes, 'change')} so far`;
export const noPointsYet =
  'None yet. Mark one before you rearrange things. One is also made each evening with changes, and before big changes.';
export const filed = (when: string, folders: number, filed: string): string =>
  `${when} · ${plural(folders, 'folder')}, ${filed} filed`;
export const markThisPoint = 'Mark this point …';
export const marked = (name: string): string => `Marked: ${name}`;
export const whatIsThisPointCalled = 'What is this point called?';
export const beforeTheTour = 'Before the tour';
export const markIt = 'Mark it';

// return-tab
export const noPointYet = 'No point yet';
export const markThisPointFirst =
  'Mark this point on the left, then rearrange as you like. This shows what would come back, and one click returns to it.';
export const returnTo = (point: string): string => `Return to “${point}”`;
export const thisIsOneChange =
  'This is one change, and you can undo it. Nothing on the disk is touched.';
export const compareWith = 'Compare with';
export const asItIsNow = 'now';
export const returnToIt = 'Return to it';
export const exportToAFile = 'Export to a file';
export const folders = 'Folders';
export const cabinets = 'Cabinets';
export const answersFor = 'Answers for';
export const onlyAPart = 'Only a part …';
export const called = (name: string): string => `Called ${name}`;
export const nameOfThePoint = 'Name of the point';
export const nameIt = 'Name it …';
export const rename = 'Rename …';
export const pointDeletedTheOrderIs = (point: string): string =>
  `Point ${point} deleted; the order is unchanged`;
export const isThePointDeleted = (point: string): string => `Delete ${point}? You can’t undo this.`;
export const deleteThisPoint = 'Delete this point';

// shelf-tab
export const aCabinetAsDirectories = 'A cabinet as directories';
export const forProgramsThatReadOnly =
  'For programs that read only directories: one directory for each folder, with a link to the preferred copy of each plugin. Smart folders hold their current plugins. It updates itself, in its own directory; nothing else is ever touched.';
export const isAnotherComputer = (computer: string): string =>
  `${computer} is another computer: its shelf is written there.`;
export const directoriesAsACabinet = 'Directories as a cabinet';
export const turnsATreeOfLinks =
  'Turns a tree of links, plugin files or files named like plugins into a cabinet. You see the matches before anything changes. The directories are only read.';
export const theTreeOfDirectories = 'The tree of directories';
export const homeYouMyPlugins = '/home/you/My plugins';
export const readThisDirectory = 'Read this directory';
export const cabinet = 'Cabinet';
export const directoryNewOrEmpty = 'Directory (new or empty)';
export const homeYouPluginShelf = '/home/you/Plugin shelf';
export const numberTheFoldersToKeep = 'Number the folders to keep their order';
export const preview = 'Preview';
export const writeIt = 'Write it and keep it up to date';
export const removeTheShelf = 'Remove the shelf';
export const itWouldCreateOrChange = (done: number, kept: number): string =>
  `It would create or change ${plural(done, 'entry', 'entries')}; ${kept} ${oneOrMany(kept, 'is', 'are')} up to date.`;
export const isUpToDate = (directory: string, done: number, when: string): string =>
  `${directory} is up to date: ${plural(done, 'entry', 'entries')}, ${when}.`;
export const skippedBecause = (path: string, because: string): string =>
  `${path}: skipped, because ${because}.`;

// keep-screen
export const whatToKeep = 'What to keep';

// chart-page
export const chart = 'Chart';
export const back = 'Back';
export const printIt = 'Print it';
