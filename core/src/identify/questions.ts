/** What is truly uncertain about a catalog, as questions; what the user has answered is never asked again. */
import type { PluginId } from '../id.ts';
import { lazy, memoizeByObject, memoizeIn } from '../memoize.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
import { isPresent, type Plugin } from '../catalog/plugin.ts';
import { fileNameOf } from '../formats/file-name.ts';
import { foldVendor, type Vendor } from './gather-vendors.ts';
import { grouped } from '../grouped.ts';
import { compareNames, compareTexts } from '../text/compare.ts';
import { fold, isPlain, wordsOf } from '../text/fold.ts';
import { likelyUse, type Reason, type Suggestion } from './classify.ts';
import { isGenericWord } from './generic-words.ts';
import { beforeBrackets } from './name-words.ts';
import { groupOf } from '../taxonomy/tree.ts';
import type { PluginEvidence, TwinDoubt } from './identify-catalog.ts';

/** The kinds of questions in the order in which they are asked. */
export const questionVariants = ['twin', 'type', 'kind', 'vendor', 'licence', 'failed'] as const;
/** One of the kinds of questions. */
export type QuestionVariant = (typeof questionVariants)[number];

/**
 * Below this probability of its likeliest group a plugin's type is asked about; below the other one
 * its kind.
 */
export const askTypeBelow = 0.7;
/** A kind that is less probable than this is asked about. */
export const askKindBelow = 0.85;

/** What does it do? */
export interface TypeQuestion {
  readonly variant: 'type';
  readonly id: string;
  readonly plugin: Plugin;
  /** More of the same series, for which the answer holds as well. */
  readonly others: readonly Plugin[];
  readonly suggestions: readonly Suggestion[];
  readonly clear: readonly string[];
}
/** Is it an effect, an instrument, a note effect or a tool? */
export interface KindQuestion {
  readonly variant: 'kind';
  readonly id: string;
  readonly plugin: Plugin;
  /** More of the same series that are as likely of the same kind. */
  readonly others: readonly Plugin[];
  readonly kinds: PluginEvidence['kinds'];
  readonly reasons: PluginEvidence['kindReasons'];
}
/** Are two plugins, or several, one? */
export interface TwinQuestion {
  readonly variant: 'twin';
  readonly id: string;
  readonly plugin: Plugin;
  /** At least one. */
  readonly others: readonly Plugin[];
  readonly reasons: readonly Reason[];
}
/** A vendor that may be meant, and why. */
export interface VendorGuess {
  readonly vendor: string;
  readonly reason: string;
}
/** Plugins that name no vendor, or (with `near`) two spellings that may be one vendor. */
export interface VendorQuestion {
  readonly variant: 'vendor';
  readonly id: string;
  readonly plugin: Plugin | null;
  /** More that have the same guess, or lie in the same place where there is none. */
  readonly others: readonly Plugin[];
  readonly guesses: readonly VendorGuess[];
  readonly near: { readonly a: Vendor; readonly b: Vendor; readonly reason: string } | null;
}
/** May it be used? */
export interface LicenceQuestion {
  readonly variant: 'licence';
  readonly id: string;
  readonly plugin: Plugin;
  /** More of which the same is likely for the same reason. */
  readonly others: readonly Plugin[];
  /** What is likely, and why it is asked. */
  readonly likely: 'trial' | 'hidden';
  readonly hint: string;
}
/** Anything that is asked in Sort, told apart by `variant`. */
export type Question =
  | TypeQuestion
  | KindQuestion
  | TwinQuestion
  | VendorQuestion
  | LicenceQuestion;

/** All plugins a question is about; none where it is about spellings. */
export function pluginsAsked(question: Question): readonly Plugin[] {
  return question.plugin === null ? [] : [question.plugin, ...question.others];
}

/** What speaks for how a plugin came out, as far as it is asked about. */
type Grounds = Pick<PluginEvidence, 'kinds' | 'kindReasons' | 'suggestions'>;

/** Why it is uncertain what type or kind a plugin is. */
export type SortGround = Grounds & { readonly plugin: PluginId };

/** What sorting left uncertain. */
export interface SortFacts {
  readonly grounds: readonly SortGround[];
  readonly doubts: readonly TwinDoubt[];
  readonly vendors: readonly Vendor[];
  readonly near: readonly { readonly a: string; readonly b: string; readonly reason: string }[];
}

/** What questions are made of. */
export interface Uncertain {
  readonly plugins: readonly Plugin[];
  readonly answers: ReadonlyMap<string, AnswerFacts>;
  readonly grounds: ReadonlyMap<string, Grounds>;
  readonly doubts: SortFacts['doubts'];
  readonly vendors: SortFacts['vendors'];
  readonly near: SortFacts['near'];
  /** Spellings the user has decided. */
  readonly decided: ReadonlySet<string>;
  /** Copies the user has put with a plugin or kept there. */
  readonly pinned: ReadonlySet<string>;
}

