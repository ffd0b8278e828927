/**
 * The search of a slot over the catalog that is shown; what it finds is worked out in core
 * (loading/slot-search).
 */
import { useCallback, useMemo, useState } from 'react';
import type { TrackView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import {
  countScopes,
  createSlotSearch,
  forgotten,
  isForgotten,
  loadableWithin,
  scopeFor,
  slotFolders,
  slotKindAt,
  whyNotHere,
  type Forgotten,
  type HostSettings,
  type ScopeCounts,
  type SlotFolder,
  type SlotReasons,
  type SlotResult,
  type SlotScope,
  type SlotKind,
} from '@clever-drawer/core/loading';
import { settingsShown } from '@clever-drawer/core/search';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { isAmongFavourites } from '../annotate/filing.ts';
import { useFinder, useSettingFinder } from '../studio/use-finder.ts';
import { useHabits } from './use-habits.ts';

export interface Slot {
  readonly track: TrackView;
  readonly index: number;
  /** The plugin in front of the slot. */
  readonly before: string | null;
  /** The channels that reach the slot. */
  readonly width: number;
  readonly settings: HostSettings;
}

/** Where the user wants to look. */
export interface Wanted {
  readonly scope: SlotScope;
  readonly folder: string | null;
}

export interface Finding extends SlotResult {
  /** Where was looked in truth. */
  readonly scope: SlotScope;
  /** Why a plugin cannot be loaded here; null when it can. */
  readonly whyNot: (plugin: string) => string | null;
  /** The fewest letters for which a plugin stands first where is looked. */
  readonly fewestLetters: (plugin: string) => string | null;
  readonly scopeCounts: ScopeCounts;
  readonly folders: readonly SlotFolder[];
  /** Whether something was forgotten where one looks. */
  readonly hasForgotten: boolean;
  /** How many plugins of a folder, and of those below it, can be loaded here. */
  readonly countIn: (folder: string) => number;
}

export function useFinding(slot: Slot, typed: string, wanted: Wanted): Finding {
  const { track, index, before, settings } = slot;
  const { arrangement, cabinet } = useArrangement();
  const { members, foldersOf, below } = arrangement;
  const finder = useFinder();
  const habits = useHabits(track.sort, before, `${track.id} ${String(index)} ${typed}`);
  const { reasons, whyNotThing } = useReasons(slotKindAt(track.sort, index), settings);
  const settingFinder = useSettingFinder();
  const { folder } = wanted;
  const folders = useMemo(
    () => slotFolders({ below, members }, reasons, cabinet?.id ?? '', folder),
    [below, members, reasons, cabinet?.id, folder],
  );
  const counts = useMemo(() => countScopes(reasons, foldersOf), [reasons, foldersOf]);
  const scope = scopeFor(wanted.scope, counts);
  const inFolder = useMemo(
    () => (folder === null ? null : loadableWithin(folder, { below, members }, reasons)),
    [folder, below, members, reasons],
  );
  const { lost, hasForgotten } = useForgotten(scope === 'forgot', reasons, inFolder);
  const looksAtAll = (scope === 'cabinet' || scope === 'all') && inFolder === null;
  const settingsFor = useCallback(
    (letters: string) =>
      looksAtAll
        ? settingFinder
            .find(letters, settingsShown, ({ thing }) => whyNotThing(thing) === null)
            .map(({ thing }) => thing)
        : [],
    [looksAtAll, settingFinder, whyNotThing],
  );
  const search = useMemo(
    () =>
      createSlotSearch({
        finder,
        reasons,
        filed: foldersOf,
        counts,
        scope,
        inFolder,
        forgotten: lost,
        settings: settingsFor,
      }),
    [finder, reasons, foldersOf, counts, scope, inFolder, lost, settingsFor],
  );
  const result = useMemo(() => search.find(typed, habits), [search, typed, habits]);
  const { pluginById } = useCatalog();
  const whyNot = useCallback(
    (id: string) => {
      const thing = pluginById.get(id);
      return thing?.setting ? whyNotThing(thing) : (reasons.get(id) ?? null);
    },
    [reasons, pluginById, whyNotThing],
  );
  return {
    ...result,
    scope,
    scopeCounts: counts,
    whyNot,
    fewestLetters: (plugin) => search.fewestLetters(plugin, habits),
    folders,
    hasForgotten,
    countIn: (id) => loadableWithin(id, { below, members }, reasons).length,
  };
}

/** Why each plugin cannot be loaded into such a slot; null where it can. Settings are asked one by one. */
function useReasons(
  kind: SlotKind,
  settings: HostSettings,
): {
  readonly reasons: SlotReasons;
  readonly whyNotThing: (thing: Plugin) => string | null;
} {
  const { plugins, filedSettings, pluginById, answers } = useCatalog();
  return useMemo(() => {
    const known = {
      pluginOf: (id: string) => pluginById.get(id),
      saidOf: (id: string) => answers.get(id),
      accepts: settings,
      today: new Date().toISOString().slice(0, 10),
    };
    const whyNotThing = (thing: Plugin): string | null => whyNotHere(thing, kind, known);
    const things = [...plugins, ...filedSettings];
    return {
      reasons: new Map(things.map((thing) => [thing.id as string, whyNotThing(thing)])),
      whyNotThing,
    };
  }, [plugins, filedSettings, pluginById, answers, kind, settings]);
}

interface ForgottenHere {
  /** What was forgotten; null while that is not looked at. */
  readonly lost: ReadonlyMap<string, Forgotten> | null;
  readonly hasForgotten: boolean;
}

/** What was forgotten of all that can be loaded, or of what a folder holds; that something was is always known. */
function useForgotten(
  isWanted: boolean,
  reasons: SlotReasons,
  inFolder: readonly string[] | null,
): ForgottenHere {
  const { plugins, usage } = useCatalog();
  const { arrangement } = useArrangement();
  const { foldersOf } = arrangement;
  const [now] = useState(() => Date.now());
  return useMemo(() => {
    const isInside = inFolder && new Set(inFolder);
    const isHere = ({ id }: Plugin): boolean =>
      reasons.get(id) === null && (isInside?.has(id) ?? true);
    const regardOf = (id: string) => {
      const folders = foldersOf.get(id) ?? [];
      return {
        loads: usage.get(id)?.loads ?? 0,
        lastLoaded: usage.get(id)?.lastLoaded ?? null,
        isFavourite: isAmongFavourites(folders),
        folders: folders.filter((one) => one.form === 'folder').length,
      };
    };
    // The list itself takes long to put together: it is made when it is asked for.
    const list = isWanted ? forgotten(plugins.filter(isHere), regardOf, now) : [];
    return {
      lost: isWanted ? new Map(list.map((one) => [one.plugin.id as string, one])) : null,
      hasForgotten: plugins.some((one) => isHere(one) && isForgotten(regardOf(one.id), now)),
    };
  }, [isWanted, usage, foldersOf, plugins, reasons, inFolder, now]);
}
