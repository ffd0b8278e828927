/** All texts of Review. */
import type { Advice } from '@clever-drawer/core/review';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// model/wish
/** What the spans of time are called. */
export const periodWords = {
  all: 'from the beginning',
  year: 'of the last year',
  quarter: 'of the last three months',
  month: 'of the last month',
} as const;

// wish-bar
export const time = 'Time';
export const kind = 'Kind';
export const allKinds = 'all kinds';
export const sortOfTrack = 'Sort of track';
export const onAllTracks = 'on all tracks';
export const onTracks = (tracks: string): string => `on ${tracks}`;
export const cabinet = 'Cabinet';
export const inAllCabinets = 'in all cabinets';
export const inTheCabinet = (name: string): string => `in ${name}`;
export const vendor = 'Vendor';
export const byEverybody = 'by everybody';
export const byTheVendor = (vendor: string): string => `by ${vendor}`;
export const filters = 'Filters';

// pictures/behind
export const noPlugins = 'No plugins.';
export const andMore = (count: number): string => `And ${count} more.`;
export const exportAsCsv = 'Export as CSV';
export const addToTheTrayIn = (count: number): string =>
  `Add ${plural(count, 'plugin')} to the tray in File`;
export const noVendor = 'no vendor';
export const neverLoaded = 'never loaded';
export const load = (loads: number): string => plural(loads, 'load');

// pictures/comings-columns
export const comingWords = { came: 'came', updated: 'updated', went: 'went' } as const;
export const pluginsOfMonth = (month: string, count: number, how: string): string =>
  `${month}: ${plural(count, 'plugin')} ${how}`;
export const pluginsFilled = 'plugins; filled: came, hatched: updated, below the line: went';

// pictures/save-picture
export const thePictureCouldNotBeDrawn = 'The picture could not be drawn.';

// pictures/picture
export const showAsATable = (title: string): string => `${title}: show as a table`;
export const theSameNumbersAsA = 'The same numbers as a table';
export const numbers = (title: string): string => `${title}, numbers`;
export const save = (title: string): string => `Save ${title}`;
export const asADrawingSvg = 'As a drawing (SVG)';
export const asAPicturePng = 'As a picture (PNG)';
export const itsNumbersCsv = 'Its numbers (CSV)';

// parts/changes-part
export const whatCame = 'What came, went and was updated';
export const byMonth = 'By month, as scans found it, without the first scan.';
export const nothingCame = 'Nothing came, went or was updated since the first scan, in this time.';
export const month = 'Month';
export const came = 'Came';
export const updated = 'Updated';
export const went = 'Went';
export const endedAgo = (daysLeft: number): string => `ended ${plural(daysLeft, 'day')} ago`;
export const endsToday = 'ends today';
export const dayLeft = (daysLeft: number): string => `${plural(daysLeft, 'day')} left`;
export const whatIsAboutToEnd = 'What is about to end';
export const noTrialWithADate =
  'No trial with a date. Set one on a plugin’s page, and it appears here.';
export const trialsByTheirLastDay = 'Trials, by their last day.';

// parts/doubles-list
export const whatDoubles = 'What doubles';
export const noSimilarPluginsInOne =
  'No similar plugins in one series of which you use at most one.';
export const similarInSeriesTypeAnd =
  'Similar in series, type and ports, and you use at most one of them.';
export const alikeInSeriesShort = 'Similar in series, type and ports';
export const noneUsed = 'none used';
export const youUse = (used: string): string => `you use ${used}`;
export const countAnd = (count: number): string => `And ${plural(count, 'more group')}.`;

// parts/own-part
export const notKnown = 'not known';
export const ownedOfVendor = (
  vendor: string,
  group: string,
  count: number,
  used: number,
  loads: number,
): string =>
  `${vendor}, ${group}: ${plural(count, 'plugin')}, ${used} used, ${plural(loads, 'load')}`;
export const whoMakesWhatYouOwn = 'Who makes what you own';
export const numberOfPlugins = (isMore: boolean, shown: number, vendors: number): string =>
  `Number: plugins. Darker: used more.${isMore ? ` The ${shown} largest of ${plural(vendors, 'vendor')}; the table has all.` : ''}`;
export const scanToSeeWhoMadeThem = 'Scan to see who makes your plugins.';
export const group = 'Group';
export const plugins = 'Plugins';
export const usedColumn = 'Used';
export const loads = 'Loads';
export const ownedBesideUsed = 'Owned beside used';
export const forEachGroupAllYou = 'For each group: all you own; filled: loaded in this time.';
export const scanToSeeWhatTheyAre = 'Scan to see what types of plugins you have.';
export const owned = 'Owned';
export const pluginsUnit = 'plugins';
export const countOfPlugins = (count: number, plugins: number): string => `${count} of ${plugins}`;
export const ownedOfGroup = (group: string, count: number, used: number, loads: number): string =>
  `${group}: ${plural(count, 'plugin')}, ${used} used, ${plural(loads, 'load')}`;
export const formatOf32Bit = (format: string): string => `${format}, 32 bit`;
export const formatsAndOldCopies = 'Formats and old copies';
export const copiesFilledWhatANewerCopy = (total: number): string =>
  `${plural(total, 'copy', 'copies')}; filled: replaced by a newer copy.`;
