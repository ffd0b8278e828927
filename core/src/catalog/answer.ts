/** What the user says of a plugin, and of who made what. It always goes before what was read or guessed. */
import type { CopyId, PluginId } from '../id.ts';
import type { Kind } from './kind.ts';
import type { Plugin } from './plugin.ts';

/** What can be said of a licence; nothing said means that it is not known. */
export const licenceStates = ['owned', 'free', 'trial', 'not licensed'] as const;
/** One of the states of a licence. */
export type LicenceState = (typeof licenceStates)[number];

/** `until` is the last day of a trial, as YYYY-MM-DD. */
export interface Licence {
  readonly state: LicenceState;
  readonly until: string | null;
}

/** Null and empty: nothing said. */
export interface AnswerFacts {
  readonly kind: Kind | null;
  readonly types: readonly string[] | null;
  /** `nobody` where it is to stay without one. */
  readonly vendor: string | null;
  readonly licence: Licence | null;
  readonly tags: readonly string[];
  readonly notes: string;
  /** In the catalog, but not offered while loading. */
  readonly isHidden: boolean;
  /** Id of a picture of the user's own. */
  readonly picture: string | null;
  /** Names by which it is found as well, such as that of the hardware it stands for. */
  readonly alsoCalled: readonly string[];
  /** The copy that is used first, among those that fit where it is loaded. */
  readonly firstCopy: CopyId | null;
}

/** Exists only while something is said; its id is the plugin's. */
export interface Answer extends AnswerFacts {
  readonly table: 'answer';
  readonly id: PluginId;
}

/** Said as vendor: whose it is is not known and need not be asked. */
export const nobody = '';

/** What is said of a plugin of which nothing was said. */
export const nothingSaid: AnswerFacts = {
  kind: null,
  types: null,
  vendor: null,
  licence: null,
  tags: [],
  notes: '',
  isHidden: false,
  picture: null,
  alsoCalled: [],
  firstCopy: null,
};

/** Whether an answer says nothing at all. */
export const saysNothing = ({
  kind,
  types,
  vendor,
  licence,
  tags,
  notes,
  isHidden,
  picture,
  alsoCalled,
  firstCopy,
}: AnswerFacts): boolean =>
  kind === null &&
  types === null &&
  vendor === null &&
  licence === null &&
  tags.length === 0 &&
  notes === '' &&
  !isHidden &&
  picture === null &&
  alsoCalled.length === 0 &&
  firstCopy === null;

/** The plugin as the user has it. */
export const withAnswer = (plugin: Plugin, answer: AnswerFacts | undefined): Plugin =>
  answer && (answer.kind !== null || answer.types !== null || answer.vendor !== null)
    ? {
        ...plugin,
        kind: answer.kind ?? plugin.kind,
        types: answer.types ?? plugin.types,
        vendor: answer.vendor === nobody ? null : (answer.vendor ?? plugin.vendor),
      }
    : plugin;

/** Every tag in use, once, in order. */
export const allTags = (answers: Iterable<AnswerFacts>): string[] =>
  [...new Set([...answers].flatMap((answer) => answer.tags))].sort();

/** The most letters of notes, and the most tags and letters of each. */
export const answerLimits = { notes: 10_000, tags: 50, tag: 60, types: 20, names: 20 } as const;
