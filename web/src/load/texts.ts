/** All texts of Load. */
import type { SlotPart, SlotScope, TrackKind } from '@clever-drawer/core/loading';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// cabinet-choice
export const from = 'from';
export const chosenFor = (slots: string): string => `chosen for ${slots}`;
export const opensFor = (slots: string): string => `opens for ${slots}`;
export const theOneThatOpens = 'Undo this choice';
export const opensForTheseSlots = '· opens for these slots';

// details
export const widthOf = (track: string, width: string): string => `Width of ${track}: ${width}`;
export const inASlotOf = (width: string): string => `in a ${width} slot`;
export const inOut = (ins: string, outs: string): string => `${ins} in, ${outs} out`;
export const copiesOf = (plugin: string): string => `Copies of ${plugin}`;
export const usedFirst = '· used first';
export const usedInFolder = '· used by this folder';
export const useFirst = 'use this copy first';
export const useUsual = 'use the usual copy first';
export const holdIn = (folder: string): string => `use this copy in ${folder}`;
export const holdAnyIn = (folder: string): string => `use any copy in ${folder}`;
export const forOldSessions = '· for old sessions';
export const types = 'Types';
export const bank = 'Bank';
export const chain = 'Chain';
export const copies = 'Copies';
export const folders = 'Folders';
export const none = 'none';
export const loaded = 'Loaded';
export const last = (loads: number, when: string): string =>
  `${oneOrMany(loads, 'once', `${loads} times`)}, last ${when}`;
export const shortestSearch = 'Shortest search';
export const tags = 'Tags';
export const notes = 'Notes';

// hit-row
export const inARow = (count: number): string => `${count} in a row`;
export const favourite = 'favourite';

// try-again
export const tryAgainThisWeek = 'Try again this week:';
export const bypassIt = 'Bypass';
export const stopBypassing = 'Stop bypassing';
export const loadItHere = 'Load it here';
export const notThese = 'not these';

// use-loader
export const cannotBeLoadedHere = (name: string, reason: string): string =>
  `${name} cannot be loaded here: ${reason}.`;

// finder
export const noMatchAmongTheOthers = 'No match among the others.';
export const noPluginThatFitsHasTheseLetters = 'No match for this slot.';
export const finderKeys = [
  ['Enter', 'load'],
  ['Alt+2', 'load the second'],
  ['Alt+Enter', 'choose the copy'],
  ['↑ ↓', 'move'],
  ['Ctrl+B', 'favourite'],
  ['Ctrl+F', 'file'],
  ['Ctrl+Shift+F', 'file what was loaded last'],
  ['Ctrl+O', 'look in a folder'],
  ['F2', 'nickname'],
  ['Ctrl+I', 'facts'],
  ['Ctrl+P', 'pictures'],
  ['Ctrl+G', 'not used lately'],
  ['Ctrl+M', 'mono or stereo'],
  ['Esc', 'back to the slots'],
] as const;
export const slotWants = {
  instrument: 'an instrument',
  'note-effect': 'a note effect',
  effect: 'an effect',
} as const;
export const scopeTitles: Readonly<Record<SlotScope, string>> = {
  forgot: 'Favourites you haven’t used lately',
  rest: 'Cannot be loaded here',
  cabinet: 'Likely now',
  all: 'Likely now',
};
export const loadIntoSlot = (want: string, track: string, index: number): string =>
  `Load ${want} into ${track}, slot ${index}`;
export const thesePluginsAreOnYou = (computer: string): string =>
  `These plugins are on ${computer}: you can find them here, but not load them.`;
export const searchPlugins = 'Search plugins …';
export const pluginToLoad = 'Search plugins';
export const foundOfAmong = (found: number, among: number): string => `${found} of ${among}`;
export const lookInAFolder = 'Look in a folder';
export const folderName = 'Folder name';
export const foldersByLetters = (count: number): string => `${plural(count, 'folder')} …`;
export const whereToLook = 'Where to look';
export const thatCanBeLoadedHere = (count: number, below: number): string =>
  `${below === 0 ? count : `${count} + ${below}`} that can be loaded here`;
