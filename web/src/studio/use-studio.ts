/** The studio as this window has it: core puts it together, and it is put together again when time alone changes it. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import { copyInFront, faceOf, type Plugin } from '@clever-drawer/core/catalog';
import { cabinetsOf, type Order } from '@clever-drawer/core/order';
import { createStudio, type StudioFacts } from '@clever-drawer/core/studio';
import type { Client } from '../api/client.ts';
import { writeStored, readStored } from '../ui/keys.ts';
import type { ArrangementContext, CatalogContext, FindingContext } from './contexts.ts';

interface ShownStudio {
  readonly catalog: CatalogContext;
  readonly finding: FindingContext;
  readonly arrangement: ArrangementContext;
}

/** `fetchedAt` in milliseconds since 1970: when what is shown was fetched. */
export function useStudio(
  client: Client,
  { computer, catalog, order, found, usage }: StudioFacts,
  fetchedAt: number,
): ShownStudio {
  const [put] = useState(createStudio);
  const studio = useMemo(
    () => put({ computer, catalog, order, found, usage }),
    [put, computer, catalog, order, found, usage],
  );
  const shown = useCatalogOf(client, studio.catalog, studio.usage);
  const finder = studio.finder();
  const settingFinder = studio.settingFinder();
  const finding = useMemo(() => ({ finder, settingFinder }), [finder, settingFinder]);
  return {
    catalog: shown,
    finding,
    arrangement: useArrangementOf(studio, order, computer, fetchedAt),
  };
}

type Studio = ReturnType<ReturnType<typeof createStudio>>;

function useCatalogOf(
  client: Client,
  catalog: Studio['catalog'],
  usage: Studio['usage'],
): CatalogContext {
  return useMemo(() => {
    const { answers, formatOrder } = catalog;
    return {
      ...catalog,
      usage,
      pictureOf: (plugin) => {
        const own = answers.get(faceOf(plugin))?.picture;
        if (own) {
          return client.ownPictureAddress(own);
        }
        const copies = plugin.copies.filter((copy) => copy.hasPicture && copy.state === 'present');
        const shipped = copyInFront({ copies }, { order: formatOrder });
        return shipped ? client.pictureAddress(shipped.id) : null;
      },
    };
  }, [client, catalog, usage]);
}

/** The arrangement of the cabinet that is shown. */
function useArrangementOf(
  studio: Studio,
  order: Order,
  computer: string,
  fetchedAt: number,
): ArrangementContext {
  const { cabinets, cabinet, chooseCabinet } = useCabinets(order, computer);
  const [woken, setWoken] = useState(0);
  const arrangement = studio.arrange(cabinet?.id ?? null, Math.max(woken, fetchedAt));
  useWakeAt(arrangement.rules.expiresAt, setWoken);
  return useMemo(() => {
    const { pluginNames } = arrangement;
    return {
      cabinet,
      cabinets,
      chooseCabinet,
      arrangement,
      namesOf: (plugin: string) => pluginNames.get(plugin),
      nameOf: (plugin: Plugin) => pluginNames.get(plugin.id)?.nickname ?? plugin.name,
    };
  }, [cabinet, cabinets, chooseCabinet, arrangement]);
}

/** The cabinet shown last on this computer, else its first. */
function useCabinets(
  order: Order,
  computer: string,
): Pick<ArrangementContext, 'cabinets' | 'cabinet' | 'chooseCabinet'> {
  const [chosen, setChosen] = useState(() => readStored(`cabinet.${computer}`, ''));
  const cabinets = useMemo(() => cabinetsOf(order), [order]);
  if (chosen === '' && cabinets[0]) {
    // It stays shown when it is no longer the first.
    setChosen(cabinets[0].id);
  }
  const chooseCabinet = useCallback(
    (id: string) => {
      writeStored(`cabinet.${computer}`, id);
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
