/** All texts of Sort. */
import type { LicenceState } from '@clever-drawer/core/catalog';
import type { QuestionVariant } from '@clever-drawer/core/identify';
import { oneOrMany, plural } from '@clever-drawer/core/text';

// all-vendors
export const isTheSameAs = (joining: string): string => `${joining} is the same as …`;
export const vendors = (count: number): string => plural(count, 'vendor');
export const vendorName = 'Vendor name';
export const noMatches = 'No matches';
export const rename = 'Rename';
export const sameAs = 'Same as …';
export const isAnotherVendor = (spelling: string): string => `${spelling} is another vendor`;
export const splitOffAsItsOwn = 'Split off as its own vendor';
export const splitOff = 'split off';
export const newNameOf = (vendor: string): string => `New name of ${vendor}`;

// model/options
export const licenceNames: readonly (readonly [LicenceState, string])[] = [
  ['owned', 'Yes, owned'],
  ['free', 'Yes, it is free'],
  ['trial', 'On trial'],
  ['not licensed', 'No licence: hide in Load'],
];
export const toolMeterOrUtility = 'Tool: meter or utility';
export const onePlugin = 'One plugin';
export const twoPlugins = 'Two plugins';
export const eachIsItsOwnPlugin = 'Each is its own plugin';
export const keepItInTheCatalog = 'Keep it in the catalog but hide it in Load';
export const keepThemInTheCatalog = 'Keep them in the catalog but hide them in Load';
export const leaveWithoutAVendor = (areMany: boolean): string =>
  `Leave ${areMany ? 'them' : 'it'} without a vendor`;
export const notKnownFromNameOr = (areMany: boolean): string =>
  `not known from ${areMany ? 'their' : 'its'} name or place`;
export const oneVendor = (vendor: string): string => `One vendor: ${vendor}`;
export const twoVendors = 'Two vendors';

// model/bulk-answers
export const andThose = (vendors: string): string => `and ${vendors}`;
export const allEffects = 'All effects';
export const allInstruments = 'All instruments';
export const allNoteEffects = 'All note effects';
export const allTools = 'All tools';
export const allOwned = 'All owned';
export const allOnTrial = 'All on trial';
export const noneLicensed = 'None licensed';
export const notLicensed = 'not licensed';
export const hideAllInLoad = 'Hide all in Load';
export const noIdea = 'no idea';
export const oneWithoutAVendor = 'one without a vendor';
export const isItOneVendor = 'one vendor?';
export const canYouUseIt = 'can you use it?';

// use-title
export const noVendorNamed = 'no vendor named';
export const andMore = (first: string, count: number): string => `${first} and ${count} more`;

// bulk-list
export const bulkKeys = [
  ['↑ ↓', 'move'],
  ['Space', 'select'],
  ['Shift ↓', 'select a range'],
  ['Ctrl A', 'all'],
  ['Enter', 'accept the best answer for each'],
  ['Ctrl Z', 'undo'],
] as const;
export const manyAtOnce = 'Many at once';
export const toAnswer = (count: number): string =>
  `${count} to answer. Select some with a click, Shift or Ctrl+A.`;
export const ofSelected = (selected: number, all: number): string =>
  `${selected} of ${all} selected`;
export const acceptTheLikelyAnswers = (likely: number, selected: number): string =>
  likely === selected
    ? `Accept the likely ${oneOrMany(likely, 'answer', `answers for all ${likely}`)}`
    : `Accept the likely ${oneOrMany(likely, 'answer', 'answers')} for ${likely} of ${selected}`;
export const onlyGuesses = 'Only guesses here: give one answer for all, or answer one at a time.';
export const oneAnswerForAll = 'One answer for all …';
export const questions = 'Questions';
export const whatDoTheseDo = (count: number): string => `What do these ${count} do?`;
export const whoMakesThese = (count: number): string => `Who makes these ${count}?`;

// neighbours
export const noOtherInTheCatalog = (type: string): string => `No other ${type} in the catalog yet.`;
export const othersOfType = (type: string): string => `Other ${type}`;
export const already = (type: string, count: number): string =>
  `${type} already: ${plural(count, 'plugin')}`;
export const ofThemAreIn = (count: number): string => `${count} of them are in`;
export const cabinetOf = (cabinet: string): string => ` of ${cabinet}`;

// question-head
export const pluginsAnd = (plugins: string): string => `And ${plugins}`;
export const andMoreOfThem = (count: number): string => ` and ${count} more`;
export const oneAnswerCoversAll = ': one answer covers all.';
export const allFacts = 'all facts';
export const version = 'version';
export const foldersIn = (folders: string): string => `in ${folders}`;
export const plugins = (count: number): string => oneOrMany(count, 'plugin', 'plugins');
export const spelled = (spellings: string): string => `Spelled ${spellings}`;

