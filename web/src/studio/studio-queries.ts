/** What a studio is made of, as it is asked for. */
import { keepPreviousData, queryOptions, type QueryClient } from '@tanstack/react-query';
import type { CatalogView, ComputerView } from '@clever-drawer/core/api';
import type { SortView } from '@clever-drawer/core/studio';
import { clientFor, listComputers, type Client } from '../api/client.ts';
import { writeStored, readStored } from '../ui/keys.ts';
import { putOffNow } from './later.ts';
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
      const before = client.getQueryData<OrderState>(queryKey);
      const view = await order();
      const now = client.getQueryData<OrderState>(queryKey);
      return refreshed(before, now, view, namesIn(client, computer));
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

/** How many questions wait, without those that are put off; the number of before while it is asked anew. */
export const waitingQuery = ({ computer, waiting }: Client, later: readonly string[]) =>
  queryOptions({
    queryKey: ['waiting questions', computer, later],
    queryFn: () => waiting(later),
    placeholderData: keepPreviousData,
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
export const chosenComputer = (): string => readStored(chosen, '');

export const rememberComputer = (id: string): void => {
  writeStored(chosen, id);
};

/** The one that was chosen, or the first; undefined where there is none. */
export const shownComputer = (
  computers: readonly ComputerView[],
  wanted: string,
): ComputerView | undefined => computers.find(({ id }) => id === wanted) ?? computers[0];

/** Asks for what a window needs of the computer that it will show; who draws it says what went wrong. */
export function prefetchStudio(queries: QueryClient): void {
  const ask = async (): Promise<void> => {
    const computers = await queries.query(computersQuery);
    const computer = shownComputer(computers, chosenComputer());
    if (computer) {
      const client = clientFor(computer.id);
      await Promise.all([
        queries.query(catalogQuery(client)),
        queries.query(orderQuery(client)),
        queries.query(usageQuery(client)),
        queries.query(settingsQuery(client)),
        queries.query(waitingQuery(client, putOffNow(computer.id))),
      ]);
    }
  };
  ask().catch(() => undefined);
}
