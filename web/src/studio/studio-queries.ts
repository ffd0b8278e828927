/** What a studio is made of, as it is asked for: ahead of everything drawn, and by what is drawn. */
import { queryOptions, type QueryClient } from '@tanstack/react-query';
import type { CatalogView, ComputerView, SortView } from '@clever-drawer/core';
import { clientFor, listComputers, type Client } from '../api/client.ts';
import { remember, remembered } from '../ui/keys.ts';
import { namesIn } from './names-in.ts';
import { refreshed, type OrderState } from './order-store.ts';
import { catalogKey, orderKey, settingsKey } from './query-keys.ts';

export const computersQuery = queryOptions({ queryKey: ['computers'], queryFn: listComputers });

/** The catalog is fetched whole once, and then only what changed of it. */
export const catalogQuery = ({ computer, catalog }: Client) =>
  queryOptions({
    queryKey: catalogKey(computer),
    queryFn: ({ client, queryKey }) => catalog(client.getQueryData<CatalogView>(queryKey)),
    structuralSharing: false,
  });

export const orderQuery = ({ computer, order }: Client) =>
  queryOptions({
    queryKey: orderKey(computer),
    queryFn: async ({ client, queryKey }) => {
      const held = client.getQueryData<OrderState>(queryKey);
      const view = await order();
      const now = client.getQueryData<OrderState>(queryKey);
      return refreshed(held, now, view, namesIn(client, computer));
    },
    structuralSharing: false,
  });

/** What is uncertain, fetched likewise. */
export const sortQuery = ({ computer, sort }: Client) =>
  queryOptions({
    queryKey: ['sort', computer],
    queryFn: ({ client, queryKey }) => sort(client.getQueryData<SortView>(queryKey)),
    structuralSharing: false,
  });

export const usageQuery = ({ computer, usage }: Client) =>
  queryOptions({ queryKey: ['usage', computer], queryFn: usage });

export const settingsQuery = ({ computer, settings }: Client) =>
  queryOptions({ queryKey: settingsKey(computer), queryFn: settings });

export const sessionQuery = ({ computer, session }: Client) =>
  queryOptions({ queryKey: ['session', computer], queryFn: session });

export const habitsQuery = ({ computer, habits }: Client) =>
  queryOptions({ queryKey: ['habits', computer], queryFn: habits });

export const keysQuery = ({ computer, keys }: Client) =>
  queryOptions({ queryKey: ['keys', computer], queryFn: keys });

const chosen = 'computer';

/** The computer that was chosen last in this browser. */
export const chosenComputer = (): string => remembered(chosen, '');

export const rememberComputer = (id: string): void => {
  remember(chosen, id);
};

/** The one that was chosen, or the first; undefined where there is none. */
export const shownComputer = (
  computers: readonly ComputerView[],
  wanted: string,
): ComputerView | undefined => computers.find(({ id }) => id === wanted) ?? computers[0];

/**
 * Asks for what a screen (`load`) needs, so that the server works while the page is
 * put together. Rejects where one of the answers is an error, which whoever is drawn says.
 */
export async function askAhead(queries: QueryClient, screen: string): Promise<void> {
  const computers = await queries.query(computersQuery);
  const computer = shownComputer(computers, chosenComputer());
  if (!computer) {
    return;
  }
  const client = clientFor(computer.id);
  const more: Readonly<Record<string, () => readonly Promise<unknown>[]>> = {
    load: () => [
      queries.query(sessionQuery(client)),
      queries.query(habitsQuery(client)),
      queries.query(keysQuery(client)),
    ],
    sort: () => [queries.query(sortQuery(client))],
  };
  await Promise.all<unknown>([
    queries.query(catalogQuery(client)),
    queries.query(orderQuery(client)),
    queries.query(usageQuery(client)),
    queries.query(settingsQuery(client)),
    ...(more[screen]?.() ?? []),
  ]);
}
