/**
 * The whole catalog sorted: copies into plugins, spellings into vendors, plugins into types. The
 * same copies and answers give the same outcome.
 */
import type { AnswerFacts } from '../catalog/answer.ts';
import { groupCopies, type Doubt, type Grouped } from './group.ts';
import {
  foldVendor,
  gatherVendors,
  vendorNames,
  type SpellingDecisions,
  type Vendor,
} from './gather-vendors.ts';
import type { Kind } from '../catalog/kind.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import { fold } from '../text/fold.ts';
import {
  classify,
  clearTypes,
  likelyUse,
  type Classified,
  type KindReason,
  type Reason,
  type Suggestion,
} from './classify.ts';
import { readDeclared } from '../taxonomy/declared.ts';
import { isGenericWord } from './generic-words.ts';
import { gatherPrefixes } from './maker-prefix.ts';
import { inOrder, nameOfCopies, subjectOf } from './plugin-facts.ts';
import { gatherSeries, type InSeries } from './series.ts';
import { kindOfType } from '../taxonomy/tree.ts';

/** A copy of the catalog. */
export interface CopyToIdentify {
  readonly id: string;
  readonly facts: FoundCopy;
  readonly isPresent: boolean;
  /** The plugin it belongs to now. */
  readonly plugin: string | null;
}

/** What the user decided, and what would be lost if a plugin went. */
export interface Decisions {
  /** Plugin by copy, and the one it came from. */
  readonly assignments: ReadonlyMap<string, { readonly plugin: string; readonly before: string }>;
  readonly spellings: SpellingDecisions;
  /** By plugin. */
  readonly answers: ReadonlyMap<string, AnswerFacts>;
  /**
   * Plugins of which something was made: filed, named, answered, loaded. They keep their copies and
   * never go into another by themselves.
   */
  readonly used: ReadonlySet<string>;
}

/** What speaks for how a plugin came out. */
export interface PluginEvidence {
  readonly kinds: Classified['kinds'];
  readonly kindReasons: readonly KindReason[];
  readonly suggestions: readonly Suggestion[];
  /** Why its copies are one plugin. */
  readonly sameBecause: readonly string[];
}

/** A plugin as its copies and the user make it. */
export interface IdentifiedPlugin {
  readonly id: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly kind: Kind;
  readonly types: readonly string[];
  readonly grounds: PluginEvidence;
}

/** Two plugins that may be one. */
export interface TwinDoubt {
  readonly a: string;
  readonly b: string;
  readonly reasons: readonly Reason[];
}

/** Everything that is worked out of the copies of a computer. */
export interface IdentifiedCatalog {
  readonly plugins: readonly IdentifiedPlugin[];
  /** Plugin of every copy. */
  readonly pluginOf: ReadonlyMap<string, string>;
  readonly doubts: readonly TwinDoubt[];
  readonly vendors: readonly Vendor[];
}

/** A type at least this likely is taken to hold until the user says otherwise; a kind likewise. */
export const sureFrom = 0.7;
/** Suggestions and reasons kept of each plugin. */
const mostSuggestions = 5;
const mostReasons = 5;

/** Works out plugins, vendors, types and doubts of all copies, under what the user decided. */
export function identifyCatalog(
  copies: readonly CopyToIdentify[],
  decisions: Decisions,
  newId: () => string,
): IdentifiedCatalog {
  const { vendors, vendorOf, groups, doubts } = gatherCopies(copies, decisions);
  /** Plugins of which the user has said that some copy is theirs: two of these are two. */
  const decided = new Set([...decisions.assignments.values()].map((b) => b.plugin));
  const ids = giveIds(
    groups.map((group) => ({
      pin: group.pin,
      plugins: group.members.map((at) => copies[at]?.plugin ?? null),
    })),
    newId,
  );
  const pluginAt = new Map(
    groups.flatMap((group, g) => group.members.map((at) => [at, ids[g] ?? ''] as const)),
  );
  const gathered = groups.map((group, g) => {
    const plugin = gatherPlugin(
      ids[g] ?? '',
      group.members.flatMap((at) => copies[at] ?? []),
      decisions.assignments,
    );
    return { ...plugin, vendor: vendorOfAll(plugin.own, vendorOf), sameBecause: group.reasons };
  });
  return {
    vendors,
    plugins: identifyPlugins(gathered, decisions.answers),
    pluginOf: new Map(copies.map((copy, at) => [copy.id, pluginAt.get(at) ?? ''])),
    doubts: doubts
      .map((doubt) => twinDoubt(doubt, pluginAt))
      .filter(({ a, b }) => !(decided.has(a) && decided.has(b))),
  };
}

