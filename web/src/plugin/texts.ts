/** All texts of a plugin's page. */
import type { FindingView } from '@clever-drawer/core/api';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// copies
export const copies = (count: number): string => oneOrMany(count, 'One copy', `${count} copies`);
export const inFront = 'used first';
export const actionsFor = (name: string): string => `Actions for ${name}`;
export const useFirst = 'Use this copy first';
export const useTheUsualCopy = 'Use the usual copy first';
export const forOldSessions = 'for old sessions';
export const outOfReach = 'out of reach';
export const gone = 'gone';
export const programMissing =
  'Its program is missing: the file is not there, or is no program. It cannot be loaded.';
export const namesItselfByItsFileOnly = 'names itself by its file only';
export const declares = (declared: string): string => ` · declares ${declared}`;
export const keptWithoutWhatNoTextMay = (mended: string): string =>
  `Kept without what no text may hold, or cut: its ${mended}.`;
export const itIsAnotherPlugin = 'It is another plugin: part it';
export const tryingAgainWhatFailed = 'Trying again what failed';
export const tryAgain = 'Try again';
export const setAside = 'Set aside. Its file is untouched; it can be taken back in Scan.';
export const setItAside = 'Set aside';
export const itIsTheSameAsAnother = 'It is the same as another plugin: join them …';
export const whichCopyGoesInFront = 'Order of formats…';
export const joinWith = (plugin: string): string => `Join ${plugin} with …`;
export const lettersOfTheOtherPlugin = 'Letters of the other plugin';
export const inOut = (audioIn: number, audioOut: number): string =>
  `${audioIn} in, ${audioOut} out`;
export const notesIn = 'notes in';
export const version = (version: string): string => `version ${version}`;

// over-time
export const findingWords: Record<FindingView['sort'], string> = {
  arrived: 'Arrived',
  returned: 'Back',
  updated: 'Updated',
  opened: 'Opened, and says who it is',
  moved: 'Moved',
  gone: 'Gone',
  away: 'Out of reach',
  failed: 'Failed',
};
export const loads = 'Loads';
export const neverLoaded = 'Never loaded.';
export const inAll = (all: number, most: number): string =>
  `${all} ${oneOrMany(all, 'load', 'loads')} in all; at most ${most} in one of the last twelve months.`;
export const loadsByMonth = (months: string): string => `Loads by month: ${months}`;
export const whatScansFound = 'What scans found';
export const noVersion = 'no version';

// own-picture
export const thereIsNoPictureInThat = 'There is no picture in that. Copy or drop an image file.';
export const aPictureOfThePluginsWindow = "A picture of the plugin's window";
export const dropItHere = 'Drop it here';
export const picture = 'Picture …';
export const withoutIt = 'Without it';

// settings
export const uri = 'URI';
export const setting = (count: number): string => plural(count, 'setting');
export const keptFromASlot = 'kept from a slot';
export const more = (rest: number): string => `${rest} more`;
export const putIntoTheTray = (name: string): string => `Put ${name} into the tray`;
export const intoTheTray = 'Into the tray: File shows it, and files it with Shift+F';
export const isInTheTrayOfFile = (name: string): string => `${name} is in the tray of File`;
export const bank = 'Bank';
export const format = 'Format';
export const file = 'File';
export const aSettingOf = 'A setting of';
export const aPluginThatIsGone = 'a plugin that is gone';
export const itsFileIsGone = 'Its file is gone from the disk. Where it is filed stays.';
export const keptWithItsState = 'Kept from a slot, with what the session gave as its state.';
export const putIntoTray = 'Into the tray';
export const itsPlaces = 'Its places, names and tags go; a file stays. Undo brings all back.';
export const forgetWhatWasMadeOfIt = 'Forget what was made of it';

// annotations/take-back
export const asItWasRead = 'as it was read';
export const takeBackThe = (what: string): string => `: take back the ${what}`;

// annotations/kind
export const kind = 'kind';

// annotations/licence
export const notKnown = 'not known';
export const lastDayOfTheTrial = 'Last day of the trial';

// annotations/notes
export const whatToRememberOfIt = 'What to remember of it';

// annotations/tags
export const allTags = 'All tags …';
export const takeTheTagOff = (tag: string): string => `Take the tag ${tag} off`;
export const aTag = 'A tag, then Enter';

// annotations/types
export const type = 'Type …';
export const types = 'types';
export const isAlso = (plugin: string): string => `${plugin} is also …`;
export const itIsNot = (type: string): string => `It is not ${type}`;

// annotations/vendor
export const nobodyNamed = 'nobody named';
export const vendor = 'vendor';
export const whoseIs = (plugin: string): string => `Whose is ${plugin}?`;

// annotations/annotations
export const whatItIs = 'What it is';
export const does = 'Does';
export const is = 'Is';
export const by = 'By';
export const licence = 'Licence';
export const licenceOfIt = 'licence';
export const loading = 'Loading';
export const hidden = 'hidden';
export const tags = 'Tags';
export const tag = 'tag';
export const notes = 'Notes';
export const notesOnIt = 'notes';
export const hiddenNotOfferedWhileLoading = 'hidden: not offered while loading';
export const offeredWhileLoading = 'offered while loading';

// why
export const saidAfterTheScan =
  'Not sorted yet: what speaks for it stands here when the scan is through.';
export const why = 'Why';
export const youSaidWhatItDoes = 'You said what it does. Without that it would be told so:';
export const onePlugin = 'One plugin';
export const against = 'against: ';

// plugin-page
export const thisPluginIs = 'This plugin is not in the catalog';
export const itMayHaveBeenJoined =
  'It may have been joined with another one, or stand on another computer.';
export const theCatalogIsEmpty = 'The catalog is empty.';
export const goToFile = 'Go to File';
export const back = 'Back';
export const notThereAtTheMoment = ' · not there at the moment';
export const inASlot = 'in a slot';
export const nicknameAndSlotLabelOf = (name: string): string =>
  `Nickname and slot label of ${name}`;
export const aChainOf = (count: number): string => `A chain of ${count}`;
export const aPluginThatIsNoLonger = 'a plugin that is no longer in the catalog';
export const removeThisChain = 'Remove this chain';
export const thePluginsInItStay = 'The plugins in it stay; undo brings it back.';
export const inFolders = 'In folders';
export const inNoneYet = 'In none yet. In';
export const press = ', press';
export const toFileIt = 'to file it.';
export const takeOut = 'Take out';
export const byItsRule = 'by its rule';
export const also = (types: string, count: number): string => `Also ${types} · ${count}`;
export const loadsOfIt = (loads: number): string => plural(loads, 'load');
export const wasNeverLoaded = 'never loaded';
