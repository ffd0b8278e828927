/** All texts of Scan. */
import type { OpeningWish } from '@clever-drawer/core/api';
import type { FindingKind } from '@clever-drawer/core/scan';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// asides
export const setAside = 'Set aside';
export const notExaminedAnd =
  'Not examined and not in the catalog. Nothing on the disk was touched.';
export const restore = 'Restore';
export const restoreCopy = (name: string, format: string): string => `Restore ${name}, ${format}`;
export const restoreAll = (count: number): string => `Restore all ${count}`;

// computer-acts
export const renameComputer = 'Rename this computer…';
export const removeComputer = 'Remove this computer';
export const removeComputerQuestion = 'Remove it with its folders? You can restore it later.';
export const nameOfThisComputer = 'Name of this computer';
export const name = 'Name';
export const rename = 'Rename';
export const computerRenamed = (before: string, name: string): string =>
  `Rename ${before} to ${name}`;
export const computerRemoved = (name: string): string =>
  `${name} removed. You can restore it in Scan.`;
export const computerRestored = (name: string): string => `${name} restored.`;
export const removedComputers = 'Removed computers';
export const restoreComputer = (name: string): string => `Restore ${name}`;

// findings
export const findingNames: Record<FindingKind, string> = {
  arrived: 'Arrived',
  returned: 'Back',
  updated: 'Updated',
  opened: 'Opened',
  moved: 'Moved',
  gone: 'Gone',
  away: 'Out of reach',
  failed: 'Failed',
};
export const nothingScannedYet = 'Nothing scanned yet';
export const pressScan =
  'Press Scan. New plugins are listed here, and failed ones with the reason.';
export const addADirectoryWithPlugins =
  'Add a directory with plugins on the left, or look in the usual places.';
export const failedNow = (failedCount: number): string => `Failed now · ${failedCount}`;
export const showingTheFirst = (count: number): string => ` Showing the first ${count}.`;
export const nothingNew = 'Nothing new';
export const unchanged = (unchanged: number): string => ` · ${unchanged} unchanged`;
export const stoppedBeforeTheEnd = ' · stopped before the end';
export const showWhatArrivedInFile = 'Show what arrived in File';
export const nothingNewSoFar = 'Nothing new so far.';
export const everythingIsAsItWas = 'Everything is as it was.';
export const nothingYouFiledIsLost =
  'Nothing you filed is lost when a plugin is gone: its name and folders come back with it.';
export const findings = 'Findings';
export const showInFile = 'Show in File';
export const isSetAside = (name: string): string =>
  `${name} is set aside. Its file is untouched; you can restore it on the left.`;
export const noVersion = 'no version';
export const changedVersionAsBefore = (format: string, to: string): string =>
  `${format} · changed, version ${to} as before`;
export const fromWas = (from: string): string => `was ${from}`;
export const formatFrom = (format: string, from: string): string => `${format} · from ${from}`;
export const itsPlaceCannotBeReached = (format: string): string =>
  `${format} · its place cannot be reached; nothing is lost`;
export const formatWasPath = (format: string, path: string): string => `${format} · was ${path}`;
export const noVendorNamed = 'no vendor named';

// model/opening-words
/** The wishes as they are offered. */
export const wishWords: Readonly<Record<OpeningWish, string>> = {
  always: 'always, when something arrives',
  ask: 'only when I ask for it',
  never: 'never',
};
export const copies = (count: number): string =>
  oneOrMany(count, 'One copy', plural(count, 'copy', 'copies'));
export const readButNotOpened = (copies: string, unopened: number): string =>
  `${copies} ${oneOrMany(unopened, 'has', 'have')} been read but not opened.`;
export const namelessOfCopies = (nameless: number, copies: string): string =>
  `${nameless} of ${copies}`;
export const onlyTheFileName = (some: string): string => `${some}: only the file name is known.`;

// opening
export const opening = 'Opening';
export const openingThemReadsNameVendor =
  'Opening them reads name, vendor, inputs and outputs. Each is opened in its own process, where it cannot harm or reach anything else.';
export const open = (unopened: number): string =>
  `Open ${oneOrMany(unopened, 'it', `${unopened} copies`)}`;
export const openCopiesThatReadingCannot = 'Open copies that reading cannot identify:';

// places
export const added = (count: number): string =>
  `${oneOrMany(count, 'One usual place', `${count} usual places`)} added`;
export const allTheUsualPlacesAre = 'All the usual places are already listed';
export const lookInTheUsualPlaces = 'Look in the usual places';
export const removeThePlaceNothing = (path: string): string =>
  `Remove the place ${path}; nothing on the disk was touched`;
export const lookThroughPath = (isOn: boolean, path: string): string =>
  `${isOn ? 'Scan' : 'Stop scanning'} ${path}`;
export const keepLookingInPath = (isWatched: boolean, path: string): string =>
  `${isWatched ? 'Watch' : 'Stop watching'} ${path}`;