/** Below this nothing speaks for a type to speak of. */
const speaksAt = 0.25;

/** Whether no type is probable enough to hold without being asked about. */
export const isTypeUncertain = ({ suggestions }: Pick<PluginEvidence, 'suggestions'>): boolean =>
  (suggestions[0]?.probability ?? 0) < askTypeBelow;

/**
 * All questions, of each kind those first that settle most; then alike ones beside each other: types
 * by what is suggested, the others by name. Nothing is asked of what is hidden, but whether it is one
 * with another.
 */
export function questionsOf(uncertain: Uncertain): Question[] {
  const present = uncertain.plugins.filter(isPresent);
  const offered = present.filter(({ id }) => uncertain.answers.get(id)?.isHidden !== true);
  const kinds: readonly (readonly Question[])[] = [
    typeQuestions(offered, uncertain),
    kindQuestions(offered, uncertain),
    twinQuestions(new Map(present.map((plugin) => [plugin.id, plugin])), uncertain),
    vendorQuestions(offered, uncertain),
    licenceQuestions(offered, uncertain),
  ];
  return kinds.flatMap((asked) => [...asked].sort((a, b) => settledBy(b) - settledBy(a)));
}

/** For how many an answer holds: plugins, or the copies that two spellings are on. */
const settledBy = (question: Question): number =>
  question.variant === 'vendor' && question.near
    ? question.near.a.count + question.near.b.count
    : pluginsAsked(question).length;

/** Questions that one answer settles, by what they share, made one: the first, with the plugins of the others. */
function together<
  Q extends Question & { readonly plugin: Plugin; readonly others: readonly Plugin[] },
>(questions: Iterable<readonly [key: string, question: Q]>): Q[] {
  return [...grouped(questions).values()].flatMap(([first, ...rest]) =>
    first ? [{ ...first, others: rest.map(({ plugin }) => plugin) }] : [],
  );
}

/** Words that tell plugins of one vendor or series from others. */
const isTelling = (word: string): boolean => word.length > 3 && !isGenericWord(word);

/** What one series of a vendor shares: a word of its own, or all but figures, channels and what stands in brackets. */
function seriesKey({ vendor, name }: Plugin): string {
  const words = wordsOf(beforeBrackets(name));
  const telling = words.find(isTelling);
  const bare = words.filter((word) => !/^\d+$|^(x|mono|stereo|lr|ms)$/.test(word)).join(' ');
  return `${vendor ?? ''}\n${telling ?? bare}`;
}

/** A question about a type, as far as nothing else matters for it than the plugin and what speaks for it. */
interface Posed {
  readonly question: TypeQuestion;
  /** What is likeliest; what nothing speaks for is all of one kind, behind all others. */
  readonly group: string;
  /** What one answer settles. */
  readonly key: string;
}

/** The question about the type of a plugin, of which this is known; worked out once. */
const posed = memoizeByObject((known: Grounds, plugin: Plugin): Posed => {
  const suggestions = withoutObvious(known.suggestions);
  const [first] = suggestions;
  const id = `type ${plugin.id}`;
  const group = first && first.probability >= speaksAt ? groupOf(first.type) : '\uffff';
  return {
    question: {
      variant: 'type',
      id,
      plugin,
      others: [],
      suggestions,
      clear: clearlyAhead(suggestions),
    },
    group,
    key: plugin.vendor === null ? id : `${seriesKey(plugin)}\n${group}`,
  };
});

function typeQuestions(
  plugins: readonly Plugin[],
  { grounds, answers }: Uncertain,
): TypeQuestion[] {
  const asked: Posed[] = [];
  for (const plugin of plugins) {
    const known = grounds.get(plugin.id);
    if (known && (answers.get(plugin.id)?.types ?? null) === null && isTypeUncertain(known)) {
      asked.push(posed(known, plugin));
    }
  }
  const likeliest = ({ question }: Posed): number => question.suggestions[0]?.probability ?? 0;
  asked.sort(
    (a, b) =>
      compareTexts(a.group, b.group) ||
      likeliest(b) - likeliest(a) ||
      byName(a.question.plugin, b.question.plugin),
  );
  return together(asked.map(({ key, question }) => [key, question]));
}

/** A group is left out where one of its types is about as likely: the narrower answer says both. */
const withoutObvious = (suggestions: readonly Suggestion[]): Suggestion[] =>
  suggestions.filter(
    (one) =>
      one.type.includes('/') ||
      !suggestions.some(
        (other) =>
          other.type.startsWith(`${one.type}/`) && other.probability * 1.25 > one.probability,
      ),
  );

/**
 * How likely the best answer has to be, and how much likelier than that of any other group, to be
 * settled unseen.
 */