/** Copies gathered into plugins by their positions, with the vendors that they come from. */
export interface GatheredCopies extends Grouped {
  readonly vendors: readonly Vendor[];
  /** The vendor of a copy, in the spelling that counts; null where nothing tells. */
  readonly vendorOf: (copy: FoundCopy) => string | null;
}

/** Which copies are one plugin. The same copies and decisions give the same outcome. */
export function gatherCopies(
  copies: readonly CopyToIdentify[],
  decisions: Pick<Decisions, 'assignments' | 'spellings' | 'used'>,
): GatheredCopies {
  const vendors = gatherVendors(countSpellings(copies), decisions.spellings);
  const names = vendorNames(vendors);
  const byDirectory = directoryVendors(vendors);
  const vendorOf = ({ vendor, path }: FoundCopy): string | null =>
    vendor === null ? byDirectory(path) : (names.get(vendor) ?? vendor);
  const pinOf = ({ id, plugin }: CopyToIdentify): string | null =>
    decisions.assignments.get(id)?.plugin ??
    (plugin !== null && decisions.used.has(plugin) ? plugin : null);
  const grouping = groupCopies(
    copies.map((copy) => ({
      copy: { ...copy.facts, kind: readDeclared(copy.facts.format, copy.facts.declared).kind },
      vendor: vendorOf(copy.facts),
      pin: pinOf(copy),
      isSaid: decisions.assignments.has(copy.id),
    })),
    isGenericWord,
  );
  return { ...grouping, vendors, vendorOf };
}

/** The vendor of the first copy that names one, else of one that lies in a vendor's directory. */
const vendorOfAll = (
  copies: readonly FoundCopy[],
  vendorOf: (copy: FoundCopy) => string | null,
): string | null => {
  const ordered = inOrder(copies);
  const first =
    ordered.find((copy) => copy.vendor !== null) ?? ordered.find((copy) => vendorOf(copy) !== null);
  return first ? vendorOf(first) : null;
};

/**
 * Many a vendor installs into a directory of its own name, or lets its files' names begin with it
 * ("gorse-plugins-gate"): a copy that names nobody is taken for theirs.
 */
function directoryVendors(vendors: readonly Vendor[]): (path: string) => string | null {
  const byKey = new Map(vendors.map((vendor) => [foldVendor(vendor.name), vendor.name]));
  const byDirectory = new Map<string, string | null>();
  const ofDirectory = (directory: string): string | null => {
    const known = byDirectory.get(directory);
    if (known !== undefined) {
      return known;
    }
    const vendor = vendorAmong(directory.split(/[\\/]/), byKey);
    byDirectory.set(directory, vendor);
    return vendor;
  };
  return (path) => {
    const at = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\'));
    const [maker = '', ...rest] = path.slice(at + 1).split(/[\s_-]+/);
    const byFile =
      rest.length > 0 && !isGenericWord(fold(maker)) ? byKey.get(fold(maker)) : undefined;
    return byFile ?? ofDirectory(path.slice(0, Math.max(0, at)));
  };
}

/** The innermost directory that is called like a vendor. */
function vendorAmong(
  directories: readonly string[],
  byKey: ReadonlyMap<string, string>,
): string | null {
  const vendors = directories
    .filter((directory) => directory.length > 2)
    .flatMap((directory) => byKey.get(foldVendor(directory)) ?? []);
  return vendors.at(-1) ?? null;
}

const twinDoubt = ({ a, b, pieces }: Doubt, pluginAt: ReadonlyMap<number, string>): TwinDoubt => ({
  a: pluginAt.get(a) ?? '',
  b: pluginAt.get(b) ?? '',
  reasons: pieces
    .filter((piece) => piece.says !== 'base')
    .map(({ weight, reason }) => ({ weight, text: reason }))
    .sort((x, y) => Math.abs(y.weight) - Math.abs(x.weight)),
});

function countSpellings(copies: readonly CopyToIdentify[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { facts } of copies) {
    if (facts.vendor !== null) {
      counts.set(facts.vendor, (counts.get(facts.vendor) ?? 0) + 1);
    }
  }
  return counts;
}

/**
 * A group keeps the plugin of its pin, else the one most of its copies have; each plugin goes to
 * the group with most of its copies.
 */
