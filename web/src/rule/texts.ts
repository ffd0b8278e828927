/** All texts of the rule editor. */
import type { FolderSorting } from '@clever-drawer/core/order';
import { oneOrMany } from '@clever-drawer/core/text';

// model/typed-values
export const perhaps = (detail: string, known: string): string => `${detail} Perhaps ${known}?`;

// value-field
export const day = (field: string, relation: string): string => `${field} ${relation}, day`;
export const number = (field: string, relation: string): string => `${field} ${relation}, number`;
export const howMany = (field: string, relation: string): string =>
  `${field} ${relation}, how many`;
export const ofWhat = (field: string, relation: string): string => `${field} ${relation}, of what`;
export const addAValue = (name: string): string => `${name}: add a value`;
export const typeThenEnter = 'type, then Enter';
export const or = 'or';
export const drop = (value: string): string => `Drop ${value}`;
export const noIsCalledThatHere = (field: string): string => `No ${field} is called that here.`;

// cards
export const thisHolds = (count: number): string =>
  oneOrMany(count, 'This holds', 'All of these hold');
export const aCard = 'a card';
export const anotherCard = 'another card';
export const butNever = (count: number): string =>
  oneOrMany(count, 'But never, when this holds', 'But never, when all of these hold');
export const keepSomeOut = 'keep some out';
export const keepOthersOut = 'keep others out';
export const titleOfCard = (title: string, isNever: boolean, card: number): string =>
  `${title}${isNever ? '' : `, card ${card}`}`;
export const noPluginHasAll = 'No plugin has all of this at once.';
export const whateverThisCardLetsIn = (other: number): string =>
  `Whatever this card lets in, card ${other} lets in already.`;
export const anotherLine = 'another line';
export const line = (number: number): string => `Line ${number}`;
export const dropLine = (number: number): string => `Drop line ${number}`;
export const thisLineLetsNothingIn = 'This line lets nothing in.';
export const howItCompares = 'How it compares';
export const whatItAsksAbout = 'What it asks about';

// preview
export const whatItHolds = 'What it holds';
export const andMore = (count: number): string => `and ${count} more`;
export const nothingIsInsideYet = 'Nothing is inside yet. What arrives later comes in by itself.';
export const inside = 'Inside';
export const leaves = 'leaves';
export const keepIn = 'Keep in';
export const andMoreWouldLeave = (count: number): string => `and ${count} more would leave`;
export const joins = 'joins';
export const keepOut = 'Keep out';
export const isInside = 'inside';
export const wouldJoin = 'would join';
export const wouldLeave = 'would leave';
export const justOutside = 'Just outside';
export const letIn = 'Let in';
export const aPluginThatIsGone = 'a plugin that is gone';
export const alwaysIn = 'always in';
export const alwaysOut = 'always out';
export const leaveItToTheRule = 'Leave it to the rule';
export const byHand = 'By hand';
export const alwaysInByHand = 'always in, by hand';

// rule-screen
export const sortingNames: Record<FolderSorting, string> = {
  name: 'by name',
  type: 'by type',
  vendor: 'by vendor',
  use: 'most used first',
  lately: 'last loaded first',
  newest: 'newest first',
};
export const hasNoRule = (folder: string): string => `${folder} has no rule`;
export const thisFolderIsNotThereAny = 'This folder is not there any more';
export const onlySmartFoldersFillThemselves = 'Only smart folders fill themselves.';
export const somebodyMayHaveRemovedIt = 'Somebody may have removed it; undo brings it back.';
export const goToFile = 'Go to File';
export const thereIsNoCabinetYet = 'There is no cabinet yet';
export const ruleOf = (folder: string): string => `Rule of ${folder}`;
export const aNewSmartFolder = 'A new smart folder';
export const thisGoesOn = 'This goes on from what you had not saved.';
export const startAnew = 'Start anew';
export const theCardsThatKeepOutLeave =
  'The cards that keep out leave nothing of what the others let in.';
export const theRuleOf = (folder: string): string => `The rule of ${folder}`;
export const name = 'Name';
export const smartFolderIn = 'smart folder in';
export const close = 'Close';
export const save = 'Save';
export const theFolderNeedsANameBefore = 'The folder needs a name before it can be saved.';
export const theTextIsNotUnderstoodYet = (problems: string): string =>
  `The text is not understood yet. ${problems}`;
export const aLineSaysNothingYet = 'A line says nothing yet: give it a value, or drop it.';
export const aRuleNeedsAtLeast = 'A rule needs at least one line that lets something in.';
export const startFromAReadyRule = 'Start from a ready rule …';
export const allBy = (vendor: string): string => `All by ${vendor}`;
export const shows = 'Shows';
export const atMostSoMany = 'At most so many';
export const inWhichOrder = 'In which order';
export const asInTheCatalog = 'as in the catalog';
export const howManyItShows = 'How many it shows';
export const allOfThem = 'all of them';
export const onlyTheFirst = 'only the first';
export const asText = 'As text';
export const aCommaIsOrANew =
  'a comma is “or”, a new line is “and”, an empty line starts another card, never keeps out';
export const theCardsShowWhatWasUnderstood = 'The cards show what was understood last.';
export const backToTheCards = 'Back to the cards';