const clearAt = 0.5;
const aheadBy = 2.5;

/** The best answer where it is clearly ahead of the others. */
function clearlyAhead(suggestions: readonly Suggestion[]): string[] {
  const best = suggestions[0];
  const rival = suggestions.find((other) => best && groupOf(other.type) !== groupOf(best.type));
  if (
    !best ||
    best.probability < clearAt ||
    (rival && rival.probability * aheadBy > best.probability)
  ) {
    return [];
  }
  return [best.type];
}

const byName = (a: Plugin, b: Plugin): number =>
  compareNames(a.name, b.name) || (a.id < b.id ? -1 : 1);

/**
 * Something speaks for each of two kinds, and it matters which: whether it is an effect or a tool
 * changes nothing where it stands in a track, and its type says it. Where nothing speaks at all, the
 * question of what it does says it too.
 */
export function isKindUncertain({
  kinds,
  kindReasons,
}: Pick<PluginEvidence, 'kinds' | 'kindReasons'>): boolean {
  return (
    likelyUse(kinds).most < askKindBelow &&
    new Set(kindReasons.map((reason) => reason.kind)).size > 1
  );
}

function kindQuestions(
  plugins: readonly Plugin[],
  { grounds, answers }: Uncertain,
): KindQuestion[] {
  const asked = plugins
    .flatMap((plugin): KindQuestion[] => {
      const known = grounds.get(plugin.id);
      const said = answers.get(plugin.id);
      // What it does will tell the kind as well.
      if (
        !known ||
        isTypeUncertain(known) ||
        !isKindUncertain(known) ||
        (said && (said.kind !== null || said.types !== null))
      ) {
        return [];
      }
      return [
        {
          variant: 'kind',
          id: `kind ${plugin.id}`,
          plugin,
          others: [],
          kinds: known.kinds,
          reasons: known.kindReasons,
        },
      ];
    })
    .sort((a, b) => byName(a.plugin, b.plugin));
  const keyOf = ({ plugin, kinds: [first] }: KindQuestion): string =>
    plugin.vendor === null ? plugin.id : `${seriesKey(plugin)}\n${first?.kind ?? ''}`;
  return together(asked.map((question) => [keyOf(question), question]));
}

function twinQuestions(
  byId: ReadonlyMap<string, Plugin>,
  { doubts, pinned }: Uncertain,
): TwinQuestion[] {
  const isPinned = (plugin: Plugin): boolean => plugin.copies.some((copy) => pinned.has(copy.id));
  const pairs = doubts.flatMap(({ a, b, reasons }) => {
    const plugin = byId.get(a);
    const other = byId.get(b);
    return plugin && other && !(isPinned(plugin) && isPinned(other))
      ? [{ plugins: [plugin, other], reasons }]
      : [];
  });
  return joinedPairs(pairs)
    .flatMap(({ plugins, reasons }): TwinQuestion[] => {
      const [plugin, ...others] = [...plugins].sort(byName);
      const ids = plugins.map(({ id }) => id).join(' ');
      return plugin ? [{ variant: 'twin', id: `twin ${ids}`, plugin, others, reasons }] : [];
    })
    .sort((x, y) => byName(x.plugin, y.plugin));
}

interface Pair {
  readonly plugins: readonly Plugin[];
  readonly reasons: readonly Reason[];
}

/** Pairs that have a plugin in common are one question, with the reasons of the first. */
function joinedPairs(pairs: readonly Pair[]): Pair[] {
  let joined: Pair[] = [];
  for (const pair of pairs) {
    const touches = ({ plugins }: Pair): boolean =>
      plugins.some((plugin) => pair.plugins.includes(plugin));
    const touched = joined.filter(touches);
    const plugins = [...new Set([...touched, pair].flatMap((one) => one.plugins))];
    const { reasons } = touched[0] ?? pair;
    joined = [...joined.filter((one) => !touches(one)), { plugins, reasons }];
  }
  return joined;
}

function vendorQuestions(plugins: readonly Plugin[], uncertain: Uncertain): VendorQuestion[] {
  const { vendors, near, decided, answers } = uncertain;
  const byName2 = new Map(vendors.map((vendor) => [vendor.name, vendor]));
  const guess = createGuess(uncertain);
  const isDecided = (vendor: Vendor): boolean =>
    vendor.spellings.every(({ spelling }) => decided.has(spelling));
  const pairs = near.flatMap(({ a, b, reason }): VendorQuestion[] => {
    const one = byName2.get(a);
    const other = byName2.get(b);
    return one && other && !(isDecided(one) && isDecided(other))
      ? [
          {
            variant: 'vendor',
            id: `vendor ${a} ${b}`,
            plugin: null,
            others: [],
            guesses: [],
            near: { a: one, b: other, reason },
          },
        ]
      : [];
  });
  const nameless = plugins
    .filter((plugin) => plugin.vendor === null && (answers.get(plugin.id)?.vendor ?? null) === null)
    .sort(byName);
  const asked = nameless.map((plugin) => {
    const guesses = guess(plugin);
    const [first] = guesses;
    const key = first ? `${first.vendor}\n${first.reason}` : directoryOf(plugin);
    const id = `vendor ${plugin.id}`;
    return [
      key,
      { variant: 'vendor' as const, id, plugin, others: [], guesses, near: null },
    ] as const;
  });
  return [...pairs, ...together(asked)];
}