export const scanToSeeTheirFormats = 'Scan to see which formats you have.';
export const format = 'Format';
export const bits = 'Bits';
export const copies = 'Copies';
export const replaced = 'Replaced';
export const oldCopiesThatStillFor = (sessions: string, count: number): string =>
  `Old copies that ${sessions} still ${oneOrMany(count, 'asks', 'ask')} for`;
export const askedForBy = (count: number): string => `asked for by ${plural(count, 'session')}`;
export const copiesUnit = 'copies';
export const old = (copies: number, count: number): string => `${copies}, ${count} old`;
export const withANewerOneBesideThem = (format: string, copies: number, count: number): string =>
  `${format}: ${plural(copies, 'copy', 'copies')}, ${count} with a newer one beside them`;

// parts/order-part
export const countAndShare = (count: number, share: string): string => `${count}, ${share}`;
export const pluginsThatAre = (count: number, how: string): string =>
  `${plural(count, 'plugin')} ${how}`;
export const filedByHand = 'filed by hand';
export const onlyByARule = 'only by a rule';
export const unfiled = 'unfiled';
export const whatIsFiled = 'What is filed';
export const ofAreInAFolder = (filed: string, total: number, unfiled: string): string =>
  `${filed} of ${plural(total, 'plugin')} are in a folder that you made, ${unfiled} in none.`;
export const scanToSeeHowMuchIsFiled = 'Scan to see how many of your plugins are filed.';
export const where = 'Where';
export const nearlyTheSame = 'Nearly the same';
export const andOfTheirPluginsAre = (folder: string, count: number): string =>
  `and ${folder}: ${count} % of their plugins are in both`;
export const outOfPlace = 'Out of place';
export const holdsNearlyAllElseThereIs = (plugin: string, group: string): string =>
  `holds ${plugin}, nearly all else there is ${group}`;
export const nothingInItWasEver = 'Nothing in it was ever loaded';
export const neverOpenWhenYouLoadedSomething = 'Never open when you loaded something';
export const smartFoldersThatAreEmpty = 'Smart folders that are empty';
export const itsRuleMatchesNothing = 'its rule matches nothing';
export const smartFoldersThatHoldEverything = 'Smart folders that hold everything';
export const itsRuleMatchesEverything = 'its rule matches everything';
export const foldersToLookAt = 'Folders to look at';
export const noTwoFoldersAreNearly =
  'No two folders are nearly the same, no plugin is out of place, and every rule matches some.';
export const seeThePlugins = (folder: string): string => `See the plugins: ${folder}`;
export const seeThem = 'see them';

// model/advice-act
export const loadedEveryWeek = 'Loaded every week';
export const whatIReallyUse = 'What I really use';
export const favourites = 'Favourites';
export const other = 'Other';

// pictures/dust-plot
export const orMore = (least: number): string => `${least} or more`;
export const fromTo = (least: number, next: number): string => `${least} to ${next}`;
export const loadedThisWeek = 'loaded this week';
export const lastLoadedAgo = (name: string): string => `last loaded ${name} ago`;
export const pluginsOfAge = (
  count: number,
  age: string,
  loads: number,
  loadsInAll: string,
): string =>
  `${plural(count, 'plugin')} ${age}${loads === 0 ? '' : `, ${loadsInAll} times in all`}`;
export const sinceTheLastLoad = 'since the last load; upwards: loads in all';

// pictures/keys-line
export const andSeconds = (seconds: string): string => `, ${seconds} s`;
export const keysOfMonth = (
  month: string,
  keys: string,
  seconds: string,
  median: number,
  loads: number,
): string =>
  `${month}: ${keys} keys a load${seconds}, half of the loads with ${median} or fewer, ${plural(loads, 'load')}`;
export const keysALoad = 'keys a load: the line is the mean, a dash the median';

// pictures/pairs-links
export const afterOfWhatComesAfterIt = (
  after: string,
  before: string,
  times: number,
  count: number,
  lift: string,
): string =>
  `${after} after ${before}: ${plural(times, 'time')}, ${count} % of what comes after it, ${lift} times as often as anywhere`;
export const loadedFirst = 'loaded first';
export const loadedRightAfterIt = 'loaded right after it';

// parts/use-part
export const pluginAndKeys = (plugin: string, keys: string): string => `${plugin} (${keys} keys)`;
export const loadsAreNotRecorded = 'Loads are not recorded';
export const youSwitchedThisOffYou =
  'You switched this off. You can switch it on in Load, under “What is remembered”.';
export const afterAWeekOfLoading = 'After a week of loading';
export const whatGathersDust = 'What gathers dust';
export const ofWereNotLoadedForThree = (dusty: number, plugins: number): string =>
  `${dusty} of ${plural(plugins, 'plugin')} were not loaded for three months. Each circle is a group of plugins with similar use.`;
export const dustStandsHere = (afterAWeek: string): string =>
  `${afterAWeek}, this shows what you have stopped using.`;