// why
export const onlyAGuessItIs = 'Only a guess: it is the most common type.';
export const upNext = 'Up next';
export const typeOr = (type: string): string => ` or ${type}`;

// card-stack
export const nothing = 'nothing';
export const putOff = (count: number): string => ` · ${count} put off`;
export const later = 'later';
export const undo = 'undo';
export const putOffBeforeLeft = (count: number): string => `put off before · ${count} left`;
export const leftToAnswer = (waiting: number, what: string): string =>
  `${waiting} to answer${what}`;
export const question = 'Question';
export const acceptTheHighlightedAnswer = 'accept the highlighted answer';
export const noAnswerToAccept = 'no answer to accept';
export const noLikelyAnswer = 'no answer is likely: choose one by its number';
export const severalTypes = 'several types';
export const hideInLoad = 'hide in Load';
export const itIs = (what: string): string => `It is ${what}`;
export const anotherType = 'Another type …';
export const chooseAnotherVendor = 'Another vendor …';
export const why = (active: string): string => `Why ${active}?`;
export const whyItIsAsked = 'Why it is asked';
export const whatDoesDo = (plugin: string): string => `What does ${plugin} do?`;
export const whoseIsItOrAreThese = (count: number, plugin: string): string =>
  oneOrMany(count, `Who makes ${plugin}?`, `Who makes these ${count}?`);
export const whatDoesItDo = 'What does it do?';
export const whatIsIt = 'What is it?';
export const whatAreThese = (count: number): string => `What are these ${count}?`;
export const onePluginOrTwo = 'One plugin or two?';
export const areTheseOnePlugin = (count: number): string => `Are these ${count} one plugin?`;
export const canItBeUsed = 'Can you use it?';
export const canYouUseThese = (count: number): string => `Can you use these ${count}?`;
export const oneVendorOrTwo = 'One vendor or two?';
export const whoMakesIt = 'Who makes it?';

// failed-list
export const tryingFailedAgain = (count: number): string => `Trying ${count} failed ones again`;
export const wouldNotOpen = 'Would not open';
export const couldNotBeReadOrOpened = (count: number): string =>
  `${count} could not be read or opened. Repair or reinstall them and try again, set aside what you don't need, or leave them: a file is tried again only when it changes.`;
export const trying = 'Trying …';
export const tryAllAgain = 'Try all again';
export const failedCopies = 'Failed copies';
export const isSetAside = (finding: string): string =>
  `${finding} is set aside. Its file is untouched; you can restore it in Scan.`;
export const setAside = 'Set aside';

// settle-clear
export const acceptSureAnswers = (count: number): string =>
  `Accept ${plural(count, 'sure answer')}`;
export const cancel = 'Cancel';
export const acceptFor = (count: number): string => `Accept for ${plural(count, 'plugin')}`;
export const theseAnswersWillBeApplied =
  'These answers will be applied. Untick those you want to answer yourself; one undo reverts them all.';
export const countOfQuestions = (count: number, questions: number): string =>
  `${count} of ${plural(questions, 'plugin')}`;

// sort-screen
export const questionNames: Record<QuestionVariant, readonly [name: string, what: string]> = {
  type: ['What does it do?', 'No type, or only a weak guess'],
  kind: ['Effect or instrument?', 'What it declares and what it has disagree'],
  twin: ['Same plugin twice?', 'One name, and reasons on both sides'],
  vendor: ['Who makes it?', 'No vendor, or similar spellings'],
  licence: ['Can you use it?', 'Trial versions and old 32-bit ones'],
  failed: ['Would not open', 'Failed while being examined'],
};
export const nothingIsWaiting = 'Nothing is waiting';
export const questionsWait = (count: number): string =>
  `${plural(count, 'question')} ${oneOrMany(count, 'waits', 'wait')}`;
export const allVendorsAndTheirSpellings = 'All vendors and their spellings …';
export const wayOfAnswering = 'Way of answering';
export const oneAtATime = 'One at a time';
export const ofPluginsSettled = (settled: number, total: number): string =>
  `${settled} of ${plural(total, 'plugin')} settled`;
export const pluginsSettled = 'Plugins settled';
export const typesHaveOneSureAnswer = (count: number): string =>
  `${plural(count, 'type')} ${oneOrMany(count, 'has', 'have')} one sure answer.`;
export const acceptTheSureAnswers = 'Accept the sure answers …';
export const noPluginsYet = 'No plugins yet';
export const allAnswered = ': all answered';
export const questionsComeWithTheFirstScan = 'Questions come with the first scan:';
export const goToScan = 'go to Scan';
export const cleverDrawerAsksAgainOnly =
  'Clever Drawer asks again only when a scan finds something new. Your answers stay and can be undone.';
