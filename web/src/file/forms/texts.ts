/** Texts of what comes behind File: its forms, menus and dialogs. */
import type { FolderSorting } from '@clever-drawer/core/order';
import type { PlanName } from '@clever-drawer/core/plans';
import type { Facet } from '@clever-drawer/core/search';
import { oneOrMany, plural } from '@clever-drawer/core/text';

export const separateFavouritesForEachCabinet = 'Separate favourites for each cabinet';
export const oneFavouritesFolderForAllCabinets = 'One favourites folder for all cabinets';
export const actionsForTheCabinet = (cabinet: string): string =>
  `Actions for the cabinet ${cabinet}`;
export const again = (name: string): string => `${name}, again`;
export const nameAndSlots = 'Name and slots …';
export const duplicate = 'Duplicate';
export const moveBefore = (before: string): string => `Move before ${before}`;
export const moveAfter = (behind: string): string => `Move after ${behind}`;
export const copiesUsedFirst = 'Copies used first';
export const usual = 'usual';
export const myOwnOrderOfFolders = 'My own order of folders';
export const foldersByName = 'Folders by name, between dividers';
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
  copy: ['Like this one, with its plugins', '', 'the same folders with what they hold'],
};
export const nowOpens = (cabinet: string): string => `now: ${cabinet}`;
export const takenFrom = (cabinet: string): string => `now taken from ${cabinet}`;
export const newCabinet = 'New cabinet';
export const createTheCabinet = 'Create the cabinet';
export const plan = 'Plan';
export const vendorsWithAtLeast = 'Vendors with at least';
export const foldersInsideFrom = 'Folders inside one of more than';
export const kindsApart = 'Effects, instruments and note effects apart';
export const itLives =
  'It updates with corrections and arrivals; your own additions, removals and names stay';
export const itIsASnapshot = 'A snapshot of today; only you change it';
export const makesFoldersThatFill = (folders: number): string =>
  `Creates ${plural(folders, 'folder')}, filled by ${oneOrMany(folders, 'its rule', 'their rules')} as shown. Your plugin files stay where they are.`;
export const plugins = 'plugins';
export const opensFor = 'Opens for';
export const preview = 'Preview';
export const createsOnlyAFavouritesFolder = 'Creates only a Favourites folder.';
export const makesFoldersWithPlacesInThem = (folders: number, plugins: number): string =>
  `Creates ${plural(folders, 'folder')} with ${plural(plugins, 'place')} in ${oneOrMany(folders, 'it', 'them')}. Your plugin files stay where they are.`;
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
export const convertToAnOrdinaryFolder = 'Convert to an ordinary folder';
export const newSubfolder = 'New subfolder';
export const unpin = 'Unpin';
export const pinToTheFront = 'Pin to the front';
export const moveEarlier = 'Move earlier';
export const moveLater = 'Move later';
export const moveInto = (into: string): string => `Move into ${into}`;
export const moveOutNextToIts = 'Move out, next to its parent';
export const mergeInto = 'Merge into …';
export const copyIntoACabinet = 'Copy into a cabinet …';
export const alsoShowInAnotherCabinet = 'Also show in another cabinet …';
export const sortBy = 'Sort by';
export const myOwnOrder = 'my own order';
export const others = 'Others';
export const noVendor = 'No vendor';
export const splitByVendor = 'Split by vendor';
export const noType = 'No type';
export const splitByType = 'Split by type';
export const copyTo = (folder: string): string => `Copy ${folder} to …`;
export const alsoShowIn = (folder: string): string => `Also show ${folder} in …`;
export const cabinetName = 'Cabinet name';
export const putAllOfInto = (folder: string): string => `Merge ${folder} into …`;
export const folderName = 'Folder name';
export const removeTheDivider = 'Remove the divider';
export const stopShowingItHereThe = 'Stop showing it here (the folder stays in its cabinet)';
export const removeTheFolderItsPluginsStay = 'Remove the folder (its plugins stay in the catalog)';
export const excludeFrom = (what: string, folder: string): string =>
  `Exclude ${what} from ${folder}`;
export const removeFrom = (plugin: string, folder: string): string =>
  `Remove ${plugin} from ${folder}`;
export const excludeItWhateverTheRule = 'Exclude it, whatever the rule says (Delete).';
export const removeFromThisFolderDelete =
  'Remove from this folder (Delete). It stays in the catalog.';