export const whatIs = (plugin: string): string => `What is ${plugin}?`;
export const notNow = 'Not now';
export const notIn = (place: string): string => `Not in ${place}`;
/** What the last parts of the list hold. */
export const partWords: Readonly<Record<Exclude<SlotPart, 'here' | 'elsewhere'>, string>> = {
  unknown: 'Kind not known',
  settings: 'Saved settings',
  barred: 'Cannot be loaded here',
};
export const pluginsThatFit = 'Plugins that fit';
export const after = 'after';
export const lookInAll = (all: string): string => `look in all ${all}`;
export const theThatCannotBeLoadedHere = (rest: string): string =>
  `the ${rest} that cannot be loaded here`;
export const backToTheCabinet = 'back to the cabinet';
export const cabinetIn = (cabinet: string): string => `In ${cabinet}`;
export const allThatFit = 'All that fit';
export const theRest = 'The rest';
export const forgotten = 'Forgotten';
export const plugin = (count: number): string => plural(count, 'plugin');
export const ctrlG = 'Ctrl+G';
export const youHaveUsedAllYour =
  'You have used all your filed, favourite and loaded plugins in the last three months.';
export const noPluginInTheCatalogCan = 'No plugin in the catalog can be loaded here.';
export const areGoneFromTheDisk = (gone: number): string =>
  ` ${gone} ${oneOrMany(gone, 'is', 'are')} gone from the disk.`;
export const showsTheOthers = 'shows the others, each with the reason.';
export const aSlotTakesOnlyEffects = (what: string): string =>
  `${what} A slot takes only effects, only instruments or only note effects: is it the right slot?`;

// name-field
export const name = 'Name';

// keep-chain
export const keepTheChainOf = (track: string): string => `Keep the chain of ${track}`;
export const keepThePlugins = (count: number, track: string): string =>
  `Keep the ${plural(count, 'plugin')} of ${track} as a chain`;
export const chainOfTrack = (track: string): string => `${track} chain`;
export const keepTheChain = 'Keep the chain';
export const youCanFindFileAnd =
  'You can find, file and name it like a plugin. Loading it loads them all, in this order.';

// keep-setting
export const keepTheSettingOf = (plugin: string): string => `Keep the setting of ${plugin}`;
export const keepTheCurrentSettingOf = (plugin: string): string =>
  `Keep the current setting of ${plugin} as your own`;
export const mine = (setting: string): string => `${setting}, mine`;
export const keepItAsItIsSet = (plugin: string): string => `Keep the setting of ${plugin}`;
export const keepTheSetting = 'Keep the setting';
export const itIsFoundWithItsSetting =
  'You can find, file and name it like a plugin. Loading it loads the plugin with this setting.';
export const folderOfTheSetting = 'Folder';
export const unfiled = 'unfiled';
export const note = 'Note';

// learnt
export const loadsAreNotRecorded = 'Loads are not recorded';
export const loadsAreRecordedAgain = 'Loads are recorded again';
export const whatIsRemembered = 'What is remembered';
export const done = 'Done';
export const eachLoadIsRecordedOn =
  'Each load is recorded on this computer only: when, what, in which sort of slot, after which plugin, what you typed, how many keys and how long it took. This decides which plugin comes first.';
export const rememberWhatILoad = 'Remember what I load';
export const nothingRecordedYet = 'Nothing recorded yet.';
export const recorded = (loads: string, loads2: number): string =>
  `${loads} ${oneOrMany(loads2, 'load is', 'loads are')} recorded.`;
export const nothingToDelete = 'Nothing to delete';
export const deleteAllLoads = 'Delete all loads …';
export const thisDeletesAllForGood = (loads: string): string =>
  `This deletes all ${loads} for good, with what was lately loaded. Folders and favourites stay.`;
