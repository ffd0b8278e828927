/** What the letters find for a slot: in a folder, in the cabinet, in all that can be loaded, or among the rest with the reasons. */
import { useMemo, useState } from 'react';
import {
  forgotten,
  slotSortAt,
  whyNotHere,
  type Finder,
  type Folder,
  type Habits,
  type Hit,
  type HostSettings,
  type Plugin,
  type TrackView,
} from '@clever-drawer/core';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { useFinder } from './use-finder.ts';
import { useHabits } from './use-habits.ts';

export const scopes = ['cabinet', 'all', 'rest'] as const;
/** Where is looked: `forgot` is reached by its own key. */
export type Scope = (typeof scopes)[number] | 'forgot';

/** Rows shown; the rest is counted. Of a folder more, since it is walked and not searched. */
const shown = 9;
const shownOfFolder = 60;

export interface Slot {
  readonly track: TrackView;
  readonly index: number;
  readonly settings: HostSettings;
}
export interface Where {
  readonly scope: Scope;
  readonly folder: string | null;
}

export interface Finding {
  readonly hits: readonly Hit[];
  /** How many were found, among how many that were looked at; `widened` when nothing was in the cabinet and all were looked at. */
  readonly found: number;
  readonly among: number;
  readonly isWidened: boolean;
  readonly isReady: boolean;
  /** Where was looked in truth. */
  readonly scope: Scope;
  /** Why a plugin cannot be loaded here; null when it can. */
  readonly whyNot: (plugin: string) => string | null;
  /** The fewest letters for which a plugin stands first where is looked. */
  readonly fewestLetters: (plugin: string) => string | null;
  /** Figures with which some name goes on behind the letters: these are typed and do not load. */
  readonly figures: ReadonlySet<string>;
  readonly counts: Readonly<Record<'cabinet' | 'all' | 'rest', number>>;
  readonly folders: readonly {
    readonly folder: Folder;
    readonly count: number;
    readonly depth: number;
  }[];
  readonly habits: Habits;
}

export function useFinding(
  { track, index, settings }: Slot,
  typed: string,
  { scope: wanted, folder }: Where,
): Finding {
  const { plugins, pluginById, answers, usage } = useCatalog();
  const { arrangement, cabinet } = useArrangement();
  const finder = useFinder();
  const sort = slotSortAt(track.sort, index);
  const before = track.slots[index - 1]?.plugin ?? null;
  const habits = useHabits(track.sort, before);
  const [now] = useState(() => Date.now());
  const reasons = useMemo(() => {
    const today = new Date().toISOString().slice(0, 10);
    const known = {
      pluginOf: (id: string) => pluginById.get(id),
      saidOf: (id: string) => answers.get(id),
      accepts: settings,
      today,
    };
    return new Map(plugins.map((plugin) => [plugin.id as string, whyNotHere(plugin, sort, known)]));
  }, [plugins, pluginById, answers, sort, settings]);
  const { members, foldersOf } = arrangement;
  const folders = useMemo(
    () =>
      labelsOf(
        arrangement.below,
        cabinet?.id ?? '',
        members,
        (id) => reasons.get(id) === null,
        folder,
      ),
    [arrangement.below, cabinet?.id, members, reasons, folder],
  );
  const counts = useMemo(() => {
    const sums = { cabinet: 0, all: 0, rest: 0 };
    for (const [id, reason] of reasons) {
      if (reason !== null) {
        sums.rest += 1;
      } else {
        sums.all += 1;
        if (foldersOf.has(id)) {
          sums.cabinet += 1;
        }
      }
    }
    return sums;
  }, [reasons, foldersOf]);
  // A cabinet that holds nothing for this slot would show nothing: then all is looked in.
  const scope = wanted === 'cabinet' && counts.cabinet === 0 ? 'all' : wanted;
  const held = useMemo(
    () =>
      folder === null ? null : (members.get(folder) ?? []).filter((id) => reasons.get(id) === null),
    [folder, members, reasons],
  );
  const heldSet = useMemo(() => (held === null ? null : new Set<string>(held)), [held]);
  const lost = useMemo(() => {
    if (scope !== 'forgot') {
      return null;
    }
    const regard = (id: string) => {
      const used = usage.get(id);
      const of = foldersOf.get(id) ?? [];
      return {
        loads: used?.loads ?? 0,
        lastLoaded: used?.lastLoaded ?? null,
        isFavourite: of.some((one) => one.form === 'favourites'),
        folders: of.filter((one) => one.form === 'folder').length,
      };
    };
    const list = forgotten(
      plugins.filter(
        (plugin) => reasons.get(plugin.id) === null && (heldSet?.has(plugin.id) ?? true),
      ),
      regard,
      now,
    );
    return new Map(list.map((one) => [one.plugin.id as string, one]));
  }, [scope, usage, foldersOf, plugins, reasons, heldSet, now]);
  const allowed = useMemo(
    () => allowedIn(finder, { lost, heldSet, reasons, foldersOf }),
    [finder, lost, heldSet, reasons, foldersOf],
  );
  const where = heldSet && scope !== 'forgot' && scope !== 'rest' ? 'folder' : scope;
  const result = useMemo(() => {
    const text = typed.trim();
    if (text === '' && lost) {
      const list = [...lost.values()].map(
        ({ plugin, because }): Hit => ({ plugin, because, score: 0 }),
      );
      return {
        hits: list.slice(0, shown),
        found: list.length,
        among: list.length,
        isWidened: false,
      };
    }
    if (!finder) {
      return { hits: [], found: 0, among: 0, isWidened: false };
    }
    if (text === '' && held) {
      const byId = new Map(
        finder.entries.map((entry) => [entry.plugin.id as string, entry.plugin]),
      );
      const list = held.flatMap((id) => {
        const plugin = byId.get(id);
        return plugin ? [{ plugin, score: 0, because: '' }] : [];
      });
      return {
        hits: list.slice(0, shownOfFolder),
        found: list.length,
        among: list.length,
        isWidened: false,
      };
    }
    const size = heldSet?.size ?? lost?.size ?? (scope === 'forgot' ? 0 : counts[scope]);
    const here = finder.find(text, habits, shown, allowed(where));
    const isWidened = here.count === 0 && text !== '' && (scope === 'cabinet' || heldSet !== null);
    const wide = isWidened ? finder.find(text, habits, shown, allowed('all')) : null;
    return wide && wide.count > 0
      ? { hits: wide.hits, found: wide.count, among: counts.all, isWidened: true }
      : { hits: here.hits, found: here.count, among: size, isWidened: false };
  }, [finder, typed, scope, where, lost, held, heldSet, allowed, habits, counts]);
  const figures = useMemo(() => finder?.figuresAfter(typed) ?? new Set<string>(), [finder, typed]);
  return {
    ...result,
    scope,
    isReady: finder !== null,
    whyNot: (plugin) => reasons.get(plugin) ?? null,
    fewestLetters: (plugin) => finder?.fewestLetters(plugin, habits, allowed(where)) ?? null,
    figures,
    counts,
    folders,
    habits,
  };
}