function giveIds(
  groups: readonly { pin: string | null; plugins: readonly (string | null)[] }[],
  newId: () => string,
): string[] {
  const ids = groups.map((group) => group.pin ?? '');
  const taken = new Set(ids);
  const claims = groups.flatMap(({ pin, plugins }, g) => {
    const counts = new Map<string, number>();
    if (pin === null) {
      for (const plugin of plugins) {
        if (plugin !== null) {
          counts.set(plugin, (counts.get(plugin) ?? 0) + 1);
        }
      }
    }
    return [...counts].map(([plugin, count]) => ({ g, plugin, count }));
  });
  for (const { g, plugin } of claims.sort(
    (x, y) => y.count - x.count || (x.plugin < y.plugin ? -1 : 1),
  )) {
    if (ids[g] !== '' || taken.has(plugin)) {
      continue;
    }
    ids[g] = plugin;
    taken.add(plugin);
  }
  return ids.map((id) => (id === '' ? newId() : id));
}

/** A plugin with the copies that count: those that are there, or all when none is. */
export interface GatheredPlugin {
  readonly id: string;
  readonly copies: readonly FoundCopy[];
  /** Those that give it its name: what was joined to it does not. */
  readonly own: readonly FoundCopy[];
  readonly vendor: string | null;
  readonly sameBecause: readonly string[];
}

/** Chooses among the copies of a plugin those that count, and those that give it its name. */
export function gatherPlugin(
  id: string,
  all: readonly CopyToIdentify[],
  assignments: Decisions['assignments'],
): Pick<GatheredPlugin, 'id' | 'copies' | 'own'> {
  const present = all.filter((copy) => copy.isPresent);
  const counting = present.length > 0 ? present : all;
  const copies = counting.map((copy) => copy.facts);
  const own = counting
    .filter((copy) => assignments.get(copy.id)?.before === id)
    .map((copy) => copy.facts);
  return { id, copies, own: own.length > 0 ? own : copies };
}

/** Names and classifies plugins, each with the help of the others of its series. */
export function identifyPlugins(
  gathered: readonly GatheredPlugin[],
  answers: ReadonlyMap<string, AnswerFacts>,
): IdentifiedPlugin[] {
  const named = gathered.map((plugin) => {
    const { name } = nameOfCopies(plugin.own);
    const { vendor } = plugin;
    const said = answers.get(plugin.id);
    const declared = [
      ...new Set(plugin.copies.flatMap((copy) => readDeclared(copy.format, copy.declared).types)),
    ];
    const inSeries: InSeries = {
      name,
      vendor: foldVendor(said?.vendor ?? vendor),
      types: said?.types ?? declared,
      isTaught: said?.types !== undefined && said.types !== null,
    };
    return { ...plugin, name, inSeries };
  });
  const seriesOf = gatherSeries(named.map((plugin) => plugin.inSeries));
  const bareName = gatherPrefixes(named.map((plugin) => plugin.inSeries));
  return named.map(({ id, name, vendor, copies, sameBecause, inSeries }) => {
    const { kinds, kindReasons, suggestions } = classify(
      subjectOf(bareName(inSeries), copies, seriesOf(inSeries)),
    );
    const kept = suggestions.slice(0, mostSuggestions).map((one) => ({
      ...one,
      probability: rounded(one.probability),
      reasons: one.reasons.slice(0, mostReasons).map(roundedReason),
    }));
    return {
      id,
      name,
      vendor,
      kind: kindOfAnswer(answers.get(id)) ?? likelyKind(kinds),
      types: clearTypes({ suggestions }, sureFrom),
      grounds: {
        kinds: kinds.map(({ kind, probability }) => ({ kind, probability: rounded(probability) })),
        kindReasons: kindReasons
          .slice(0, mostReasons)
          .map((one) => ({ ...one, weight: rounded(one.weight) })),
        suggestions: kept,
        sameBecause,
      },
    };
  });
}

/**
 * The kind that is likely enough to hold. Effects and tools stand in the same slots, so that the
 * likelier of them holds where it is one of them.
 */
function likelyKind(kinds: Classified['kinds']): Kind {
  const [first] = kinds;
  return first && likelyUse(kinds).ofFirst >= sureFrom ? first.kind : 'unknown';
}

/** The types somebody said a plugin has tell its kind as well. */
const kindOfAnswer = (said: AnswerFacts | undefined): Kind | null =>
  said?.types?.[0] === undefined ? null : kindOfType(said.types[0]);

const rounded = (x: number): number => Math.round(x * 1000) / 1000;
const roundedReason = ({ weight, text }: Reason): Reason => ({ weight: rounded(weight), text });
