/** All texts of Load. */
import type { SlotPart, SlotScope, TrackKind } from '@clever-drawer/core/loading';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// cabinet-choice
export const from = 'from';
export const chosenFor = (slots: string): string => `chosen for ${slots}`;
export const opensFor = (slots: string): string => `opens for ${slots}`;
export const theOneThatOpens = 'Take this choice back';
export const opensForTheseSlots = '· opens for these slots';

// details
export const widthOf = (track: string, width: string): string => `Width of ${track}: ${width}`;
export const inASlotOf = (width: string): string => `in a ${width} slot`;
export const inOut = (ins: string, outs: string): string => `${ins} in, ${outs} out`;
export const copiesOf = (plugin: string): string => `Copies of ${plugin}`;
export const usedFirst = '· used first';
export const usedInFolder = '· held by this folder';
export const useFirst = 'use this copy first';
export const useUsual = 'use the usual copy first';
export const holdIn = (folder: string): string => `hold this copy in ${folder}`;
export const holdAnyIn = (folder: string): string => `hold any copy in ${folder}`;
export const forOldSessions = '· for old sessions';
export const types = 'Types';
export const bank = 'Bank';
export const chain = 'Chain';
export const copies = 'Copies';
export const folders = 'Folders';
export const inNone = 'in none';
export const loaded = 'Loaded';
export const last = (loads: number, when: string): string =>
  `${oneOrMany(loads, 'once', `${loads} times`)}, last ${when}`;
export const fewestLetters = 'Fewest letters';
export const tags = 'Tags';
export const notes = 'Notes';

// hit-row
export const inARow = (count: number): string => `${count} in a row`;
export const favourite = 'favourite';

// try-again
export const tryAgainThisWeek = 'Try again this week:';
export const bypassIt = 'Bypass';
export const noLongerBypass = 'No longer bypass';
export const loadItHere = 'Load it here';
export const notThese = 'not these';

// use-loader
export const cannotBeLoadedHere = (name: string, reason: string): string =>
  `${name} cannot be loaded here: ${reason}.`;

// finder
export const noneOfTheOthersHasTheseLetters = 'None of the others has these letters.';
export const noPluginThatFitsHasTheseLetters = 'No plugin that fits this slot has these letters.';
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
  ['Ctrl+G', 'something I forgot'],
  ['Ctrl+M', 'mono or stereo'],
  ['Esc', 'back to the slots'],
] as const;
export const slotWants = {
  instrument: 'an instrument',
  'note-effect': 'a note effect',
  effect: 'an effect',
} as const;
export const scopeTitles: Readonly<Record<SlotScope, string>> = {
  forgot: 'Well thought of, and not loaded for long',
  rest: 'Cannot be loaded here',
  cabinet: 'Likely now',
  all: 'Likely now',
};
export const loadIntoSlot = (want: string, track: string, index: number): string =>
  `Load ${want} into ${track}, slot ${index}`;
export const thesePluginsAreOnTheyCan = (computer: string): string =>
  `These plugins are on ${computer}: they can be found here, but not loaded.`;
export const aFewLetters = 'A few letters …';
export const lettersOfThePluginToLoad = 'Letters of the plugin to load';
export const foundOfAmong = (found: number, among: number): string => `${found} of ${among}`;
export const lookInAFolder = 'Look in a folder';
export const lettersOfTheFolder = 'Letters of the folder';
export const foldersByLetters = (count: number): string => `${plural(count, 'folder')} …`;
export const whereToLook = 'Where to look';
export const thatCanBeLoadedHere = (count: number, below: number): string =>
  `${below === 0 ? count : `${count} + ${below}`} that can be loaded here`;
export const whatIs = (plugin: string): string => `What is ${plugin}?`;
export const notNow = 'Not now';
export const outsideOf = (place: string): string => `Outside of ${place}`;
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
export const nothingThatIsFiled =
  'Nothing that is filed, a favourite or was loaded has lain idle for three months.';
export const noPluginInTheCatalogCan = 'No plugin in the catalog can be loaded here.';
export const areGoneFromTheDisk = (gone: number): string =>
  ` ${gone} ${oneOrMany(gone, 'is', 'are')} gone from the disk.`;
export const showsTheOthers = 'shows the others, each with the reason.';
export const effectsInstrumentsAndNoteEffects = (what: string): string =>
  `${what} Effects, instruments and note effects are never looked for together: is it the right slot?`;