export const lastLoaded = 'Last loaded';
export const whatYouUsedWhen = 'What you used when';
export const loadsPerMonthDarkerIs = 'Loads per month. Darker is more.';
export const useStandsHere = (afterAWeek: string): string =>
  `${afterAWeek}, this shows what you use in which month.`;
export const bySortOfTrack = 'by sort of track';
export const byType = 'by type';
export const loadsOfMonth = (month: string, words: string, loads: number, count: number): string =>
  `${month}, ${words}: ${plural(loads, 'load')} of ${plural(count, 'plugin')}`;
export const whatGoesWithWhat = 'What goes with what';
export const whichPluginYouLoadRight =
  'Which plugin you load right after which. Thicker: more often.';
export const pairsStandHere = (afterAWeek: string): string =>
  `${afterAWeek}, this shows which plugins you load one after the other.`;
export const before = 'Before';
export const after = 'After';
export const times = 'Times';
export const support = 'Support';
export const confidence = 'Confidence';
export const lift = 'Lift';
export const repeatedChains = 'repeated chains';
export const timesItCame = (times: number): string => plural(times, 'time');
export const kept = 'kept';
export const keepAsAChain = (title: string): string => `Keep ${title} as a chain`;
export const keepItAsAChain = 'Keep as a chain';
export const howYouFind = 'How you find';
export const typedMostOften = (letters: string): string => `Typed most often: ${letters}.`;
export const slowToFind = (slow: string): string => `Slow to find: ${slow}.`;
export const keysStandHere = (afterAWeek: string): string =>
  `${afterAWeek}, this shows how many keys a load takes.`;
export const keysALoadColumn = 'Keys a load';
export const median = 'Median';
export const seconds = 'Seconds';

// advice-dialog
export const fileInLoadedEveryWeek = (chosen: number): string =>
  `File ${plural(chosen, 'plugin')} in “Loaded every week”`;
export const fileInTheFolder = (chosen: number): string =>
  `File ${plural(chosen, 'plugin')} in the folder`;
export const hideThemInLoad = (chosen: number): string =>
  `Hide ${plural(chosen, 'plugin')} in Load`;
export const setThemAside = (chosen: number): string =>
  `Set ${plural(chosen, 'copy', 'copies')} aside`;
/** What pressing the button does, where nothing is chosen. */
export const adviceDoes: Readonly<Partial<Record<Advice['kind'], string>>> = {
  'keep-chain': 'Keep as a chain',
  reorder: 'Sort it by use',
  'used-cabinet': 'Create the cabinet “What I really use”',
  merge: 'Merge the two',
};
export const nameOfTheChain = 'Name of the chain';
export const theirFilesAreNotTouched =
  'Their files are not touched. They are not examined or shown until you undo this or restore them in Scan.';
export const chosenOf = (chosen: number, all: number): string => `${chosen} of ${all} chosen`;
export const whatItIsDoneTo = 'What it is done to';
export const bitsOf = (is32Bit: boolean): string => (is32Bit ? '32-bit' : '64-bit');
export const newerIs = (format: string, version: string | null, path: string): string =>
  `Newer: ${format}${version === null ? '' : ` ${version}`}, ${path}`;
export const noVersion = 'no version';
export const askedForIn = (sessions: string): string => `Needed in ${sessions}.`;
export const copiesSetAside = (count: number): string =>
  `${plural(count, 'copy is', 'copies are')} set aside. Scan lists them, and undo brings them back.`;
export const cancel = 'Cancel';
export const close = 'Close';
export const keys = (keys: string, loads: number): string =>
  `${keys} keys, ${plural(loads, 'load')}`;
export const typed = (typed: string): string => `, typed “${typed}”`;
export const name = (plugin: string): string => `Name ${plugin}`;
export const nameIt = 'Name it …';

// parts/worth-part
export const worthDoingNow = 'Worth doing now';
export const nothingYetAfterSomeWeeks =
  'Nothing yet. After some weeks of loading, this shows what would save you the most work.';
export const inShort = 'In short';
export const lookAtIt = (title: string): string => `Look at it: ${title}`;
export const lookAtItShort = 'Look at it …';
export const notNow = (title: string): string => `Not now: ${title}`;
export const shownAgainInAMonth = 'Shown again in a month';
export const notNowShort = 'not now';
export const never = (title: string): string => `Never: ${title}`;
export const notShownAgain = 'Not shown again';
export const neverShort = 'never';
export const putOff = (count: number): string => `${count} put off`;
export const showAgain = (title: string): string => `Show again: ${title}`;
export const tellAgainShort = 'show again';
export const tryAgainThisWeek = 'Try again this week';
export const pluginsYouHaventLoadedFor =
  'Plugins you haven’t loaded for three months, although you used others of their type, appear here.';
export const notUsedLatelyOfTypes =
  'Not used lately, of types that you use. New ones every Monday.';
export const loaded = (loads: number): string => `loaded ${plural(loads, 'time')}`;
export const anotherOneInsteadOf = (plugin: string): string => `Another one instead of ${plugin}`;
export const anotherOne = 'another one';

// review-screen
export const review = 'Review:';
export const partsOfTheReview = 'Parts of the review';
