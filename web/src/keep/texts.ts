/** All texts of Keep. */
import type { MatchHow, MergeMode } from '@clever-drawer/core/exchange';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// backups-tab
export const everythingOfTheStudio = 'Everything of the studio in one file';
export const allComputers =
  'All computers, the order with its whole history, points, loads and pictures: each night while Clever Drawer runs, and whenever you like. Each backup is read back and counted. To restore one:';
export const backingUp = 'Backing up …';
export const backUpNow = 'Back up now';
export const lastBackup = (when: string): string => `Last backup: ${when}, read back ✓`;
export const thereIsNoBackupYet = 'There is no backup yet.';
export const itIsOld = ' It is old: make one now.';
export const theLastOneFailed = (trouble: string): string => `The last one failed: ${trouble}`;
export const bytesKB = (bytes: string): string => `${bytes} kB`;
export const bytesMB = (bytes: string): string => `${bytes} MB`;
export const rows = (rows: string, size: string): string => `${rows} rows, ${size}`;
export const theyLieIn = 'They lie in';
export const howManyAreKept = 'How many are kept';
export const keepItSo = 'Keep it so';

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
  ['likely', 'likely: what is taken, and why'],
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
export const chooseWhatIs = (from: string): string => `Choose what ${from} is`;
export const choose = 'Choose';
export const leaveItOut = 'Leave it out';
export const foldersIn = (folders: string): string => ` in ${folders}`;
export const isNotTakenOver = 'is not taken over.';
export const keepsItsPlaceUntil = (where: string): string =>
  `keeps its place${where} until it is installed.`;
export const mayBeUnlessYouChoose = (choices: string, where: string): string =>
  `may be ${choices}. Unless you choose, its place${where} waits.`;

// take-in
export const modeWords: readonly (readonly [MergeMode, string, string])[] = [
  ['add', 'Add what is not here', 'Nothing that is here changes.'],
  ['theirs', 'That order wins', 'Where both say something, what is read in holds.'],
  ['mine', 'This order wins', 'What is left open here is filled.'],
  ['replace', 'Replace this order', 'What only this one has goes. Undo brings it back.'],
];
/** What each way is called, and what it means. */
export const howWords: Readonly<Record<MatchHow, string>> = {
  same: 'the same',
  likely: 'likely',
  ask: 'to ask',
  missing: 'missing',
};
export const lookingWhatOfItIsHere = 'Looking what of it is here …';
export const pluginOfThatOrder = (count: number): string =>
  `${plural(count, 'plugin')} of that order, looked for among those of this computer`;
export const itsLoadsAndHabits = 'Its loads and habits, too';
export const load = (loads: number): string => `${plural(loads, 'load')}; `;
export const undoLeavesThemHere = 'undo leaves them here';
export const takingItOver = 'Taking it over …';
export const takeItOver = 'Take it over, as one change';
export const cancel = 'Cancel';
export const howTheTwoComeTogether = 'How the two come together';

// carry-tab
export const thereIsOneComputerOnly = 'There is one computer only';
export const readInThePluginsOfAnother =
  'Read in the plugins of another one on the screen Scan, or write this order to a file and read it in there.';
export const takeAnOrderOverTo = (computer: string): string => `Take an order over to ${computer}`;
export const itsFolders =
  'Its folders, names and all that is said of plugins, with each plugin found among those of this computer. To take this order somewhere else, choose that computer at the top first.';
export const theComputerWhoseOrderIsTaken = 'The computer whose order is taken';
export const chooseWhoseOrder = 'Choose whose order …';

// files-tab
export const write = 'Write';
export const theWholeOrder = (computer: string): string =>
  `The whole order of ${computer} as one document: cabinets, folders, rules, names, and all that you said of plugins. It is plain JSON, documented, and readable without Clever Drawer.`;
export const withLoadsAndHabits = 'With loads and habits';
export const whenWhereAndByWhichLetters = 'when, where and by which letters each was loaded';
export const writeTheDocument = 'Write the document';
export const asAnOutlineOpml = 'As an outline (OPML)';
export const asATableCsv = 'As a table (CSV)';
export const itsCopiesAsLines = 'Its copies as lines';
export const aPageToPrint = 'A page to print …';
export const read = 'Read';
export const aDocumentOrOutline =
  'A document or outline of this or another computer, or a table (CSV) of this one that you have edited. You see what would change before anything does.';