interface Sets {
  readonly lost: ReadonlyMap<string, unknown> | null;
  readonly heldSet: ReadonlySet<string> | null;
  readonly reasons: ReadonlyMap<string, string | null>;
  readonly foldersOf: ReadonlyMap<string, unknown>;
}

/** Which entries of the finder are looked at: told by their positions, since each letter asks it of thousands. */
function allowedIn(
  finder: Finder | null,
  { lost, heldSet, reasons, foldersOf }: Sets,
): (where: Scope | 'folder') => (plugin: Plugin, at: number) => boolean {
  const isIn: Readonly<Record<Scope | 'folder', (id: string) => boolean>> = {
    forgot: (id) => lost?.has(id) ?? false,
    rest: (id) => reasons.get(id) !== null,
    folder: (id) => heldSet?.has(id) ?? false,
    all: (id) => reasons.get(id) === null,
    cabinet: (id) => reasons.get(id) === null && foldersOf.has(id),
  };
  const made = new Map<string, Uint8Array>();
  return (where) => {
    const marks =
      made.get(where) ??
      Uint8Array.from(finder?.entries ?? [], ({ plugin }) => Number(isIn[where](plugin.id)));
    made.set(where, marks);
    return (_, at) => marks[at] === 1;
  };
}

/** Folders that hold something that can be loaded here: those at the top, and below the chosen one and its own parents. */
function labelsOf(
  below: ReadonlyMap<string, readonly Folder[]>,
  cabinet: string,
  members: ReadonlyMap<string, readonly string[]>,
  canLoad: (id: string) => boolean,
  chosen: string | null,
): Finding['folders'] {
  const holds = (id: string): boolean =>
    id === chosen || (below.get(id) ?? []).some((one) => holds(one.id));
  const from = (parent: string, depth: number): Finding['folders'] =>
    (below.get(parent) ?? [])
      .filter((folder) => folder.form !== 'divider')
      .flatMap((folder) => {
        const count = (members.get(folder.id) ?? []).filter(canLoad).length;
        const lower = from(folder.id, depth + 1);
        return [
          ...(count > 0 || lower.length > 0 ? [{ folder, count, depth }] : []),
          ...(holds(folder.id) ? lower : []),
        ];
      });
  return from(cabinet, 0);
}
