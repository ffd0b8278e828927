/** The list of the File screen: what narrows it, how it is lined up, and the rows that are left. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import { isGone, kinds, type Kind } from '@clever-drawer/core/catalog';
import { formats, type Format } from '@clever-drawer/core/formats';
import {
  facets,
  lineUp,
  listsSettings,
  narrow,
  noFilter,
  sortings,
  type FacetFacts,
  type Filter,
  type Row,
  type Sorting,
} from '@clever-drawer/core/search';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { useFinder, useSettingFinder } from '../../studio/use-finder.ts';
import { addressWith, useAddress, type AddressChange } from '../../ui/use-address.ts';
import { useLatest } from '../../ui/use-latest.ts';

export interface List {
  readonly filter: Filter;
  readonly setFilter: (change: Partial<Filter>) => void;
  readonly sorting: Sorting;
  readonly setSorting: (sorting: Sorting) => void;
  readonly rows: readonly Row[];
  /** How many there are in all on this computer; what is gone from it is not counted. */
  readonly total: number;
}

const oneOf = <T extends string>(list: readonly T[], text: string | null): T | null =>
  list.find((item) => item === text) ?? null;

function fromAddress(params: URLSearchParams): { filter: Filter; sorting: Sorting } {
  return {
    filter: {
      kind: oneOf<Kind | 'setting'>([...kinds, 'setting'], params.get('kind')),
      type: params.get('type'),
      vendor: params.get('vendor'),
      format: oneOf<Format>(formats, params.get('format')),
      text: params.get('q') ?? '',
      unfiled: params.has('unfiled'),
      facets: Object.fromEntries(
        facets.flatMap((facet) => {
          const value = params.get(facet);
          return value === null ? [] : [[facet, value]];
        }),
      ),
    },
    sorting: oneOf<Sorting>(sortings, params.get('by')) ?? 'name',
  };
}

/** What stands in the address of what narrows and lines up the list. */
const toAddress = (filter: Filter, sorting: Sorting): AddressChange => ({
  kind: filter.kind,
  type: filter.type,
  vendor: filter.vendor,
  format: filter.format,
  q: filter.text,
  unfiled: filter.unfiled ? 'yes' : null,
  ...Object.fromEntries(facets.map((facet) => [facet, filter.facets[facet] ?? null])),
  by: sorting === 'name' ? null : sorting,
});

/** What of an address narrows and lines up the list, always written in the same way. */
const partOf = (params: URLSearchParams): string => {
  const { filter, sorting } = fromAddress(params);
  return addressWith(new URLSearchParams(), toAddress(filter, sorting)).toString();
};

const withoutLetters = (part: string): string => {
  const rest = new URLSearchParams(part);
  rest.delete('q');
  return rest.toString();
};

/**
 * Going back or forward counts at once: the router draws an address a moment after it was written,
 * and one that was left by then would never be drawn at all.
 */
function useSteppedBack(take: (address: URLSearchParams) => void): void {
  const latest = useLatest(take);
  useEffect(() => {
    const { pathname } = window.location;
    const listen = (): void => {
      if (window.location.pathname === pathname) {
        latest(new URLSearchParams(window.location.search));
      }
    };
    window.addEventListener('popstate', listen);
    return () => {
      window.removeEventListener('popstate', listen);
    };
  }, [latest]);
}

/**
 * The filter stands in the address, so that reload and links keep it; typing reaches the address a
 * moment later.
 * An address that comes back from having been written here is not taken: keys pressed in between
 * would be lost.
 */
function useFilter() {
  const [params, changeAddress] = useAddress();
  const [{ filter, sorting }, setState] = useState(() => fromAddress(params));
  const part = partOf(params);
  const [seen, setSeen] = useState(part);
  const [written, setWritten] = useState<string | null>(null);
  if (seen !== part) {
    setSeen(part);
    setWritten(null);
    if (part !== written) {
      setState(fromAddress(params));
    }
  }
  useSteppedBack((address) => {
    setWritten(null);
    setState(fromAddress(address));
  });
  useEffect(() => {
    const timer = setTimeout(() => {
      const change = toAddress(filter, sorting);
      const wanted = partOf(addressWith(new URLSearchParams(), change));
      if (wanted === part) {
        return;
      }
      setWritten(wanted);
      // Letters change the address in place; every other step can be gone back to.
      changeAddress(change, { replace: withoutLetters(wanted) === withoutLetters(part) });
    }, 250);
    return () => {
      clearTimeout(timer);
    };
  }, [filter, sorting, part, changeAddress]);
  return { filter, sorting, setState };
}

export function useList(): List {
  const { plugins, settings, answers, usage } = useCatalog();
  const { arrangement } = useArrangement();
  const { filter, sorting, setState } = useFilter();
  const { pluginNames, foldersOf } = arrangement;
  const withSettings = listsSettings(filter);
  const allRows = useMemo(
    () =>
      [...plugins, ...(withSettings ? settings : [])].map((plugin) => {
        return { plugin, nickname: pluginNames.get(plugin.id)?.nickname ?? null };
      }),
    [plugins, settings, withSettings, pluginNames],
  );
  const ordered = useMemo(() => lineUp(allRows, sorting, usage), [allRows, sorting, usage]);
  const [now] = useState(() => Date.now());
  const facts = useMemo<FacetFacts>(
    () => ({
      answers,
      usage,
      now,
      isIn: (folder, plugin) => foldersOf.get(plugin)?.some((one) => one.id === folder) ?? false,
    }),
    [answers, usage, now, foldersOf],
  );
  const isFiled = useCallback((id: string) => foldersOf.has(id), [foldersOf]);
  const met = useMet(filter.text, withSettings);
  const rows = useMemo(
    () => narrow(ordered, filter, met, isFiled, facts),
    [ordered, filter, met, isFiled, facts],
  );
  const setFilter = useCallback(
    (change: Partial<Filter>) => {
      setState((s) => ({ ...s, filter: { ...s.filter, ...change } }));
    },
    [setState],
  );
  const total = useMemo(
    () => (filter.kind === 'setting' ? settings : plugins).filter((one) => !isGone(one)).length,
    [filter.kind, settings, plugins],
  );
  return {
    filter,
    sorting,
    rows,
    total,
    setFilter,
    setSorting: (next) => {
      setState((s) => ({ ...s, sorting: next }));
    },
  };
}

/** What the letters meet, as in Load and everywhere else; null without any. */
function useMet(text: string, withSettings: boolean): ReadonlySet<string> | null {
  const finder = useFinder();
  const settingFinder = useSettingFinder();
  return useMemo(() => {
    const plugins = finder.meeting(text);
    return plugins && withSettings
      ? new Set([...plugins, ...settingFinder.all(text).map(({ thing }) => thing.id)])
      : plugins;
  }, [finder, settingFinder, text, withSettings]);
}

export const clearFilter: Partial<Filter> = noFilter;