// name-field
export const name = 'Name';

// keep-chain
export const keepTheChainOf = (track: string): string => `Keep the chain of ${track}`;
export const keepThePlugins = (count: number, track: string): string =>
  `Keep the ${plural(count, 'plugin')} of ${track} as a chain of your own`;
export const chainOfTrack = (track: string): string => `${track} chain`;
export const keepTheChain = 'Keep the chain';
export const itIsFound =
  'It is found, filed and named like a plugin. Loading it loads them all, in this order.';

// keep-setting
export const keepTheSettingOf = (plugin: string): string => `Keep the setting of ${plugin}`;
export const keepAsItIsSet = (plugin: string): string =>
  `Keep ${plugin} as it is set, as a setting of your own`;
export const mine = (setting: string): string => `${setting}, mine`;
export const keepItAsItIsSet = (plugin: string): string => `Keep ${plugin} as it is set`;
export const keepTheSetting = 'Keep the setting';
export const itIsFoundWithItsSetting =
  'It is found, filed and named like a plugin. Loading it loads the plugin with this setting.';
export const folderOfTheSetting = 'Folder';
export const inNoFolder = 'in no folder';
export const note = 'Note';

// learnt
export const loadsAreNoLongerKept = 'Loads are no longer kept';
export const loadsAreKeptAgain = 'Loads are kept again';
export const whatIsLearnt = 'What is learnt';
export const done = 'Done';
export const eachLoadIsKept =
  'Each load is kept on this computer, and nowhere else: when, what, into which sort of slot, after which plugin, the letters you typed, how many keys, how long it took. From it comes which plugin stands first.';
export const learnFromWhatILoad = 'Learn from what I load';
export const noLoadIsKept = 'No load is kept.';
export const kept = (loads: string, loads2: number): string =>
  `${loads} ${oneOrMany(loads2, 'load is', 'loads are')} kept.`;
export const thereIsNothingToForget = 'There is nothing to forget';
export const forgetAllLoads = 'Forget all loads …';
export const allWouldBeGoneForGood = (loads: string): string =>
  `All ${loads} would be gone for good, and what is “lately loaded” with them; folders and favourites stay.`;
export const allLoadsAreForgotten = 'All loads are forgotten';
export const forgetThemAll = 'Forget all loads';
export const keepThem = 'Keep them';
export const onceYouHaveLoadedSomething =
  'Once you have loaded something by keys, their number stands here, week by week.';
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
export const takeAllMatches = (count: number): string =>
  `Take all ${plural(count, 'match', 'matches')}`;
export const bestMatch = 'Best match:';
export const aGuess = ' (a guess)';
export const nothingHereIsLikeIt =
  'Nothing here is like it. Choose the slot to load something else.';
export const takeIt = 'Take it';
export const emptyTheSlot = 'Empty the slot';

// session-menu
export const session = 'Session';
export const saveThisSession = 'Save this session …';
export const whatItTakes = 'What it takes …';
export const noSessionIsSavedYet = 'No session is saved yet';
export const openAgain = 'Open again';
export const slots = (slots: number): string => oneOrMany(slots, '1 slot', `${slots} slots`);
export const isSaved = (name: string): string => `${name} is saved`;
export const saveThisSessionAs = 'Save this session';
export const saveTheSession = 'Save the session';
export const aNameNeedsAtLeast = 'A name needs at least one letter.';
export const isForgotten = (saved: string): string => `${saved} is forgotten`;
export const forget = 'Forget';
export const whatTheSessionTakes = 'What the session takes';
export const asARealHostWould =
  'As a real host would: what it does not take is not offered, and refused when a copy is chosen by hand. What stands in slots stays.';
export const programsOf32Bits = 'Programs of 32 bits, too';
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
export const standsInForAHost = 'stands in for a host';
export const settingOf = (setting: string, plugin: string): string =>
  `${setting}, setting of ${plugin}`;
export const choosing = 'choosing …';
export const slotState = (isBypassed: boolean, what: string): string =>
  `${isBypassed ? ', bypassed' : ''}${what}`;
export const slotEmpty = (at: number, what: string): string => `Slot ${at}: empty, for ${what}`;
export const pressToReplace = (name: string, state: string): string =>
  `${name}${state}: press to replace, Delete to empty, 0 to bypass`;
export const slot = (index: number, name: string, state: string): string =>
  `Slot ${index}: ${name}${state}`;
export const opening = 'opening …';

// load-screen
