/** The catalog prepared for finding, made anew only of what changed. */
import { useEffect, useMemo, useState } from 'react';
import {
  createSettingFinder,
  entryOf,
  findableSetting,
  Finder,
  type Entry,
  type FindableThing,
  type GivenNames,
  type Plugin,
  type SettingFinder,
} from '@clever-drawer/core';
import { inIdleMoments } from '../ui/idle.ts';
import { useArrangement, useCatalog } from './contexts.ts';

/** Letters wait for no more settings than these to be taken apart. */
const atOnce = 3_000;

interface Prepared {
  readonly entry: Entry;
  readonly key: string;
}
const prepared = new WeakMap<Plugin, Prepared>();

function prepare(plugin: Plugin, calling: GivenNames): Entry {
  const key = JSON.stringify([calling.nickname, calling.slotLabel, ...calling.tags]);
  const known = prepared.get(plugin);
  if (known?.key === key) {
    return known.entry;
  }
  const entry = entryOf(plugin, calling);
  prepared.set(plugin, { entry, key });
  return entry;
}

/** Finds plugins and kept settings by letters; what is likely is known before any was taken apart. */
export function useFinder(): Finder {
  const { plugins, keptSettings, answers } = useCatalog();
  const { arrangement } = useArrangement();
  const { namings } = arrangement;
  const finder = useMemo(
    () =>
      new Finder(
        [...plugins, ...keptSettings].map((plugin) => {
          const naming = namings.get(plugin.id);
          return prepare(plugin, {
            nickname: naming?.nickname ?? null,
            slotLabel: naming?.slotLabel ?? null,
            tags: answers.get(plugin.id)?.tags ?? [],
          });
        }),
      ),
    [plugins, keptSettings, answers, namings],
  );
  // The first letters need not wait for all of it.
  useEffect(() => inIdleMoments(() => finder.prepare()), [finder]);
  return finder;
}

/**
 * All saved settings, to be found by letters: taken apart ahead of these, or with the first. Null
 * while many are being prepared.
 */
export function useSettingFinder(): SettingFinder<FindableThing> | null {
  const { settings } = useCatalog();
  const { arrangement } = useArrangement();
  const { namings } = arrangement;
  const finder = useMemo(
    () =>
      createSettingFinder(
        settings.map((thing) => findableSetting(thing, namings.get(thing.id)?.nickname ?? null)),
      ),
    [settings, namings],
  );
  const isSmall = settings.length <= atOnce;
  const [ready, setReady] = useState<typeof finder | null>(null);
  useEffect(
    () =>
      inIdleMoments(() => {
        const isMore = finder.prepare();
        if (!isMore && !isSmall) {
          setReady(finder);
        }
        return isMore;
      }),
    [finder, isSmall],
  );
  return isSmall || ready === finder ? finder : null;
}
