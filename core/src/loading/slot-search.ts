/**
 * What the letters find for a slot: in a folder, in the cabinet, in all that can be loaded, or
 * among the rest.
 */
import type { Plugin } from '../catalog/plugin.ts';
import type { Folder } from '../order/records.ts';
import { isName, type Entry, type FoundText } from '../search/entry.ts';
import type { Finder, Found, Hit } from '../search/finder.ts';
import { wordsOf } from '../text/fold.ts';
import type { Habits } from '../search/habits.ts';
import type { Forgotten } from './forgotten.ts';

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
}

/** What the letters found. */
export interface SlotResult {
  readonly hits: readonly Hit[];
  /** How many were found, among how many that were looked at. */
  readonly found: number;
  readonly among: number;
  /** Nothing was where one looked, so all was looked in. */
  readonly isWidened: boolean;
}

/** Rows shown; the rest is counted. Of a folder more, since it is walked and not searched. */
export const slotRows = 9;
const shownOfFolder = 60;

/** A prepared search of one slot. */
export interface SlotSearch {
  readonly find: (typed: string, habits: Habits) => SlotResult;
  /** The fewest letters for which a plugin stands first where is looked; null when none do. */
  readonly fewestLetters: (plugin: string, habits: Habits) => string | null;
}

type Place = SlotScope | 'folder';

/** Prepares the search of one slot; each letter then asks it. */
export function createSlotSearch(contents: SlotContents): SlotSearch {
  const { finder, inFolder, forgotten, scope, counts } = contents;
  const allowedIn = allowing(contents);
  const place: Place = inFolder && scope !== 'forgot' && scope !== 'rest' ? 'folder' : scope;
  const listed = listOf(contents);
  const size = inFolder?.length ?? forgotten?.size ?? (scope === 'forgot' ? 0 : counts[scope]);
  const withElsewhere = elsewhere(contents, place, allowedIn(place));
  const withRest = elsewhere(contents, 'all', allowedIn('all'));
  return {
    find: (typed, habits) => {
      const text = typed.trim();
      if (text === '' && listed) {
        return { ...listed, found: listed.among, isWidened: false };
      }
      const here = finder.find(text, habits, slotRows, allowedIn(place));
      const mayWiden = text !== '' && (scope === 'cabinet' || inFolder !== null);
      if (here.count === 0 && mayWiden) {
        const wide = finder.find(text, habits, slotRows, allowedIn('all'));
        if (wide.count > 0) {
          const { hits, count } = withRest(text, wide);
          return { hits, found: count, among: counts.all, isWidened: true };
        }
      }
      const { hits, count } = withElsewhere(text, here);
      return { hits, found: count, among: size, isWidened: false };
    },
    fewestLetters: (plugin, habits) => finder.fewestLetters(plugin, habits, allowedIn(place)),
  };
}

type Allows = (plugin: Plugin, at: number) => boolean;

/**
 * Puts the plugin that is called exactly so in front, or the one whose initials were typed where
 * nothing begins so, though it stands elsewhere or cannot be loaded: it is what was meant.
 */
function elsewhere(
  { finder, reasons }: SlotContents,
  place: Place,
  isHere: Allows,
): (typed: string, here: Found) => Found {
  if (place === 'rest' || place === 'forgot') {
    return (_, here) => here;
  }
  const { entries } = finder;
  const isAt = (at: number): boolean => {
    const entry = entries[at];
    return entry !== undefined && isHere(entry.plugin, at);
  };
  return (typed, here) => {
    const letters = wordsOf(typed).join('');
    if (letters.length < 2) {
      return here;
    }
    const called = finder.calledSo(letters);
    const first = called.initials.length === 0 ? undefined : here.hits[0]?.plugin;
    const firstEntry = first && entries.find(({ plugin }) => plugin === first);
    const initials = firstEntry && beginsSo(firstEntry, letters) ? [] : called.initials;
    const exact = called.whole.some(isAt) ? [] : called.whole;
    const meantAt = [...exact, ...initials].find((at) => !isAt(at));
    const meant = meantAt === undefined ? undefined : entries[meantAt];
    if (!meant) {
      return here;
    }
    const { plugin } = meant;
    const isLoadable = reasons.get(plugin.id) === null;
    const because = isLoadable ? 'called so, and outside of where you look' : 'called so';
    const hit: Hit = { plugin, because, score: here.hits[0]?.score ?? 1 };
    return { hits: [hit, ...here.hits].slice(0, slotRows), count: here.count + 1 };
  };
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
function listOf({
  finder,
  inFolder,
  forgotten,
}: SlotContents): Pick<SlotResult, 'hits' | 'among'> | null {
  if (forgotten) {
    const hits = [...forgotten.values()].map(
      ({ plugin, because }): Hit => ({ plugin, because, score: 0 }),
    );
    return { hits: hits.slice(0, slotRows), among: hits.length };
  }
  if (!inFolder) {
    return null;
  }
  const byId = new Map(finder.entries.map(({ plugin }) => [plugin.id as string, plugin]));
  const hits = inFolder.flatMap((id): Hit[] => {
    const plugin = byId.get(id);
    return plugin ? [{ plugin, score: 0, because: '' }] : [];
  });
  return { hits: hits.slice(0, shownOfFolder), among: hits.length };
}

/**
 * Which entries of the finder are looked at: told by their positions, since each letter asks it of
 * thousands.
 */
function allowing({
  finder,
  reasons,
  filed,
  inFolder,
  forgotten,
}: SlotContents): (place: Place) => (plugin: Plugin, at: number) => boolean {
  const isInside = new Set(inFolder);
  const isIn: Readonly<Record<Place, (id: string) => boolean>> = {
    forgot: (id) => forgotten?.has(id) ?? false,
    rest: (id) => reasons.get(id) !== null,
    folder: (id) => isInside.has(id),
    all: (id) => reasons.get(id) === null,
    cabinet: (id) => reasons.get(id) === null && filed.has(id),
  };
  const marksByPlace = new Map<Place, Uint8Array>();
  return (place) => {
    const marks =
      marksByPlace.get(place) ??
      Uint8Array.from(finder.entries, ({ plugin }) => Number(isIn[place](plugin.id)));
    marksByPlace.set(place, marks);
    return (_, at) => marks[at] === 1;
  };
}
