/** All texts of what is said of plugins: names, types, vendors, tags, trials. */
import { oneOrMany, plural } from '@clever-drawer/core/text';

// vendor-picker
export const copies = (count: number): string => oneOrMany(count, 'copy', 'copies');
export const anotherVendor = 'Another vendor:';
export const vendorName = 'Vendor name';

// types-picker-dialog
export const noTypeOfThese = 'No type of these';
export const typeName = 'Type name';

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
export const yourOwnNameForIt = (plugin: string): string =>
  `Your own name for it. Searching for ${plugin} still finds it.`;
export const alsoCalled = 'Also called';
export const otherNamesToFindIt =
  'Other names to find it by, such as the hardware it models. Separate them with commas.';
export const atMostNames = (most: number): string => `At most ${plural(most, 'name')}.`;
export const eachAtMostLetters = (most: number): string =>
  `At most ${plural(most, 'letter')} in each name.`;
export const slotLabel = 'Slot label';
export const theFewLettersShownIn =
  'The few letters shown in a slot. Leave it empty to make it from the name.';

// trial-form
export const pluginOnTrial = (count: number): string => `${plural(count, 'plugin')} on trial`;
export const save = 'Save';
export const lastDay = 'Last day';
export const afterThisDateWontBe = (count: number): string =>
  `After this date ${oneOrMany(count, 'it', 'they')} won't be offered in Load. A past date means the trial has ended. Leave it empty if you don't know.`;

// plugin-menu
export const fileInAFolder = 'File in a folder …';
export const addToFavourites = 'Add to favourites';
export const removeFromFavourites = 'Remove from favourites';
export const nicknameAndNames = 'Nickname and other names …';
export const openItsPage = 'Show its page';
export const itsKind = 'Kind of plugin';
export const licenceAndHiding = 'Licence and hiding';
export const licenceNotKnown = 'Licence unknown';
export const takeTheTagOff = 'remove it';
export const all = (count: number): string => oneOrMany(count, 'it', `all ${count}`);
export const theyAre = (count: number): string => oneOrMany(count, 'It is', 'They are');
export const aNewTag = 'A new tag:';
export const whatTheseDo = (count: number): string =>
  `What ${oneOrMany(count, 'it does', `these ${count} do`)}`;
export const aTagFor = (count: string): string => `A tag for ${count}`;
export const tagName = 'Tag name';
export const chooseTypes = 'Type …';
export const tag = 'Tag …';
export const showInLoad = 'Show in Load';
export const hideInLoad = 'Hide in Load';
export const onTrial = 'on trial …';

// format-order
export const orderOfFormats = 'Order of formats';
export const ifAPluginIsInstalled =
  'If a plugin is installed in several formats, the highest one here is used, 64-bit before 32-bit. The others stay for old sessions.';
export const formatUp = (format: string): string => `${format} up`;
export const down = (format: string): string => `${format} down`;

// all-tags
export const allTags = 'All tags';
export const noTagsYetAddOne =
  'No tags yet. Add one on a plugin’s page, or to many at once from the tray.';
export const renamingATagToAn = 'Renaming a tag to an existing one merges them. You can undo it.';
export const plugin = (count: number): string => plural(count, 'plugin');
export const renameTheTag = (tag: string): string => `Rename the tag ${tag}`;
export const rename = 'Rename …';
export const removeTheTagEverywhere = (tag: string): string => `Remove the tag ${tag} everywhere`;
export const remove = 'Remove';
export const newNameOfTheTag = (tag: string): string => `New name of the tag ${tag}`;
export const renameIt = 'Rename';

// file-in
export const moveToFolder = (what: string): string => `Move ${what} to …`;
export const fileInFolder = (what: string): string => `File ${what} in …`;
export const createTheFolder = 'Create the folder';
export const andFileThere = (what: string): string => `and file ${what} there`;
export const alwaysIn = 'always included · ';
export const parentIn = (parent: string): string => `in ${parent} · `;
export const alreadyThere = ' · already there';
export const someOrAllPlugins = (count: number): string => plural(count, 'plugin');
export const fileInAnother = 'file and stay here for another folder';
export const folderName = 'Folder name';
