/** All texts of File. */
import type { FolderSorting } from '@clever-drawer/core/order';
import type { PlanName } from '@clever-drawer/core/plans';
import type { Facet, Sorting } from '@clever-drawer/core/search';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// cabinet-menu
export const favouritesOfItsOwnForEach = 'Favourites of its own for each cabinet';
export const oneFavouritesFolderForAllCabinets = 'One favourites folder for all cabinets';
export const actionsForTheCabinet = (cabinet: string): string =>
  `Actions for the cabinet ${cabinet}`;
export const again = (name: string): string => `${name}, again`;
export const nameAndSlots = 'Name and slots …';
export const duplicate = 'Duplicate';
export const putBefore = (before: string): string => `Put before ${before}`;
export const putBehind = (behind: string): string => `Put behind ${behind}`;
export const copiesUsedFirst = 'Copies used first';
export const usual = 'usual';
export const myOwnOrderOfFolders = 'My own order of folders';
export const foldersByName = 'Folders by name, between the dividers';
export const removeTheCabinetItsPluginsStay =
  'Remove the cabinet (its plugins stay in the catalog)';

// cabinet-form
export const planNames: Record<PlanName, readonly [name: string, title: string, what: string]> = {
  empty: ['Empty', 'New cabinet', 'favourites only'],
  type: ['By type', 'By type', 'a folder for each group of types'],
  vendor: ['By vendor', 'By vendor', 'a folder for each vendor with many plugins'],
  format: ['By format', 'By format', 'a folder for each format'],
  job: ['By job', 'By job', 'empty folders to fill'],
  checks: ['Last checks before delivery', 'Last checks', 'meters, limiters, repair'],
  like: ['Like this one, but empty', '', 'the same folders and rules'],
  copy: ['Like this one, and filled', '', 'the same folders with what they hold'],
};
export const nowOpens = (cabinet: string): string => `now: ${cabinet}`;
export const takenFrom = (cabinet: string): string => `taken over from ${cabinet}`;
export const aNewCabinet = 'A new cabinet';
export const cancel = 'Cancel';
export const save = 'Save';
export const makeTheCabinet = 'Make the cabinet';
export const plan = 'Plan';
export const withAtLeast = 'with at least';
export const plugins = 'plugins';
export const name = 'Name';
export const giveItAName = 'Give it a name.';
export const opensByItselfFor = 'Opens by itself for';
export const whatItWouldMake = 'What it would make';
export const makesOnlyItsFavourites = 'Makes only its favourites.';
export const makesFoldersWithPlacesInThem = (folders: number, plugins: number): string =>
  `Makes ${plural(folders, 'folder')} with ${plural(plugins, 'place')} in ${oneOrMany(folders, 'it', 'them')}. Nothing is moved; filing is a reference.`;
export const byItsRule = 'by its rule';

// cabinet-tabs
export const aNewCabinetWhole = 'A new cabinet: another whole arrangement';
export const newCabinet = 'New cabinet';
export const cabinets = 'Cabinets';

// folder-form
export const formNames = {
  folder: 'Folder',
  smart: 'Smart folder',
  divider: 'Divider',
} as const;
export const atMostLetters = (most: number): string => `At most ${plural(most, 'letter')}.`;
export const typeAtLeastOneKeyword = 'Type at least one keyword, with commas between several.';
export const change = (folder: string): string => `Change ${folder}`;
export const newFolder = 'New folder';
export const makeThe = (form: string): string => `Make the ${form}`;
export const holdsEveryPluginWhoseName = 'Holds every plugin whose name has any of';
export const delayEcho = 'delay, echo, slap';
export const moreThanKeywords = 'More than keywords …';
export const aCommaIsOr = 'A comma is “or”.';
export const takesInNothingYet = 'Takes in nothing yet.';
export const takesIn = (count: number, some: string): string =>
  `Takes in ${count}: ${some}${count > 3 ? ' …' : ''}`;

// sorting-names
export const sortingNames: Record<FolderSorting, string> = {
  name: 'name',
  type: 'type',
  vendor: 'vendor',
  use: 'most used',
  lately: 'last loaded',
  newest: 'newest',
};