export const chooseAFile = 'Choose a file …';
export const orDropItHere = 'or drop it here.';
export const documentOfAnOrder = 'Document of an order';

// outside
export const outsideThisProgram = 'Outside this program';
export const newestBackup = 'Last backup';
export const readBack = (when: string): string => `${when}, read back ✓`;
export const noneYet = 'none yet';
export const andTheLastOneFailed = ' · the last one failed';
export const shelfOnDisk = 'Shelf on disk';
export const notInStep = '⚠ not in step';
export const inStep = 'in step ✓';

// model/point-words
export const eveningByItself = 'Evening, by itself';
export const before = (before: string): string => `Before “${before}”`;
export const today = (clock: string): string => `today ${clock}`;
export const thisWeek = 'This week';

// points
export const pointsToReturnTo = 'Points to return to';
export const everyChangeIsKeptAlready = 'Every change is kept already; a point has a name.';
export const now = 'Now';
export const changeSince = (changes: number, point: string): string =>
  `${plural(changes, 'change')} since ${point}`;
export const changeSoFar = (changes: number): string => `${plural(changes, 'change')} so far`;
export const noPointsYet =
  'None yet. Mark one before you rearrange things; each evening with changes makes one by itself, and so does whatever changes much at once.';
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
  'Mark this point, at the left. Then rearrange as you like: here it will say what would come back, and one press returns to it.';
export const returnTo = (point: string): string => `Return to “${point}”`;
export const thisIsOneChange =
  'This is one change; undo brings all of today back. Nothing on the disk is touched.';
export const against = 'Against';
export const asItIsNow = 'now';
export const returnToIt = 'Return to it';
export const writeItToAFile = 'Write it to a file';
export const folders = 'Folders';
export const cabinets = 'Cabinets';
export const whatIsSaidOf = 'What is said of';
export const onlyAPart = 'Only a part …';
export const called = (name: string): string => `Called ${name}`;
export const nameOfThePoint = 'Name of the point';
export const callItThat = 'Call it that';
export const nameIt = 'Name it …';
export const rename = 'Rename …';
export const isNoPointAnyMore = (point: string): string =>
  `${point} is no point any more; nothing of the order changed`;
export const forgetThisPoint = 'Forget this point';

// shelf-tab
export const aCabinetAsDirectories = 'A cabinet as directories';
export const forProgramsThatReadDirectories =
  'For programs that read directories and nothing else: a directory for each folder, in it a link to the copy in front of each plugin. Smart folders hold what they hold now. It is kept in step by itself, in a directory of its own; nothing else is ever touched.';
export const isAnotherComputer = (computer: string): string =>
  `${computer} is another computer: its shelf is written there.`;
export const directoriesAsACabinet = 'Directories as a cabinet';
export const aTreeOfLinks =
  'A tree of links, of plugin files or of files that are called like plugins becomes a cabinet: you see what was recognised before anything changes. The directories are only read.';
export const theTreeOfDirectories = 'The tree of directories';
export const homeYouMyPlugins = '/home/you/My plugins';
export const lookWhatItHolds = 'Look what it holds';
export const cabinet = 'Cabinet';
export const directoryANewOne = 'Directory: a new one, or an empty one';
export const homeYouPluginShelf = '/home/you/Plugin shelf';
export const keepYourOrderByFigures = 'Keep your order by figures in front of the names';
export const sayWhatItWouldDo = 'Say what it would do';
export const writeIt = 'Write it, and keep it in step';
export const removeTheShelf = 'Remove the shelf';
export const itWouldMakeOrChange = (done: number, kept: number): string =>
  `It would make or change ${plural(done, 'entry', 'entries')}; ${kept} ${oneOrMany(kept, 'is as it', 'are as they')} should be.`;
export const isInStep = (directory: string, done: number, when: string): string =>
  `${directory} is in step: ${plural(done, 'entry', 'entries')}, ${when}.`;
export const leftSince = (path: string, because: string): string =>
  `${path}: left, since ${because}.`;

// keep-screen
export const tabs = [
  ['return', 'Return to a point'],
  ['carry', 'From another computer'],
  ['files', 'Read and write files'],
  ['shelf', 'Shelf on disk'],
  ['backups', 'Backups'],
] as const;
export const whatToKeep = 'What to keep';

// chart-page
export const chart = 'Chart';
export const back = 'Back';
export const printIt = 'Print it';
