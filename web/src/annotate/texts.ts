/** All texts of what is said of plugins: names, types, vendors, tags, trials. */
import { oneOrMany, plural } from '@clever-drawer/core/text';

// vendor-picker
export const copies = (count: number): string => oneOrMany(count, 'copy', 'copies');
export const anotherVendor = 'Another vendor:';
export const lettersOfTheVendor = 'Letters of the vendor';

// types-picker-dialog
export const noTypeOfThese = 'No type of these';
export const lettersOfTheType = 'Letters of the type';

// of-what
export const aPluginThatIsGone = 'a plugin that is gone';
export const noVendorNamed = 'no vendor named';
export const settingOf = (pluginName: string, bank: string): string =>
  `setting of ${pluginName}${bank}`;

// name-form
export const atMostLetters = (most: number): string => `At most ${plural(most, 'letter')}.`;
export const atMostLettersForASlot = (most: number): string =>
  `At most ${plural(most, 'letter')}, so that it fits a slot.`;
export const cancel = 'Cancel';
export const saveTheName = 'Save the name';
export const nickname = 'Nickname';
export const whatYouCallIt = (plugin: string): string =>
  `What you call it. ${plugin} still finds it. Empty: no nickname.`;
export const alsoCalled = 'Also called';
export const otherNamesThatFindIt =
  'Other names that find it, such as the hardware that it stands for. Commas between them.';
export const atMostNames = (most: number): string => `At most ${plural(most, 'name')}.`;
export const eachAtMostLetters = (most: number): string =>
  `At most ${plural(most, 'letter')} in each name.`;
export const slotLabel = 'Slot label';
export const theFewLettersThatStand =
  'The few letters that stand in a slot. Empty: made from the name.';

// trial-form
export const pluginOnTrial = (count: number): string => `${plural(count, 'plugin')} on trial`;
export const saySo = 'Say so';
export const lastDay = 'Last day';
export const behindThatDayNoLongerOffered = (count: number): string =>
  `Behind that day ${oneOrMany(count, 'it is', 'they are')} no longer offered while loading. A day that is past says that the trial has ended; empty: no day is known.`;

// plugin-menu
export const fileInAFolder = 'File in a folder …';
export const makeFavourites = (count: number): string =>
  oneOrMany(count, 'Make a favourite', 'Make favourites');
export const noLongerFavourites = (count: number): string =>
  oneOrMany(count, 'No longer a favourite', 'No longer favourites');
export const nicknameAndNames = 'Nickname and other names …';
export const openItsPage = 'Facts, on its page';
export const itsKind = 'What kind of plugin';
export const licenceAndHiding = 'Licence, and hiding';
export const licenceNotKnown = 'Its licence is not known';
export const takeTheTagOff = 'take it off';
export const all = (count: number): string => oneOrMany(count, 'it', `all ${count}`);
export const theyAre = (count: number): string => oneOrMany(count, 'It is', 'They are');
export const aNewTag = 'A new tag:';
export const whatTheseDo = (count: number): string =>
  `What ${oneOrMany(count, 'it does', `these ${count} do`)}`;
export const aTagFor = (count: string): string => `A tag for ${count}`;
export const lettersOfTheTag = 'Letters of the tag';
export const whatDoTheyDo = (count: number): string =>
  `What ${oneOrMany(count, 'it does', 'they do')} …`;
export const aTag = 'A tag …';
export const offerWhileLoading = 'Offer while loading';
export const hideFromLoading = 'Hide from loading';
export const onTrial = 'on trial …';

// format-order
export const orderOfFormats = 'Order of formats';
export const ofAPluginsCopies =
  "Of a plugin's copies the one highest here goes in front, 64 bit before 32. The others stay for old sessions.";
export const formatUp = (format: string): string => `${format} up`;
export const down = (format: string): string => `${format} down`;

// all-tags
export const allTags = 'All tags';
export const thereAreNoTagsYet =
  'There are no tags yet. Give a plugin one on its page, or many at once from the tray.';
export const aTagThatIsRenamed =
  'A tag that is renamed to another one becomes that. Undo brings everything back.';
export const plugin = (count: number): string => plural(count, 'plugin');
export const renameTheTag = (tag: string): string => `Rename the tag ${tag}`;
export const rename = 'Rename …';
export const takeTheTagOffEverywhere = (tag: string): string =>
  `Take the tag ${tag} off everywhere`;
export const takeOff = 'Take off';
export const newNameOfTheTag = (tag: string): string => `New name of the tag ${tag}`;
export const renameIt = 'Rename';

// file-in
export const moveToFolder = (what: string): string => `Move ${what} to …`;
export const fileInFolder = (what: string): string => `File ${what} in …`;
export const makeTheFolder = 'Make the folder';
export const andFileThere = (what: string): string => `and file ${what} there`;
export const alwaysIn = 'always in, by hand · ';
export const parentIn = (parent: string): string => `in ${parent} · `;
export const alreadyThere = ' · already there';
export const someOrAllPlugins = (count: number): string => plural(count, 'plugin');
export const fileInAnother = 'file, and in another folder too';
export const lettersOfTheFoldersName = "Letters of the folder's name";