// model/drop-plan
export const put = 'Put ';
export const theFoldersOfAreSorted = (cabinet: string): string =>
  `The folders of ${cabinet} are sorted by name. Choose “My own order of folders” in the cabinet's menu to move them.`;
export const droppedBesideTheFolders =
  'Dropped beside the folders: nothing was filed. Drop onto a folder, or press F to file by its name.';
export const fillsItself = (what: string): string =>
  ` fills itself: keep ${what} in by hand, or change its rule`;
export const isADividerAndHolds = (folder: string): string =>
  `${folder} is a divider and holds no plugins.`;
export const aDividerHoldsNoPlugins = 'A divider holds no plugins';
export const moveTo = (what: string): string => `Move ${what} to `;
export const ctrlFileItThereToo = 'Ctrl: file it there too';
export const fileIn = (what: string): string => `File ${what} in `;
export const isIn = (what: string): string => `${what} is in `;
export const putHereIn = (what: string): string => `Put ${what} here in `;

// folder-menu-items
export const actionsFor = (folder: string): string => `Actions for ${folder}`;
export const rename = 'Rename';
export const changeTheRule = 'Change the rule …';
export const settleAsAnOrdinaryFolder = 'Settle as an ordinary folder';
export const newSubfolder = 'New subfolder';
export const unpin = 'Unpin';
export const pinToTheFront = 'Pin to the front';
export const putBeforeItsNeighbour = 'Put before its neighbour';
export const putBehindItsNeighbour = 'Put behind its neighbour';
export const putInside = (into: string): string => `Put inside ${into}`;
export const putBesideItsParent = 'Put beside its parent';
export const putAllOfItInto = 'Put all of it into …';
export const copyIntoACabinet = 'Copy into a cabinet …';
export const showInAnotherCabinetToo = 'Show in another cabinet too …';
export const sortedBy = 'Sorted by';
export const myOwnOrder = 'my own order';
export const others = 'Others';
export const noVendor = 'No vendor';
export const splitByVendor = 'Split by vendor';
export const noType = 'No type';
export const splitByType = 'Split by type';
export const aCopyOfIn = (folder: string): string => `A copy of ${folder} in …`;
export const showAlsoIn = (folder: string): string => `Show ${folder} also in …`;
export const lettersOfTheCabinetsName = "Letters of the cabinet's name";
export const putAllOfInto = (folder: string): string => `Put all of ${folder} into …`;
export const lettersOfTheFoldersName = "Letters of the folder's name";
export const removeTheDivider = 'Remove the divider';
export const noLongerShow = 'No longer show it here (the folder stays in its cabinet)';
export const removeTheFolderItsPluginsStay = 'Remove the folder (its plugins stay in the catalog)';

// drawer-front
export const formWords = {
  favourites: 'favourites',
  smart: 'smart folder',
  folder: 'folder',
  divider: 'divider',
} as const;
export const dividerPressToRename = 'Divider: press to rename';
export const folderHolds = (folder: string, form: string, count: number, below: number): string =>
  `${folder}, ${form}, ${plural(count, 'plugin')}${below === 0 ? '' : ` and ${below} below`}`;
export const shownFromAnotherCabinet = 'shown from another cabinet';
export const pinned = 'pinned';
export const andMore = (count: number): string => `and ${count} more`;

// placed-plugin
export const keepOutOf = (plugin: string, folder: string): string =>
  `Keep ${plugin} out of ${folder}`;
export const takeOutOf = (plugin: string, folder: string): string =>
  `Take ${plugin} out of ${folder}`;
export const keepItOutWhateverTheRule = 'Keep it out whatever the rule says (Delete).';
export const takeOutOfThisFolderDelete =
  'Take out of this folder (Delete). It stays in the catalog.';
export const isSortedByChooseMyOwn = (folder: string, sorting: string): string =>
  `${folder} is sorted by ${sorting}. Choose “my own order” in its head to reorder by hand.`;

// open-drawer
export const opened = (folder: string): string => `${folder}, opened`;
export const andMoreOfThem = (count: number): string => `and ${count} more:`;
export const showAllOf = 'show all of them in the list';
export const noPluginIsLikeThatYet =
  'No plugin is like that yet. What arrives later comes in by itself.';
