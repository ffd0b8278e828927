/** Provides what the screens share about one computer; see contexts.ts. */
import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import type { CatalogView, ComputerView, Plugin } from '@clever-drawer/core';
import { clientFor, type Client } from '../api/client.ts';
import {
  Acts,
  Catalog,
  Computer,
  Order,
  ScanProgressContext,
  ShownArrangement,
  StandingContext,
} from './contexts.ts';
import { fromView, type OrderState } from './order-store.ts';
import { useArrangementOf } from './use-arrangement-of.ts';
import { useCatalogOf } from './use-catalog-of.ts';
import { useEvents } from './use-events.ts';
import { useOrderActs } from './use-order-acts.ts';

const noPlugins: readonly Plugin[] = [];
const emptyOrder: OrderState = fromView({ revision: 0, records: [], undo: null, redo: null });

/** The catalog: fetched whole once, and then only what changed of it. */
function useCatalogQuery(client: Client): UseQueryResult<CatalogView> {
  const queries = useQueryClient();
  const queryKey = ['catalog', client.computer];
  return useQuery({
    queryKey,
    queryFn: () => client.catalog(queries.getQueryData<CatalogView>(queryKey)),
    structuralSharing: false,
  });
}

interface Props {
  readonly computer: ComputerView;
  readonly computers: readonly ComputerView[];
  readonly chooseComputer: (id: string) => void;
  readonly children: ReactNode;
  readonly waiting: ReactNode;
}

export function StudioProvider(props: Props) {
  const { computer, computers, chooseComputer, children, waiting } = props;
  const client = useMemo(() => clientFor(computer.id), [computer.id]);
  const catalogQuery = useCatalogQuery(client);
  const orderQuery = useQuery({
    queryKey: ['order', computer.id],
    queryFn: async () => fromView(await client.order()),
    structuralSharing: false,
  });
  const usageQuery = useQuery({ queryKey: ['usage', computer.id], queryFn: client.usage });
  const order = orderQuery.data ?? emptyOrder;
  const catalogued = catalogQuery.data?.plugins ?? noPlugins;
  const settingsQuery = useQuery({
    queryKey: ['settings', computer.id],
    queryFn: client.settings,
  });
  const catalog = useCatalogOf(
    client,
    computer,
    catalogued,
    order.records,
    usageQuery.data,
    settingsQuery.data,
  );
  const fetchedAt = Math.max(catalogQuery.dataUpdatedAt, usageQuery.dataUpdatedAt);
  const arrangement = useArrangementOf(computer.id, order.records, catalog, fetchedAt);
  const { scan, standing } = useEvents(client);
  const acts = useOrderActs(client);
  const where = useMemo(
    () => ({ client, computer, computers, chooseComputer }),
    [client, computer, computers, chooseComputer],
  );
  const failure = catalogQuery.error ?? orderQuery.error;
  // What was fetched before stays in view; what cannot be fetched anew is said in the bar.
  if (failure && !(catalogQuery.data && orderQuery.data)) {
    return (
      <main id="content" tabIndex={-1} className="p-4" role="alert">
        {failure.message}
      </main>
    );
  }
  // Smart folders ask for use, too: without it their counts would change under one's eyes.
  if (!catalogQuery.data || !orderQuery.data || usageQuery.isPending) {
    return waiting;
  }
  return (
    <Computer value={where}>
      <Acts value={acts}>
        <Catalog value={catalog}>
          <Order value={order}>
            <ShownArrangement value={arrangement}>
              <StandingContext value={standing}>
                <ScanProgressContext value={scan}>{children}</ScanProgressContext>
              </StandingContext>
            </ShownArrangement>
          </Order>
        </Catalog>
      </Acts>
    </Computer>
  );
}
