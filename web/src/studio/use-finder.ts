/** The catalog prepared for finding, made anew only of what changed. */
import { useEffect, useMemo, useState } from 'react';
import { entryOf, Finder, type GivenNames, type Entry, type Plugin } from '@clever-drawer/core';
import { useArrangement, useCatalog } from './contexts.ts';

/** Catalogs of more plugins are prepared after the screen was drawn. */
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

/** Null while a large catalog is being prepared for the first time. */
export function useFinder(): Finder | null {
  const { plugins, answers } = useCatalog();
  const { arrangement } = useArrangement();
  const { namings } = arrangement;
  const make = useMemo(
    () => () =>
      new Finder(
        plugins.map((plugin) => {
          const naming = namings.get(plugin.id);
          return prepare(plugin, {
            nickname: naming?.nickname ?? null,
            slotLabel: naming?.slotLabel ?? null,
            tags: answers.get(plugin.id)?.tags ?? [],
          });
        }),
      ),
    [plugins, answers, namings],
  );
  const isSmall = plugins.length <= atOnce;
  const now = useMemo(() => (isSmall ? make() : null), [isSmall, make]);
  const [later, setLater] = useState<Finder | null>(null);
  useEffect(() => {
    if (isSmall) {
      return;
    }
    const timer = setTimeout(() => {
      setLater(make());
    }, 0);
    return () => {
      clearTimeout(timer);
    };
  }, [isSmall, make]);
  return now ?? later;
}