/** Where its first copy lies. */
const directoryOf = ({ copies: [first] }: Plugin): string =>
  first?.path.replace(/[\\/][^\\/]*$/, '') ?? '';

/** The words of a plugin's name by which others may be told to be of the same vendor; worked out once. */
const tellingWords = memoizeByObject(({ name }: Plugin): readonly string[] =>
  wordsOf(name).filter(isTelling),
);

/** More directories than plugins usually lie in. */
const mostDirectories = 10_000;

/** Whose a plugin may be: the directory it lies in, or others that share a word of its name. */
function createGuess({ vendors, plugins }: Uncertain): (plugin: Plugin) => VendorGuess[] {
  const byKey = new Map(vendors.map((vendor) => [foldVendor(vendor.name), vendor.name]));
  const byWord = lazy(() => {
    const words = new Map<string, Set<string>>();
    for (const plugin of plugins) {
      if (plugin.vendor !== null) {
        for (const word of tellingWords(plugin)) {
          words.set(word, (words.get(word) ?? new Set()).add(plugin.vendor));
        }
      }
    }
    return words;
  });
  // Many lie in the same directories.
  const called = new Map<string, string | null>();
  const vendorCalled = (directory: string): string | null =>
    memoizeIn(called, mostDirectories, directory, () => byKey.get(foldVendor(directory)) ?? null);
  return (plugin) => {
    const guesses = new Map<string, string>();
    for (const copy of plugin.copies) {
      for (const directory of copy.path.split(/[\\/]/).slice(0, -1).reverse()) {
        const vendor = vendorCalled(directory);
        if (vendor !== null && !guesses.has(vendor)) {
          guesses.set(vendor, `it lies in a directory called “${directory}”`);
        }
      }
    }
    for (const word of tellingWords(plugin)) {
      for (const vendor of byWord().get(word) ?? []) {
        if (!guesses.has(vendor)) {
          guesses.set(vendor, `another of theirs is called “${word}” as well`);
        }
      }
    }
    return [...guesses].slice(0, 4).map(([vendor, reason]) => ({ vendor, reason }));
  };
}

/**
 * Words by which a name says that not all of the plugin can be used (common practice, no published
 * source).
 */
const trialWords = ['trial', 'demo', 'evaluation', 'unlicensed', 'expired'];
const anyTrialWord = new RegExp(trialWords.join('|'), 'i');

/** Most names hold none and are plain, and so need not be taken apart. */
const trialWordIn = (text: string): string | undefined =>
  isPlain(text) && !anyTrialWord.test(text)
    ? undefined
    : wordsOf(text).find((word) => trialWords.includes(word));

/** Why it may be that a plugin cannot be used. */
type LicenceHint = Pick<LicenceQuestion, 'likely' | 'hint'>;

/** Why it may be that a plugin cannot be used; null when nothing says so. Worked out once. */
export const licenceHint = memoizeByObject((plugin: Plugin): LicenceHint | null => {
  let word = trialWordIn(plugin.name);
  for (const { path } of plugin.copies) {
    word ??= trialWordIn(fold(fileNameOf(path)));
  }
  if (word !== undefined) {
    return { likely: 'trial', hint: `“${word}” in its name` };
  }
  const there = plugin.copies.filter((copy) => copy.state === 'present');
  return there.length > 0 && there.every((copy) => copy.is32Bit)
    ? {
        likely: 'hidden',
        hint: 'its only copies are for 32 bit, which a 64-bit host does not take',
      }
    : null;
});

function licenceQuestions(plugins: readonly Plugin[], { answers }: Uncertain): LicenceQuestion[] {
  const asked = plugins
    .flatMap((plugin): LicenceQuestion[] => {
      const said = answers.get(plugin.id);
      const hint = said && said.licence !== null ? null : licenceHint(plugin);
      return hint === null
        ? []
        : [{ variant: 'licence', id: `licence ${plugin.id}`, plugin, others: [], ...hint }];
    })
    .sort((a, b) => byName(a.plugin, b.plugin));
  return together(
    asked.map((question) => [
      question.likely === 'hidden' ? question.likely : question.id,
      question,
    ]),
  );
}