export const on = 'On';
export const place = 'Place';
export const copiesColumn = 'Copies';
export const failed = 'Failed';
export const actions = 'Actions';
export const lookThrough = (path: string): string => `Scan ${path}`;
export const none = 'none';
export const withoutProgram = (count: number): string => `${count} with a missing program`;
export const watch = (path: string): string => `Watch ${path}`;
export const watchedClickToStop = 'Watched: scans when something changes here. Click to stop.';
export const watchScanWhenSomethingChanges = 'Watch: scan when something changes here';
export const removeThePlace = (path: string): string => `Remove the place ${path}`;
export const waitUntilTheScanIsDone = 'Wait until the scan is done, or stop it';
export const removeThisPlace = 'Remove this place';
export const allFormats = 'all formats';
export const opened = (opened: number): string => `${opened} opened`;
export const savedSetting = 'saved setting';
export const watched = 'watched';
export const off = 'off';
export const outOfReach = '· out of reach: is its disk plugged in?';
export const enterThePathOfA = 'Enter the path of a directory.';
export const thatIsLongerThanAPath = 'That is longer than a path can be.';
export const addedPressScan = (path: string): string => `${path} added. Press Scan to read it.`;
export const pathOfADirectoryWithPlugins = 'Path of a directory with plugins';
export const pathToADirectoryWithPlugins = '/path/to/a/directory/with/plugins';
export const addAPlace = 'Add a place';

// model/taken-words
export const takenWords: Readonly<Record<string, string>> = {
  arrived: 'arrived',
  returned: 'back',
  updated: 'updated',
  opened: 'opened',
  moved: 'moved',
  gone: 'gone',
  failed: 'failed there',
};
export const nothingChangedThere = 'nothing changed there';
export const wasAdded = (computer: string, looked: number, what: string): string =>
  `${computer} was added, with ${plural(looked, 'copy', 'copies')}: ${what}.`;
export const isUpToDate = (computer: string, what: string): string =>
  `${computer} is up to date: ${what}.`;

// take-copies
export const enterTheComputersNameFirst = 'Enter the computer’s name first.';
export const anotherComputer = 'Another computer';
export const downloadTheScanner = 'Download the scanner';
export const andCarryItToTheOther =
  'and carry it to the other computer: one file, nothing to install but Node.js 20 or newer.';
export const runItThere = 'Run it there:';
export const bringTheFileItWrites = 'Bring the file it writes here.';
export const readingTheFile = 'Reading the file …';
export const chooseCopiesNdjson = 'Choose copies.ndjson …';
export const orDropItHere = 'or drop it here, or paste its lines.';
export const importAndMarkThemGone = 'Import it and mark them as gone';
export const fileOfCopies = 'File of copies';
export const nameOfThatComputer = 'Name of that computer';
export const mixingRoom = 'Mixing room';

// scan-controls
export const stopping = 'Stopping …';
export const stop = 'Stop';
export const scanAgain = 'Scan again';
export const scan = 'Scan';
export const addAPlaceFirst = 'Add a place first, or look in the usual places.';
export const couldNotBeLookedInto = (count: number): string =>
  `${oneOrMany(count, 'One file or directory', `${count} files or directories`)} could not be read`;
export const examineEverythingAgain = 'Examine everything again';
export const onlyTheThatFailed = (failed: number): string =>
  oneOrMany(failed, 'Only the one that failed', `Only the ${failed} that failed`);
export const notScannedYet = 'Not scanned yet.';
export const theLastScanWasStopped =
  'The last scan was stopped. Scan again to continue from there.';
export const theLastScanWasInterrupted = 'The last scan was interrupted. Scan again to finish it.';
export const lastScanOnlyChangesSince = (when: string): string =>
  `Last scan: ${when}. Only changes since then are examined.`;
export const aboutLeft = (seconds: number, minutes: number): string =>
  ` · about ${seconds < 60 ? `${seconds} s` : `${minutes} min`} left`;
export const scanning = 'Scanning';
export const findingPlugins = 'finding plugins';
export const doneOfTotal = (done: number, total: number, left: string): string =>
  `${done} of ${total}${left}`;
export const comparing = 'Comparing';
export const reading = 'Reading';
export const unchangedSkipped = (unchanged: number): string => ` · ${unchanged} unchanged, skipped`;
export const andFailed = (failed: number): string => ` · ${failed} failed`;

// waiting
export const anUnnamedPlugin = 'an unnamed plugin';
export const savedSettingFor = (count: number): string =>
  `${plural(count, 'saved setting')} ${oneOrMany(count, 'waits', 'wait')} for ${oneOrMany(count, 'its plugin', 'their plugins')}`;
export const formatOfWhat = (format: string, what: string): string => `${format} of ${what}`;

// scan-screen
export const whatChanged = 'What changed';
export const whereThisComputerKeepsPlugins = 'Where this computer keeps plugins';
export const cleverDrawerScansOnlyThese =
  'Clever Drawer scans only these places and never changes anything in them.';
export const pluginsOfAnotherComputer = 'Plugins of another computer …';
export const importedOn = (time: string): string => `Last imported ${time}.`;
export const isAnotherComputer = (name: string): string => `${name} is another computer`;
export const youCanFileItsPlugins =
  'You can file its plugins here, but not open or load them; their pictures stay there. Read a newer file to update them.';
