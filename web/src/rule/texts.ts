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
export const remove = (value: string): string => `Remove ${value}`;
export const thereIsNoWithThat = (field: string): string => `There is no ${field} with that name.`;

// cards
export const thisHolds = (count: number): string =>
  oneOrMany(count, 'This is true', 'All of these are true');
export const addACondition = 'Add a condition';
export const addAlternativeOr = 'Add alternative (or)';
export const butNever = (count: number): string =>
  oneOrMany(count, 'Except when this is true', 'Except when all of these are true');
export const addAnException = 'Add an exception';
export const addAnotherException = 'Add another exception';
export const titleOfCard = (title: string, isNever: boolean, card: number): string =>
  `${title}${isNever ? '' : `, card ${card}`}`;
export const noPluginMeetsAllOf = 'No plugin meets all of these at once.';
export const cardAlreadyMatchesEverythingThis = (other: number): string =>
  `Card ${other} already matches everything this card does.`;
export const addConditionAnd = 'Add condition (and)';
export const condition = (number: number): string => `Condition ${number}`;
export const removeCondition = (number: number): string => `Remove condition ${number}`;
export const noPluginMeetsThisCondition = 'No plugin meets this condition.';
export const howItCompares = 'How it compares';
export const whatItAsksAbout = 'What it asks about';

// preview
export const whatItIncludes = 'What it includes';
export const andMore = (count: number): string => `and ${count} more`;
export const nothingMatchesYetNewMatches = 'Nothing matches yet. New matches appear here.';
export const inside = 'Inside';
export const leaves = 'leaves';
export const include = 'Include';
export const andMoreWouldLeave = (count: number): string => `and ${count} more would leave`;
export const joins = 'joins';
export const exclude = 'Exclude';
export const isInside = 'inside';
export const wouldJoin = 'would join';
export const wouldLeave = 'would leave';
export const nearMisses = 'Near misses';
export const aPluginThatIsGone = 'a plugin that is gone';
export const alwaysIn = 'always included';
export const alwaysExcluded = 'always excluded';
export const letTheRuleDecide = 'Let the rule decide';
export const byHand = 'By hand';
export const alwaysIncludedByHand = 'always included, by hand';

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
export const thisFolderHasBeenRemoved = 'This folder has been removed';
export const onlySmartFoldersHaveOne = 'Only smart folders have one.';
export const somebodyMayHaveRemovedIt = 'Somebody may have removed it; undo brings it back.';
export const goToFile = 'Go to File';
export const thereIsNoCabinetYet = 'There is no cabinet yet';
export const ruleOf = (folder: string): string => `Rule of ${folder}`;
export const aNewSmartFolder = 'A new smart folder';
export const unsavedDraftRestored = 'Unsaved draft restored.';
export const startOver = 'Start over';
export const theExceptionsRemoveEverythingThe =
  'The exceptions remove everything the other cards match.';
export const theRuleOf = (folder: string): string => `The rule of ${folder}`;
export const name = 'Name';
export const smartFolderIn = 'smart folder in';
export const close = 'Close';
export const save = 'Save';
export const theFolderNeedsANameBefore = 'The folder needs a name before it can be saved.';
export const theTextIsNotUnderstoodYet = (problems: string): string =>
  `The text is not understood yet. ${problems}`;
export const aConditionHasNoValue =
  'A condition has no value yet: add one, or remove the condition.';
export const aRuleNeedsAtLeast = 'A rule needs at least one condition.';
export const startFromAReadyMade = 'Start from a ready-made rule …';
export const allBy = (vendor: string): string => `All by ${vendor}`;
export const shows = 'Shows';
export const limit = 'Limit';
export const inWhichOrder = 'In which order';
export const asInTheCatalog = 'as in the catalog';
export const howManyItShows = 'How many it shows';
export const allOfThem = 'all of them';
export const onlyTheFirst = 'only the first';
export const asText = 'As text';
export const aCommaMeansOrA =
  'a comma means “or”, a new line “and”, an empty line starts another card, “never” excludes';
export const theCardsShowTheLast = 'The cards show the last version that was understood.';
export const backToTheCards = 'Back to the cards';
