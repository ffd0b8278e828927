/**
 * What the letters find for a slot: in a folder, in the cabinet, in all that can be loaded, or
 * among the rest.
 */
import type { Plugin } from '../catalog/plugin.ts';
import type { Folder } from '../order/records.ts';
import { isName, type Entry, type FoundText } from '../search/entry.ts';
import { lazy } from '../memoize.ts';
import type { Finder, Found, Hit } from '../search/finder.ts';
import { wordsOf } from '../text/fold.ts';
import type { Habits } from '../search/habits.ts';
import type { Forgotten } from './forgotten.ts';
import { hiddenFromLoading } from './loadability.ts';

/** Where is looked, in the order in which one goes on looking. */
export const slotScopes = ['cabinet', 'all', 'rest'] as const;
/** `forgot` stands for what is well thought of and was not loaded for long; it is reached by its own key. */
export type SlotScope = (typeof slotScopes)[number] | 'forgot';

/** Why each plugin cannot be loaded into the slot, by its id; null where it can. */
export type SlotReasons = ReadonlyMap<string, string | null>;

/** How many plugins there are in each scope. */
export type ScopeCounts = Readonly<Record<(typeof slotScopes)[number], number>>;

interface HasId {
  has(id: string): boolean;
}

/** Counts plugins by scope; `filed` knows those that are in a folder of the cabinet. */
export function countScopes(reasons: SlotReasons, filed: HasId): ScopeCounts {
  const counts = { cabinet: 0, all: 0, rest: 0 };
  for (const [id, reason] of reasons) {
    if (reason !== null) {
      counts.rest += 1;
      continue;
    }
    counts.all += 1;
    counts.cabinet += filed.has(id) ? 1 : 0;
  }
  return counts;
}

/** A cabinet that holds nothing for a slot would show nothing: then all is looked in. */
export const scopeFor = (wanted: SlotScope, counts: ScopeCounts): SlotScope =>
  wanted === 'cabinet' && counts.cabinet === 0 ? 'all' : wanted;

/** A folder that is offered for a slot. */
export interface SlotFolder {
  readonly folder: Folder;
  /** How many of its plugins can be loaded here, and how many more of those in folders below it. */
  readonly count: number;
  readonly countBelow: number;
  /** 0 at the top of the cabinet. */
  readonly depth: number;
  /** The name of the divider above it, where it is the first that is offered below that one. */
  readonly divider: string | null;
}

/** Folders with what is in them, and the folders below each, by id. */
export interface FoldersOfSlot {
  readonly below: ReadonlyMap<string, readonly Folder[]>;
  readonly members: ReadonlyMap<string, readonly string[]>;
}

/** Plugins of a folder and of all below it that can be loaded into the slot, each once, its own first. */
export function loadableWithin(
  folder: string,
  folders: FoldersOfSlot,
  reasons: SlotReasons,
): string[] {
  const lower = folders.below.get(folder) ?? [];
  return [
    ...new Set([
      ...loadableIn(folders.members.get(folder) ?? [], reasons),
      ...lower.flatMap(({ id }) => loadableWithin(id, folders, reasons)),
    ]),
  ];
}

/**
 * Folders that hold something for the slot, themselves or below: those at the top, and below the
 * chosen one and the folders that lead to it.
 */
export function slotFolders(
  folders: FoldersOfSlot,
  reasons: SlotReasons,
  cabinet: string,
  chosen: string | null,
): SlotFolder[] {
  const { below, members } = folders;
  const leadsToChosen = (id: string): boolean =>
    id === chosen || (below.get(id) ?? []).some((lower) => leadsToChosen(lower.id));
  const from = (parent: string, depth: number): SlotFolder[] => {
    let divider: string | null = null;
    return (below.get(parent) ?? []).flatMap((folder) => {
      if (folder.form === 'divider') {
        divider = folder.name;
        return [];
      }
      const count = loadableIn(members.get(folder.id) ?? [], reasons).length;
      const countBelow = loadableWithin(folder.id, folders, reasons).length - count;
      if (count + countBelow === 0) {
        return [];
      }
      const offered = { folder, count, countBelow, depth, divider };
      divider = null;
      return [offered, ...(leadsToChosen(folder.id) ? from(folder.id, depth + 1) : [])];
    });
  };
  return from(cabinet, 0);
}

/** Those of the plugins that can be loaded into the slot. */
const loadableIn = <I extends string>(ids: readonly I[], reasons: SlotReasons): I[] =>
  ids.filter((id) => reasons.get(id) === null);

