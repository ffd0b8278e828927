/** Parts of screens that have an address of their own: tabs, lists and dialogs, and how they are found. */
import type { ReviewPart } from '@clever-drawer/core/review';
import { screens, type ScreenId } from '../screens.ts';
import * as texts from './texts.ts';

/** The parts of Review, as they stand on the screen. */
export const reviewTabs = [
  ['worth', texts.worthDoing],
  ['own', texts.whatYouOwn],
  ['use', texts.whatYouUse],
  ['changes', texts.whatChanged],
  ['order', texts.yourOrder],
] as const satisfies readonly (readonly [ReviewPart, string])[];

/** The parts of Keep, as they stand on the screen. */
export const keepTabs = [
  ['return', texts.returnToAPoint],
  ['carry', texts.fromAnotherComputer],
  ['files', texts.importAndExport],
  ['shelf', texts.shelfOnDisk],
  ['backups', texts.backups],
] as const;

/** A part of a screen. */
export interface ScreenPart {
  readonly screen: ScreenId;
  readonly address: string;
  readonly name: string;
  /** What else people call it. */
  readonly keywords: readonly string[];
}

const keepWords: Readonly<Record<(typeof keepTabs)[number][0], string>> = {
  return: texts.wordsOfPoints,
  carry: texts.wordsOfCarrying,
  files: texts.wordsOfFiles,
  shelf: texts.wordsOfTheShelf,
  backups: texts.wordsOfBackups,
};

const part = (
  screen: ScreenId,
  query: string,
  name: string,
  ...keywords: readonly string[]
): ScreenPart => ({ screen, address: `${screens[screen].path}?${query}`, name, keywords });

/** All of them, in the order of the screens. */
export const screenParts: readonly ScreenPart[] = [
  part('sort', 'way=list', texts.manyAtOnce, texts.wordsOfMany),
  part('sort', 'vendors=yes', texts.allVendors, texts.wordsOfVendors),
  ...reviewTabs.map(([id, name]) => part('review', `part=${id}`, name, texts.wordsOfReview)),
  ...keepTabs.map(([id, name]) => part('keep', `tab=${id}`, name, keepWords[id])),
];
