/** All texts of a plugin's page. */
import type { FindingView } from '@clever-drawer/core/api';
import { mostControls } from '@clever-drawer/core/formats';
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
export const programMissing = 'Its program is missing or not a program. It cannot be loaded.';
export const onlyItsFileNameIs = 'only its file name is known';
export const declares = (declared: string): string => ` · declares ${declared}`;
export const unreadableCharactersRemoved = (mended: string): string =>
  `Unreadable characters were removed from its ${mended}, or it was shortened.`;
export const splitOffAsItsOwn = 'Split off as its own plugin';
export const tryingTheFailedCopyAgain = 'Trying the failed copy again';
export const tryAgain = 'Try again';
export const setAside = 'Set aside. Its file is untouched; you can restore it in Scan.';
export const setItAside = 'Set aside';
export const mergeWithAnotherPlugin = 'Merge with another plugin …';
export const whichCopyGoesInFront = 'Order of formats…';
export const mergeWith = (plugin: string): string => `Merge ${plugin} with …`;
export const pluginName = 'Plugin name';
export const inOut = (audioIn: number, audioOut: number): string =>
  `${audioIn} in, ${audioOut} out`;
export const notesIn = 'notes in';
export const version = (version: string): string => `version ${version}`;

export const saysOfItself = (description: string): string => `“${description}”`;
/** Of more than are kept, the first ones are. */
export const controls = (count: number): string =>
  count === mostControls
    ? `Its first ${count} controls`
    : oneOrMany(count, 'One control', `${count} controls`);

// over-time
export const findingWords: Record<FindingView['sort'], string> = {
  arrived: 'Arrived',
  returned: 'Back',
  updated: 'Updated',
  opened: 'Opened',
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
export const thatIsNoPictureCopy = 'That is no picture. Copy or drop an image file.';
export const aPictureOfThePluginsWindow = "A picture of the plugin's window";
export const dropItHere = 'Drop it here';
export const picture = 'Picture …';
export const remove = 'Remove';

// settings
export const uri = 'URI';
export const setting = (count: number): string => plural(count, 'setting');
export const keptFromASlot = 'kept from a slot';
export const more = (rest: number): string => `${rest} more`;
export const addToTheTray = (name: string): string => `Add ${name} to the tray`;
export const addToTheTrayAndFile = 'Add to the tray: File shows it and files it with Shift+F';
export const isInTheTrayOfFile = (name: string): string => `${name} is in the tray of File`;
export const bank = 'Bank';
export const format = 'Format';
export const file = 'File';
export const aSettingOf = 'A setting of';
export const aPluginThatIsGone = 'a plugin that is gone';
export const itsFileIsGone = 'Its file is gone from the disk. Its filing stays.';
export const keptWithItsState = 'Kept from a slot, with its state.';
export const putIntoTray = 'Add to the tray';
export const deletesItsFilingNamesAnd =
  'Deletes its filing, names and tags, not a file. You can undo it.';
export const deleteItsTagsAndFiling = 'Delete its tags and filing';

// annotations/take-back
export const useTheOriginal = 'use the original';
export const removeYour = (what: string): string => `: remove your ${what}`;

// annotations/kind
export const kind = 'kind';

// annotations/licence
export const unknown = 'unknown';
export const lastDayOfTheTrial = 'Last day of the trial';

// annotations/notes
export const notesAboutIt = 'Notes about it';

// annotations/tags
export const allTags = 'All tags …';
export const removeTheTag = (tag: string): string => `Remove the tag ${tag}`;
export const aTag = 'A tag, then Enter';

// annotations/types
export const type = 'Type …';
export const types = 'types';
export const anotherTypeOf = (plugin: string): string => `Another type of ${plugin}`;
export const removeTheType = (type: string): string => `Remove the type ${type}`;

// annotations/vendor
export const vendor = 'vendor';
export const whoMakes = (plugin: string): string => `Who makes ${plugin}?`;

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
export const hiddenInLoad = 'hidden in Load';
export const shownInLoad = 'shown in Load';

// why
export const saidAfterTheScan = 'Not sorted yet. The reasons appear here when the scan is done.';
export const why = 'Why';
export const youSetThisOurOwn = 'You set this. Our own guess:';
export const onePlugin = 'One plugin';
export const against = 'against: ';

// plugin-page
export const thisPluginIs = 'This plugin is not in the catalog';
export const itMayHaveBeenMerged =
  'It may have been merged with another one, or be on another computer.';
export const theCatalogIsEmpty = 'The catalog is empty.';
export const goToFile = 'Go to File';
export const back = 'Back';
export const notAvailableNow = ' · not available now';
export const inASlot = 'in a slot';
export const nicknameAndSlotLabelOf = (name: string): string =>
  `Nickname and slot label of ${name}`;
export const aChainOf = (count: number): string => `A chain of ${count}`;
export const removeThisChain = 'Remove this chain';
export const itsPluginsStayYouCan = 'Its plugins stay. You can undo it.';
export const inFolders = 'In folders';
export const notFiledYetIn = 'Not filed yet. In';
export const press = ', press';
export const toFileIt = 'to file it.';
export const byItsRule = 'by its rule';
export const also = (types: string, count: number): string => `Also ${types} · ${count}`;
export const loadsOfIt = (loads: number): string => plural(loads, 'load');
export const wasNeverLoaded = 'never loaded';
