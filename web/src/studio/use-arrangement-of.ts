/**
 * The arrangement of the cabinet that is shown. Smart folders are filled with it, and again when
 * time alone changes them.
 */
import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  byPosition,
  createArranger,
  type Cabinet,
  type Order,
  type Plugin,
} from '@clever-drawer/core';
import { remember, remembered } from '../ui/keys.ts';
import type { ArrangementContext, CatalogContext } from './contexts.ts';
import { useById } from './use-by-id.ts';

/** `now` in milliseconds since 1970: when what is shown was fetched. */
export function useArrangementOf(
  computer: string,
  order: Order,
  { plugins, settings, usage }: Pick<CatalogContext, 'plugins' | 'settings' | 'usage'>,
  now: number,
): ArrangementContext {
  const { cabinets, cabinet, chooseCabinet } = useCabinets(order, computer);
  const [arrange] = useState(createArranger);
  const [woken, setWoken] = useState(0);
  const at = Math.max(woken, now);
  const things = useMemo(
    () => (settings.length === 0 ? plugins : [...plugins, ...settings]),
    [plugins, settings],
  );
  const arrangement = useMemo(
    () => arrange(order, things, cabinet?.id ?? null, usage, at),
    [arrange, order, things, cabinet?.id, usage, at],
  );
  useWakeAt(arrangement.rules.expiresAt, setWoken);
  const naming = useCallback((plugin: string) => arrangement.namings.get(plugin), [arrangement]);
  const nameOf = useCallback(
    (plugin: Plugin) => arrangement.namings.get(plugin.id)?.nickname ?? plugin.name,
    [arrangement],
  );
  return useMemo(
    () => ({ cabinet, cabinets, chooseCabinet, arrangement, nameOf, naming }),
    [cabinet, cabinets, chooseCabinet, arrangement, nameOf, naming],
  );
}

/** The cabinet shown last on this computer, else its first. */
function useCabinets(
  order: Order,
  computer: string,
): Pick<ArrangementContext, 'cabinets' | 'cabinet' | 'chooseCabinet'> {
  const [chosen, setChosen] = useState(() => remembered(`cabinet.${computer}`, ''));
  const byId = useById<Cabinet>(order, 'cabinet');
  const cabinets = useMemo(() => [...byId.values()].sort(byPosition), [byId]);
  const chooseCabinet = useCallback(
    (id: string) => {
      remember(`cabinet.${computer}`, id);
      setChosen(id);
    },
    [computer],
  );
  return {
    cabinets,
    chooseCabinet,
    cabinet: cabinets.find((cabinet) => cabinet.id === chosen) ?? cabinets[0],
  };
}

/** The longest a timer of the browser waits. Milliseconds. */
const longestWait = 2_147_483_647;

/** Wakes at the moment at which a rule says something else by itself. */
function useWakeAt(at: number | null, wake: (now: number) => void): void {
  useEffect(() => {
    if (at === null) {
      return;
    }
    const wait = Math.min(longestWait, Math.max(0, at - Date.now()));
    const timer = setTimeout(() => {
      wake(Date.now());
    }, wait);
    return () => {
      clearTimeout(timer);
    };
  }, [at, wake]);
}
