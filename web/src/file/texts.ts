/** Texts of File; those of what comes behind it stand in forms/texts. */
import type { Sorting } from '@clever-drawer/core/search';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// cabinet-form
export const cancel = 'Cancel';
export const save = 'Save';
export const name = 'Name';
export const enterAName = 'Enter a name.';

// cabinet-tabs
export const aNewCabinetWhole = 'New cabinet: a separate set of folders';
export const newCabinet = 'New cabinet';
export const cabinets = 'Cabinets';

// folder-form
export const formNames = {
  folder: 'Folder',
  smart: 'Smart folder',
  divider: 'Divider',
} as const;
export const atMostLetters = (most: number): string => `At most ${plural(most, 'letter')}.`;
export const change = (folder: string): string => `Change ${folder}`;
export const newFolder = 'New folder';
export const createThe = (form: string): string => `Create the ${form}`;

// model/drop-plan
export const put = 'Move ';
/** Where a dropped folder goes. */
export const partWords = { before: ' before ', inside: ' into ', behind: ' after ' } as const;
export const theFoldersOfAreSorted = (cabinet: string): string =>
  `The folders of ${cabinet} are sorted by name. To move them, choose “My own order of folders” in the cabinet's menu.`;
export const nothingWasFiledYouDropped =
  'Nothing was filed: you dropped beside the folders. Drop onto a folder, or press F to choose one by name.';
export const fillsItself = (what: string): string =>
  ` fills itself: include ${what} by hand, or change its rule`;
export const isADividerAndHolds = (folder: string): string =>
  `${folder} is a divider and holds no plugins.`;
export const aDividerHoldsNoPlugins = 'A divider holds no plugins';
export const moveTo = (what: string): string => `Move ${what} to `;
export const ctrlFileItThereToo = 'Ctrl: file it there too';
export const fileIn = (what: string): string => `File ${what} in `;
export const isIn = (what: string): string => `${what} is in `;
export const moveHereIn = (what: string): string => `Move ${what} here in `;

// folder-menu-items
export const actionsFor = (folder: string): string => `Actions for ${folder}`;

// drawer-front
export const formWords = {
  favourites: 'favourites',
  smart: 'smart folder',
  folder: 'folder',
  divider: 'divider',
} as const;
export const dividerClickToRename = 'Divider: click to rename';
export const folderHolds = (folder: string, form: string, count: number, below: number): string =>
  `${folder}, ${form}, ${plural(count, 'plugin')}${below === 0 ? '' : ` and ${below} below`}`;
export const fromAnotherCabinet = 'from another cabinet';
export const pinned = 'pinned';
export const andMore = (count: number): string => `and ${count} more`;

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
export const onlyFavouritesSoFarAdd =
  'Only Favourites so far. Add folders for the way you work: by job, by type, by client.';

// dragging
/** Dragging is for mouse and touch; keys do the same. */
export const someOrAllPlugins = (count: number): string => plural(count, 'plugin');
export const droppedOutsideNothingWasMoved = 'Dropped outside: nothing was moved.';

// plugin-row
export const never = 'never';
export const today = 'today';
export const addToTheTraySpace = 'Add to the tray (Space)';
export const favourite = 'favourite';
export const hiddenInLoad = 'hidden in Load';
export const withoutType = 'no type';
export const unfiled = 'unfiled';
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
export const collapse = 'Collapse (Alt+←), expand all with Alt+→';

// facet-words
export const facetTexts: Readonly<Record<string, string>> = {
  'bits 64': '64 bit',
  'bits 32': '32 bit only',
  'licence owned': 'owned',
  'licence free': 'free',
  'licence trial': 'on trial',
  'licence not licensed': 'not licensed',
  'licence unknown': 'licence unknown',
  'state present': 'available',
  'state away': 'out of reach',
  'state gone': 'gone',
  'state failed': 'with a failed copy',
  'state no-program': 'with a missing program',
  'state hidden': 'hidden in Load',
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
export const removeFilter = 'Remove filter';
export const moreFilters = 'More filters';
export const more = 'more …';

// sentence
export const listSortings: Record<Sorting, string> = {
  name: 'name',
  vendor: 'vendor',
  type: 'type',
  format: 'format',
  arrival: 'arrival',
  use: 'use',
};
export const filterTheList = 'Filter the list';
export const ofAll = (all: string): string => `of ${all}`;
export const andGone = (gone: number): string => (gone === 0 ? '' : `, and ${gone} gone`);
export const showAll = 'show all';
export const exportThisListForA = 'Export this list for a spreadsheet (CSV)';
export const exportAsCsv = 'Export as CSV';
export const all = (total: number): string =>
  oneOrMany(total, 'The only plugin', `All ${plural(total, 'plugin')}`);
export const search = 'Search …';
export const searchLabel = 'Search';
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
export const orderBy = 'Order by';

// tray
export const tray = 'Tray';
export const collectPluginsHereWith = 'Collect plugins here with';
export const fromAsManySearchesAs = ', from as many searches as you like, then file them together.';
export const inTheTray = 'In the tray';
export const removeFromTheTray = (plugin: string): string => `Remove ${plugin} from the tray`;

// file-screen
export const file = 'File';
export const suggestions = 'Suggestions';
export const forUnfiledPlugins = 'for unfiled plugins';
export const typeOfAll = (count: number): string => `Type of ${plural(count, 'plugin')}`;
export const nameOneAtATime = 'A nickname is for one plugin: go to one that is not selected.';
export const typeOf = (plugin: string): string => `Type of ${plugin}`;
export const view = 'View';
export const list = 'List';
export const pictures = 'Pictures';
export const noPluginsYet = 'No plugins yet';
export const tellCleverDrawerWhereYourPlugins = 'Tell Clever Drawer where your plugins are:';
export const goToScan = 'go to Scan';
export const noMatches = 'No matches';
export const noPluginMatchesTheseFilters = 'No plugin matches these filters.';
export const showAllAgain = 'Show all';
export const orPress = 'or press';

// the menu of plugins
export const addToTheTray = 'Add to the tray';
export const outOfTheTray = 'Remove from the tray';

// list-foot
export const manyActedOn = (count: number, isTray: boolean): string =>
  isTray ? `All ${count} in the tray` : `${count} selected`;
export const keysForOne = [
  ['F', 'file'],
  ['T', 'type'],
  ['B', 'favourite'],
  ['L', 'tag'],
  ['N', 'name'],
  ['H', 'hide'],
  ['I', 'page'],
] as const;
/** Names and the page are of one plugin only. */
export const keysForMany = keysForOne.filter(([key]) => key !== 'N' && key !== 'I');
export const markAPluginToSee = 'Click a plugin, or press ↓, to see its facts here.';
export const trialUntil = (day: string): string => `trial until ${day}`;
export const inTheFolders = (folders: string): string => `in ${folders}`;
export const fromTo = (from: string, to: string): string => `${from} → ${to}`;
export const loadedTimes = (loads: number, last: string): string =>
  `loaded ${plural(loads, 'time')}, last on ${last}`;
export const neverLoaded = 'never loaded';