export const isSortedByToReorder = (folder: string, sorting: string): string =>
  `${folder} is sorted by ${sorting}. To reorder by hand, choose “my own order” at its top.`;
export const open = (folder: string): string => `${folder}, open`;
export const andMoreOfThem = (count: number): string => `and ${count} more:`;
export const showAllOf = 'show all of them in the list';
export const nothingMatchesYetNewMatches = 'Nothing matches yet. New matches appear here.';
export const emptyDragPluginsOntoIt = 'Empty. Drag plugins onto it, or press';
export const onOneInTheList = 'on one in the list.';
export const isSortedBy = (sorting: string): string => `· sorted by ${sorting}`;
export const changeItsRule = 'Change the rule';
export const close = (folder: string): string => `Close ${folder}`;
export const noteOn = (folder: string): string => `Note on ${folder}`;
export const aNote = 'A note';
export const thesePlugins = (count: number): string =>
  oneOrMany(count, 'this plugin', `these ${plural(count, 'plugin')}`);
export const fillsItselfByARule = (folder: string): string => `${folder} fills itself by a rule`;
export const includeByHand = (what: string): string =>
  `You can include ${what} by hand, whatever the rule says.`;
export const alwaysInclude = (count: number): string =>
  `Always include ${oneOrMany(count, 'it', 'them')}`;
export const facetHeads: Record<Facet, string> = {
  bits: 'Bits',
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
export const search = 'Search';
export const lettersOf = (name: string): string => `Search ${name}`;
export const noMatches = 'No matches';
export const rulesThatGatherThese = (count: number): string =>
  oneOrMany(count, 'Rules that match it', `Rules that match these ${count}`);
export const theyHaveNothingInCommon = 'They have nothing in common that a rule could match.';
export const closeRules = 'Close';
export const matchesNothingElse = 'Matches nothing else.';
export const matchesMore = (count: number, others: string, what: string): string =>
  `Matches ${count} more: ${others}${what}`;
export const startWithThis = 'Start with this';
export const fileTrayIn = (count: number): string =>
  `File ${oneOrMany(count, 'it', `${count} plugins`)} in …`;
export const findARuleFor = (count: number): string =>
  `Find a rule for ${oneOrMany(count, 'it', 'these')} …`;
export const emptyTray = 'Empty tray';
export const everythingIsInAFolder = 'Everything is in a folder';
export const unfiledAndLikely = (count: number, open: number): string =>
  `${count} unfiled, ${open} with a suggestion`;
export const fileSureMatches = (clear: number): string =>
  `File ${plural(clear, 'sure match', 'sure matches')}`;
export const newArrivalsAppearHere = 'New arrivals appear here.';
export const noSuggestionsForTheRest =
  'No suggestions for the rest yet. File a few by hand, and others of their type are suggested here.';
export const loadedTimes = (loads: number): string => ` · loaded ${plural(loads, 'time')}, unfiled`;
export const none = 'None';
export const pluginsIn = (folder: string): string => `Plugins in ${folder}`;
export const moveToAFolder = 'Move to another folder …';
export const takeOutOfHere = 'Remove from this folder';
export const keepOutOfHere = 'Exclude from this folder';
export const editAll = (count: number): string =>
  `Edit ${oneOrMany(count, 'it', `all ${count}`)} …`;
export const aCommaMeansOr = 'A comma means “or”.';
export const delayEcho = 'delay, echo, slap';
export const includesEveryPluginWhoseName = 'Includes every plugin whose name contains';
export const moreThanKeywords = 'More than keywords …';
export const matches = (count: number, some: string): string =>
  `Matches ${count}: ${some}${count > 3 ? ' …' : ''}`;
export const matchesNothingYet = 'Matches nothing yet.';
export const enterAtLeastOneKeyword = 'Enter at least one keyword; separate several with commas.';

// awaited
export const notOnThisComputer = (count: number): string => `${count} not on this computer`;
export const removeThePlaceOf = (plugin: string): string => `Remove ${plugin} from this folder`;
export const filledWhenInstalled =
  'They come from another computer’s order, and appear here once they are installed.';
export const removeTheseFromTheFolder = (count: number): string =>
  count === 1 ? 'Remove it from this folder' : `Remove all ${count} from this folder`;
export const removeFromAllFolders = (count: number): string =>
  `Remove all ${count} from every folder`;