/** What a search of a slot looks at. */
export interface SlotContents {
  readonly finder: Finder;
  readonly reasons: SlotReasons;
  /** Knows what is filed in the cabinet. */
  readonly filed: HasId;
  readonly counts: ScopeCounts;
  readonly scope: SlotScope;
  /** What the chosen folder holds for the slot, in its order; null without one. */
  readonly inFolder: readonly string[] | null;
  /** The forgotten ones, where they are looked at. */
  readonly forgotten: ReadonlyMap<string, Forgotten> | null;
  /** A few saved settings that letters mean and that can be loaded. */
  readonly settings: (typed: string) => readonly Plugin[];
}

/**
 * The parts of one list, in this order: what stands where one looks; of that, what is of unknown
 * kind; what stands elsewhere and can be loaded; saved settings; what cannot be loaded here.
 */
export const slotParts = ['here', 'unknown', 'elsewhere', 'settings', 'barred'] as const;
/** One of the parts. */
export type SlotPart = (typeof slotParts)[number];

/** A hit with the part of the list in which it stands. */
export interface SlotHit extends Hit {
  readonly part: SlotPart;
}

/** What the letters found. */
export interface SlotResult {
  readonly hits: readonly SlotHit[];
  /** How many were found where one looked, among how many that were looked at. */
  readonly found: number;
  readonly among: number;
  /** How many were found in each part; more than are shown. */
  readonly counts: Readonly<Record<SlotPart, number>>;
}

/** Rows shown; the rest is counted. Of a folder more, since it is walked and not searched. */
export const slotRows = 12;
const shownOfFolder = 60;
/** So many rows a later part has at least, however much stands before it. */
const leastOfPart = 3;

/** A prepared search of one slot. */
export interface SlotSearch {
  readonly find: (typed: string, habits: Habits) => SlotResult;
  /** The fewest letters for which a plugin stands first where is looked; null when none do. */
  readonly fewestLetters: (plugin: string, habits: Habits) => string | null;
}

/** The parts that the finder fills, by their numbers there. */
const foundParts = ['here', 'unknown', 'elsewhere', 'barred'] as const;
type FoundPart = (typeof foundParts)[number];
const noneInParts: Readonly<Record<SlotPart, number>> = {
  here: 0,
  unknown: 0,
  elsewhere: 0,
  settings: 0,
  barred: 0,
};

/** Prepares the search of one slot; each letter then asks it. */
export function createSlotSearch(contents: SlotContents): SlotSearch {
  const { finder, inFolder, forgotten, scope, counts, settings } = contents;
  const partAt = partsOf(contents);
  const listed = listOf(contents);
  const size = inFolder?.length ?? forgotten?.size ?? (scope === 'forgot' ? 0 : counts[scope]);
  const last = (text: string): number => (text === '' ? 1 : foundParts.length - 1);
  return {
    find: (typed, habits) => {
      const text = typed.trim();
      if (text === '' && listed) {
        return listed;
      }
      const found = finder.findParts(text, habits, slotRows, foundParts.length, (_, at) => {
        const part = partAt()[at] as number;
        return part <= last(text) ? part : -1;
      });
      const part = (name: FoundPart): Found => found[foundParts.indexOf(name)] as Found;
      const meant = meantBy(text, part('here').hits[0], contents, partAt);
      const hitsOf = (name: FoundPart): readonly Hit[] =>
        part(name).hits.filter(({ plugin }) => plugin !== meant?.hit.plugin);
      const here = meant ? [meant.hit, ...hitsOf('here')] : hitsOf('here');
      const countOf = (name: FoundPart): number => part(name).count - Number(meant?.part === name);
      const inParts: Record<FoundPart, number> = {
        here: countOf('here') + Number(meant !== null),
        unknown: countOf('unknown'),
        elsewhere: countOf('elsewhere'),
        barred: countOf('barred'),
      };
      const saved = settings(text).filter(({ id }) => finder.placeOf(id) < 0);
      return {
        hits: rowsOf([
          ['here', here],
          ['unknown', hitsOf('unknown')],
          ['elsewhere', hitsOf('elsewhere')],
          ['settings', saved.map((plugin) => ({ plugin, score: 0, because: '' }))],
          ['barred', hitsOf('barred')],
        ]),
        found: inParts.here + inParts.unknown,
        among: size,
        counts: { ...inParts, settings: saved.length },
      };
    },
    fewestLetters: (plugin, habits) =>
      finder.fewestLetters(plugin, habits, (_, at) => partAt()[at] === 0),
  };
}

/**
 * As many rows as are shown: each part has its least, what cannot be loaded only what is left, and the
 * first parts the rest.
 */
