/** Texts of what comes behind File: its forms, menus and dialogs. */
import type { FolderSorting } from '@clever-drawer/core/order';
import type { PlanName } from '@clever-drawer/core/plans';
import type { Facet } from '@clever-drawer/core/search';
import { oneOrMany, plural } from '@clever-drawer/core/text';

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
export const makeTheCabinet = 'Make the cabinet';
export const plan = 'Plan';
export const vendorsWithAtLeast = 'Vendors with at least';
export const foldersInsideFrom = 'Folders inside one of more than';
export const kindsApart = 'Effects, instruments and note effects apart';
export const itLives =
  'It follows corrections and arrivals; what you put in or out by hand, and your names, stay';
export const itIsASnapshot = 'A snapshot: it holds what is there now, and changes by hand only';
export const makesFoldersThatFill = (folders: number): string =>
  `Makes ${plural(folders, 'folder')}, filled by ${oneOrMany(folders, 'its rule', 'their rules')} as shown. Nothing is moved.`;
export const plugins = 'plugins';
export const opensByItselfFor = 'Opens by itself for';
export const whatItWouldMake = 'What it would make';
export const makesOnlyItsFavourites = 'Makes only its favourites.';
export const makesFoldersWithPlacesInThem = (folders: number, plugins: number): string =>
  `Makes ${plural(folders, 'folder')} with ${plural(plugins, 'place')} in ${oneOrMany(folders, 'it', 'them')}. Nothing is moved; filing is a reference.`;
export const byItsRule = 'by its rule';
export const sortingNames: Record<FolderSorting, string> = {
  name: 'name',
  type: 'type',
  vendor: 'vendor',
  use: 'most used',
  lately: 'last loaded',
  newest: 'newest',
};
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
export const keepOutOf = (plugin: string, folder: string): string =>
  `Keep ${plugin} out of ${folder}`;
export const takeOutOf = (plugin: string, folder: string): string =>
  `Take ${plugin} out of ${folder}`;
export const keepItOutWhateverTheRule = 'Keep it out whatever the rule says (Delete).';
export const takeOutOfThisFolderDelete =
  'Take out of this folder (Delete). It stays in the catalog.';
export const isSortedByChooseMyOwn = (folder: string, sorting: string): string =>
  `${folder} is sorted by ${sorting}. Choose “my own order” in its head to reorder by hand.`;
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
export const thesePlugins = (count: number): string =>
  oneOrMany(count, 'this plugin', `these ${plural(count, 'plugin')}`);
export const fillsItselfByItsRule = (folder: string): string =>
  `${folder} fills itself by its rule`;
export const byHand = (what: string): string =>
  `By hand, ${what} can be in it whatever the rule says.`;
export const keepAlwaysIn = (count: number): string =>
  `Keep ${oneOrMany(count, 'it', 'them')} always in`;
export const facetHeads: Record<Facet, string> = {
  bits: 'For machines of',
  licence: 'Licence',
  state: 'State',
  tag: 'Tag',
  folder: 'In the folder',
  arrived: 'Arrived',
  loaded: 'Loaded',
};
export const printedColumns = ['Name', 'Vendor', 'Type', 'Formats', 'Folders'] as const;
export const alsoCalled = (name: string): string => `(${name})`;
export const keepAsSmartFolder = 'keep as smart folder';
export const letters = 'letters';
export const lettersOf = (name: string): string => `${name}: letters`;
export const nothingHasTheseLetters = 'Nothing has these letters.';
export const rulesThatGatherThese = (count: number): string =>
  oneOrMany(count, 'Rules that let it in', `Rules that gather these ${count}`);
export const theyHaveNothingInCommon = 'They have nothing in common that a rule could ask for.';
export const closeRules = 'Close';
export const takesInNothingElse = 'Takes in nothing else.';
export const takesInMore = (count: number, others: string, what: string): string =>
  `Takes in ${count} more: ${others}${what}`;
export const beginWithThis = 'Begin with this';
export const fileTrayIn = (count: number): string =>
  `File ${oneOrMany(count, 'it', `${count} plugins`)} in …`;
export const aRuleFor = (count: number): string =>
  `A rule for ${oneOrMany(count, 'it', 'these')} …`;
export const emptyTray = 'Empty tray';
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
export const moveToAFolder = 'Move to another folder …';
export const takeOutOfHere = 'Take out of this folder';
export const keepOutOfHere = 'Keep out of this folder';
export const sayOf = (count: number): string =>
  `Say of ${oneOrMany(count, 'it', `all ${count}`)} …`;
export const aCommaIsOr = 'A comma is “or”.';
export const delayEcho = 'delay, echo, slap';
export const holdsEveryPluginWhoseName = 'Holds every plugin whose name has any of';
export const moreThanKeywords = 'More than keywords …';
export const takesIn = (count: number, some: string): string =>
  `Takes in ${count}: ${some}${count > 3 ? ' …' : ''}`;
export const takesInNothingYet = 'Takes in nothing yet.';
export const typeAtLeastOneKeyword = 'Type at least one keyword, with commas between several.';
