/** Provides what the screens share about one computer; see contexts.ts. */
import { useQuery } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import type { ComputerView, Plugin } from '@clever-drawer/core';
import { clientFor } from '../api/client.ts';
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
import { catalogQuery, orderQuery, settingsQuery, usageQuery } from './studio-queries.ts';
import { useArrangementOf } from './use-arrangement-of.ts';
import { useCatalogOf } from './use-catalog-of.ts';
import { useEvents } from './use-events.ts';
import { useOrderActs } from './use-order-acts.ts';

const noPlugins: readonly Plugin[] = [];
const emptyOrder: OrderState = fromView({ revision: 0, records: [], undo: null, redo: null });

interface Props {
  readonly computer: ComputerView;
  readonly computers: readonly ComputerView[];
  readonly chooseComputer: (id: string) => void;
  /** When this window began to ask for what it holds of the computer: milliseconds of its age. */
  readonly since: number;
  readonly children: ReactNode;
  readonly waiting: ReactNode;
}

export function StudioProvider(props: Props) {
  const { computer, computers, chooseComputer, since, children, waiting } = props;
  const client = useMemo(() => clientFor(computer.id), [computer.id]);
  const catalogued = useQuery(catalogQuery(client));
  const ordered = useQuery(orderQuery(client));
  const used = useQuery(usageQuery(client));
  const settings = useQuery(settingsQuery(client));
  const order = ordered.data ?? emptyOrder;
  const catalog = useCatalogOf(
    client,
    computer,
    catalogued.data?.plugins ?? noPlugins,
    order.records,
    used.data,
    settings.data,
  );
  const fetchedAt = Math.max(catalogued.dataUpdatedAt, used.dataUpdatedAt);
  const arrangement = useArrangementOf(computer.id, order.records, catalog, fetchedAt);
  const { scan, standing } = useEvents(client, since);
  const acts = useOrderActs(client);
  const where = useMemo(
    () => ({ client, computer, computers, chooseComputer }),
    [client, computer, computers, chooseComputer],
  );
  const failure = catalogued.error ?? ordered.error;
  // What was fetched before stays in view; what cannot be fetched anew is said in the bar.
  if (failure && !(catalogued.data && ordered.data)) {
    return (
      <main id="content" tabIndex={-1} className="p-4" role="alert">
        {failure.message}
      </main>
    );
  }
  // Smart folders ask for use, too: without it their counts would change under one's eyes.
  if (!catalogued.data || !ordered.data || used.isPending) {
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
