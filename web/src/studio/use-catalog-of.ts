/** The catalog as it is shown: what the disks hold, what the user says of it, and chains. */
import { useCallback, useMemo, useState } from 'react';
import {
  allAnswers,
  allChains,
  copyInFront,
  createStable,
  preferenceIn,
  preferred,
  withAnswer,
  withChains,
  type Answer,
  type Chain,
  type ComputerView,
  type Order,
  type Plugin,
  type Usage,
} from '@clever-drawer/core';
import type { Client } from '../api/client.ts';
import type { CatalogContext } from './contexts.ts';

/** A map of some records by id: the same object as long as they are the same. */
function useById<R extends { readonly id: string }>(
  order: Order,
  all: (order: Order) => readonly R[],
): ReadonlyMap<string, R> {
  const [stable] = useState(createStable<string, R>);
  return useMemo(
    () => stable(new Map(all(order).map((record) => [record.id, record]))),
    [stable, order, all],
  );
}

export function useCatalogOf(
  client: Client,
  computer: ComputerView,
  catalogued: readonly Plugin[],
  order: Order,
  loads: readonly Usage[] | undefined,
): CatalogContext {
  const answers = useById<Answer>(order, allAnswers);
  const chains = useById<Chain>(order, allChains);
  const formatOrder = preferenceIn(order, computer.id)?.formats ?? preferred;
  const sorted = useMemo(
    () =>
      answers.size === 0
        ? catalogued
        : catalogued.map((plugin) => withAnswer(plugin, answers.get(plugin.id))),
    [catalogued, answers],
  );
  const plugins = useMemo(
    () =>
      chains.size === 0 ? sorted : withChains(sorted, chains.values(), (id) => answers.get(id)),
    [sorted, chains, answers],
  );
  const pluginById = useMemo(() => new Map(plugins.map((p) => [p.id as string, p])), [plugins]);
  const usage = useMemo(() => new Map((loads ?? []).map((one) => [one.plugin, one])), [loads]);
  const pictureOf = useCallback(
    (plugin: Plugin): string | null => {
      const own = answers.get(plugin.id)?.picture;
      if (own) {
        return client.ownPictureAddress(own);
      }
      const copies = plugin.copies.filter((copy) => copy.hasPicture && copy.state === 'present');
      const shipped = copyInFront({ copies }, formatOrder);
      return shipped ? client.pictureAddress(shipped.id) : null;
    },
    [answers, client, formatOrder],
  );
  return useMemo(
    () => ({ plugins, pluginById, answers, formatOrder, usage, pictureOf }),
    [plugins, pluginById, answers, formatOrder, usage, pictureOf],
  );
}