export const emptyDragPluginsOntoIt = 'Empty. Drag plugins onto it, or press';
export const onOneInTheList = 'on one in the list.';
export const isSortedBy = (sorting: string): string => `· sorted by ${sorting}`;
export const changeItsRule = 'Change the rule';
export const close = (folder: string): string => `Close ${folder}`;
export const noteOn = (folder: string): string => `Note on ${folder}`;
export const aNote = 'A note';

// chest
export const chestKeys = [
  ['Enter', 'open'],
  ['Alt+← Alt+→', 'reorder'],
  ['F2', 'rename'],
  ['Delete', 'remove'],
] as const;
export const cabinet = (cabinet: string): string => `Cabinet ${cabinet}`;
export const aFolder = 'A folder, a smart folder or a divider';
export const makeANewFolder = 'New folder …';
export const thisCabinetHasOnlyItsFavourites =
  'This cabinet has only its favourites. Make folders for the way you work: by job, by type, by client.';

// keep-by-hand
export const thesePlugins = (count: number): string =>
  oneOrMany(count, 'this plugin', `these ${plural(count, 'plugin')}`);
export const fillsItselfByItsRule = (folder: string): string =>
  `${folder} fills itself by its rule`;
export const byHand = (what: string): string =>
  `By hand, ${what} can be in it whatever the rule says.`;
export const keepAlwaysIn = (count: number): string =>
  `Keep ${oneOrMany(count, 'it', 'them')} always in`;

// dragging
/** Dragging is for mouse and touch; keys do the same. */
export const someOrAllPlugins = (count: number): string => plural(count, 'plugin');
export const letGo = 'Let go: nothing was moved.';

// plugin-row
export const never = 'never';
export const today = 'today';
export const intoTheTraySpace = 'Into the tray (Space)';
export const favourite = 'favourite';
export const hiddenFromLoading = 'hidden from loading';
export const withoutType = 'no type';
export const inNoFolder = 'in no folder';
export const daysD = (days: number): string => `${days} d`;
export const daysW = (days: number): string => `${days} w`;
export const months = (days: number): string => `${days} mo`;
export const chainOf = (count: number): string => `chain of ${count}`;
export const setting = (format: string): string => `${format} setting`;
export const outOfReach = 'out of reach';
export const gone = 'gone';
export const programMissing = 'program missing';

// plugin-list
export const listOfPlugins = 'Plugins';
export const pressToFoldAltUnfoldAll = 'Press to fold (Alt+←), unfold all with Alt+→';

// facet-words
export const facetHeads: Record<Facet, string> = {
  bits: 'For machines of',
  licence: 'Licence',
  state: 'State',
  tag: 'Tag',
  folder: 'In the folder',
  arrived: 'Arrived',
  loaded: 'Loaded',
};
export const facetTexts: Readonly<Record<string, string>> = {
  'bits 64': '64 bit',
  'bits 32': '32 bit only',
  'licence owned': 'owned',
  'licence free': 'free',
  'licence trial': 'on trial',
  'licence not licensed': 'not licensed',
  'licence unknown': 'of unknown licence',
  'state present': 'there now',
  'state away': 'out of reach',
  'state gone': 'gone',
  'state failed': 'with a failed copy',
  'state no-program': 'with a missing program',
  'state hidden': 'hidden from loading',
  'arrived 7': 'arrived within a week',
  'arrived 30': 'arrived within a month',
  'arrived 365': 'arrived within a year',
  'loaded 7': 'loaded within a week',
  'loaded 30': 'loaded within a month',
  'loaded never': 'never loaded',
  'loaded not-90': 'not loaded for 90 days',
};
export const tagged = (value: string): string => `tagged ${value}`;
export const aFolderThatIsGone = 'a folder that is gone';
export const inTheFolder = (folder: string): string => `in ${folder}`;
export const arrivedSince = (when: string): string => `arrived since ${when}`;
export const pressToDropThis = 'Press to drop this';
export const moreThatNarrowsTheList = 'More that narrows the list';
export const more = 'more …';

// printed-list
export const printedColumns = ['Name', 'Vendor', 'Type', 'Formats', 'Folders'] as const;
export const alsoCalled = (name: string): string => `(${name})`;

// keep-link
export const keepAsSmartFolder = 'keep as smart folder';