function rowsOf(parts: readonly (readonly [SlotPart, readonly Hit[]])[]): SlotHit[] {
  const leastOf = ([part, hits]: readonly [SlotPart, readonly Hit[]]): number =>
    part === 'barred' ? 0 : Math.min(hits.length, leastOfPart);
  let left = slotRows;
  return parts.flatMap(([part, hits], at) => {
    const forLater = parts.slice(at + 1).reduce((sum, later) => sum + leastOf(later), 0);
    const rows = Math.min(hits.length, Math.max(leastOf([part, hits]), left - forLater));
    left -= rows;
    return hits.slice(0, rows).map((hit): SlotHit => ({ ...hit, part }));
  });
}

/** What was meant, and the part in which it stands else. */
interface Meant {
  readonly hit: Hit;
  readonly part: FoundPart | undefined;
}

/**
 * The plugin that is called exactly so, or the one whose initials were typed where nothing begins so,
 * though it stands elsewhere or cannot be loaded: it is what was meant, and stands in front.
 */
function meantBy(
  typed: string,
  first: Hit | undefined,
  { finder, scope }: SlotContents,
  partAt: () => Int8Array,
): Meant | null {
  const letters = wordsOf(typed).join('');
  if (scope === 'rest' || scope === 'forgot' || letters.length < 2) {
    return null;
  }
  const { entries } = finder;
  const partOf = (at: number): FoundPart | undefined => foundParts[partAt()[at] as number];
  const isElsewhere = (at: number): boolean => partOf(at) !== 'here';
  const called = finder.calledSo(letters);
  const firstEntry =
    called.initials.length > 0 && first ? entries[finder.placeOf(first.plugin.id)] : undefined;
  const initials = firstEntry && beginsSo(firstEntry, letters) ? [] : called.initials;
  const exact = called.whole.every(isElsewhere) ? called.whole : [];
  const at = [...exact, ...initials].find(isElsewhere);
  const entry = at === undefined ? undefined : entries[at];
  if (at === undefined || !entry) {
    return null;
  }
  const part = partOf(at);
  const because = part === 'elsewhere' ? 'called so, and outside of where you look' : 'called so';
  return { hit: { plugin: entry.plugin, because, score: first?.score ?? 1 }, part };
}

const namesOf = ({ texts }: Entry): FoundText[] => texts.filter(({ what }) => isName(what));

const beginsSo = (entry: Entry, letters: string): boolean =>
  namesOf(entry).some(
    ({ joined, initials, words }) =>
      joined.startsWith(letters) ||
      initials === letters ||
      words.some((word) => word.startsWith(letters)),
  );

/**
 * What stands there before a letter is typed, where that is a list: the forgotten ones, or a folder
 * in its order.
 */
function listOf({ finder, inFolder, forgotten }: SlotContents): SlotResult | null {
  const listed = (hits: readonly Hit[], most: number): SlotResult => ({
    hits: hits.slice(0, most).map((hit) => ({ ...hit, part: 'here' })),
    found: hits.length,
    among: hits.length,
    counts: { ...noneInParts, here: hits.length },
  });
  if (forgotten) {
    const hits = [...forgotten.values()].map(
      ({ plugin, because }): Hit => ({ plugin, because, score: 0 }),
    );
    return listed(hits, slotRows);
  }
  if (!inFolder) {
    return null;
  }
  const byId = new Map(finder.entries.map(({ plugin }) => [plugin.id as string, plugin]));
  const hits = inFolder.flatMap((id): Hit[] => {
    const plugin = byId.get(id);
    return plugin ? [{ plugin, score: 0, because: '' }] : [];
  });
  return listed(hits, shownOfFolder);
}

/** The part of each entry of the finder, by its position; -1 where it is not looked at. */
function partsOf({
  finder,
  reasons,
  filed,
  scope,
  inFolder,
  forgotten,
}: SlotContents): () => Int8Array {
  const isInside = new Set(inFolder);
  const isHere = (id: string): boolean => {
    if (inFolder) {
      return isInside.has(id);
    }
    return scope === 'all' || filed.has(id);
  };
  const partOf = ({ id, kind }: Plugin): FoundPart | null => {
    const isBarred = reasons.get(id) !== null;
    if (scope === 'rest') {
      return isBarred ? 'here' : null;
    }
    if (scope === 'forgot') {
      return forgotten?.has(id) ? 'here' : null;
    }
    if (isBarred) {
      return reasons.get(id) === hiddenFromLoading ? null : 'barred';
    }
    if (!isHere(id)) {
      return 'elsewhere';
    }
    return kind === 'unknown' ? 'unknown' : 'here';
  };
  return lazy(() =>
    Int8Array.from(finder.entries, ({ plugin }) => {
      const part = partOf(plugin);
      return part === null ? -1 : foundParts.indexOf(part);
    }),
  );
}