export const allLoadsDeleted = 'All loads deleted';
export const forgetThemAll = 'Delete all loads';
export const keepThem = 'Keep them';
export const loadSomethingByKeyboardAnd =
  'Load something by keyboard, and the keys you need appear here week by week.';
export const keysForALoad = (weeks: string): string => `Keys for a load, by week: ${weeks}`;
export const keysLoads = (week: string, keys: string, loads: number): string =>
  `${week}: ${keys} keys, ${plural(loads, 'load')}`;

// keys-per-load
export const nothingLoadedYetToday = 'Nothing loaded yet today.';
export const loadedToday = (loads: number): string =>
  `Loaded today: ${oneOrMany(loads, '1 plugin', `${loads} plugins`)}`;
export const keysEachOnAverage = (keys: string): string => `, ${keys} keys each on average`;
export const theLongestHuntLatelyWasKeys = (hunted: string, keys: number): string =>
  `The longest hunt lately was “${hunted}”, ${plural(keys, 'key')}.`;

// repairs
export const ofThisSessionCould = (count: number): string =>
  `${oneOrMany(count, '1 plugin', `${count} plugins`)} of this session could not be opened`;
export const useAll = (count: number): string => `Use all ${plural(count, 'match', 'matches')}`;
export const bestMatch = 'Best match:';
export const aGuess = ' (a guess)';
export const noSimilarPluginHereChoose =
  'No similar plugin here. Choose the slot to load something else.';
export const useIt = 'Use it';
export const emptyTheSlot = 'Empty the slot';

// session-menu
export const session = 'Session';
export const saveThisSession = 'Save this session …';
export const supportedFormats = 'Supported formats …';
export const noSessionIsSavedYet = 'No session is saved yet';
export const openAgain = 'Open again';
export const slots = (slots: number): string => oneOrMany(slots, '1 slot', `${slots} slots`);
export const isSaved = (name: string): string => `${name} is saved`;
export const saveThisSessionAs = 'Save this session';
export const saveTheSession = 'Save the session';
export const enterAName = 'Enter a name.';
export const isDeleted = (saved: string): string => `${saved} is deleted`;
export const isTheSessionDeleted = (name: string): string => `Delete ${name}? You can’t undo this.`;
export const deleteIt = 'Delete';
export const whatTheSessionTakes = 'Supported formats';
export const asInARealHost =
  'As in a real host: other formats are not offered, and refused when you choose a copy. Loaded plugins stay.';
export const include32BitPlugins = 'Include 32-bit plugins';
export const formats = 'Formats';

// session
export const notOpen = (reason: string): string => `, not open: ${reason}`;
export const trackKinds: Record<TrackKind, string> = {
  track: 'track',
  instrument: 'instrument',
  notes: 'notes',
  bus: 'bus',
  final: 'final',
};
export const file = 'file';
export const empty = 'empty';
export const bypass = 'bypass';
export const monoOrStereo = 'mono or stereo';
export const copyOf = (format: string, width: string): string =>
  `, ${format}${width === '' ? '' : ` ${width}`}`;
export const move = 'move';
export const allSlots = 'all slots';
export const practiceHost = 'practice host';
export const settingOf = (setting: string, plugin: string): string =>
  `${setting}, setting of ${plugin}`;
export const choosing = 'choosing …';
export const slotState = (isBypassed: boolean, what: string): string =>
  `${isBypassed ? ', bypassed' : ''}${what}`;
export const slotEmpty = (at: number, what: string): string => `Slot ${at}: empty, for ${what}`;
export const enterReplaces = (name: string, state: string): string =>
  `${name}${state}: Enter replaces, Delete empties, 0 bypasses`;
export const slot = (index: number, name: string, state: string): string =>
  `Slot ${index}: ${name}${state}`;
export const opening = 'opening …';

// load-screen