// sentence
export const listSortings: Record<Sorting, string> = {
  name: 'name',
  vendor: 'vendor',
  type: 'type',
  format: 'format',
  arrival: 'arrival',
  use: 'use',
};
export const narrowTheList = 'Narrow the list';
export const ofAll = (all: string): string => `of ${all}`;
export const showAll = 'show all';
export const writeWhatIsShown = 'Write what is shown to a file for a spreadsheet (CSV)';
export const asATable = 'as a table';
export const all = (total: number): string =>
  oneOrMany(total, 'The only plugin', `All ${plural(total, 'plugin')}`);
export const withTheLetters = 'with the letters …';
export const lettersTheyHave = 'with the letters';
export const show = 'Show';
export const kind = 'Kind';
export const allPlugins = 'all plugins';
export const of = 'of';
export const type = 'Type';
export const anyType = 'any type';
export const from = 'from';
export const vendor = 'Vendor';
export const anyVendor = 'any vendor';
export const inFormat = 'in';
export const format = 'Format';
export const anyFormat = 'any format';
export const filedOrNot = 'filed or not';
export const savedSettings = 'saved settings';
export const letters = 'letters';
export const lettersOf = (name: string): string => `${name}: letters`;
export const nothingHasTheseLetters = 'Nothing has these letters.';
export const lineUpBy = 'Line up by';

// gather-rule
export const rulesThatGatherThese = (count: number): string =>
  oneOrMany(count, 'Rules that let it in', `Rules that gather these ${count}`);
export const theyHaveNothingInCommon = 'They have nothing in common that a rule could ask for.';
export const closeRules = 'Close';
export const takesInNothingElse = 'Takes in nothing else.';
export const takesInMore = (count: number, others: string, what: string): string =>
  `Takes in ${count} more: ${others}${what}`;
export const beginWithThis = 'Begin with this';

// tray
export const tray = 'Tray';
export const gatherPluginsHereWith = 'Gather plugins here with';
export const overAsManySearches = ', over as many searches as you like, then file them together.';
export const fileTrayIn = (count: number): string =>
  `File ${oneOrMany(count, 'it', `${count} plugins`)} in …`;
export const aRuleFor = (count: number): string =>
  `A rule for ${oneOrMany(count, 'it', 'these')} …`;
export const emptyTray = 'Empty tray';
export const inTheTray = 'In the tray';
export const takeOutOfTheTray = (plugin: string): string => `Take ${plugin} out of the tray`;

// suggestions
export const everythingIsInAFolder = 'Everything is in a folder';
export const unfiledAndLikely = (count: number, open: number): string =>
  `${count} in no folder, ${open} with a likely one`;
export const fileTheClearOnes = (clear: number): string => `File the ${plural(clear, 'clear one')}`;
export const whateverArrivesNextIsOfferedHere = 'Whatever arrives next is offered here.';
export const nothingInTheFoldersTells =
  'Nothing in the folders tells where the rest belongs. File a few by hand, and the others of their type follow here.';
export const loadedTimes = (loads: number): string =>
  ` · loaded ${plural(loads, 'time')}, in no folder`;
export const none = 'None';

// file-screen
export const file = 'File';
export const suggestions = 'Suggestions';
export const forWhatIsInNoFolder = 'for what is in no folder';
export const whatDoesDo = (plugin: string): string => `What does ${plugin} do?`;
export const view = 'View';
export const aBareList = 'A bare list';
export const list = 'List';
export const pictures = 'Pictures';
export const noPluginsYet = 'No plugins yet';
export const tellCleverDrawerWhereYourPlugins =
  'Tell Clever Drawer where your plugins are, and let it look:';
export const goToScan = 'go to Scan';
export const noPluginIsLikeThat = 'No plugin is like that';
export const theSentenceAboveLeavesNothing = 'The sentence above leaves nothing.';
export const showAllAgain = 'Show all again';
export const orPress = 'or press';

// the menu of plugins
export const intoTheTray = 'Into the tray';
export const outOfTheTray = 'Out of the tray';
export const moveToAFolder = 'Move to another folder …';
export const takeOutOfHere = 'Take out of this folder';
export const keepOutOfHere = 'Keep out of this folder';
export const sayOf = (count: number): string =>
  `Say of ${oneOrMany(count, 'it', `all ${count}`)} …`;
