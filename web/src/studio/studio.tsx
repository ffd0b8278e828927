/** Provides what the screens share about one computer; see contexts.ts. */
import { useQuery } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import type { ComputerView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Usage } from '@clever-drawer/core/loading';
import { clientFor } from '../api/client.ts';
import {
  Acts,
  Catalog,
  Computer,
  Finding,
  Order,
  ScanProgressContext,
  ShownArrangement,
  ConnectionContext,
  Waiting,
} from './contexts.ts';
import { fromView, type OrderState } from './order-store.ts';
import {
  catalogQuery,
  orderQuery,
  settingsQuery,
  usageQuery,
  waitingQuery,
} from './studio-queries.ts';
import { useEvents } from './use-events.ts';
import { useLater } from './later.ts';
import { useOrderActs } from './use-order-acts.ts';
import { useStudio } from './use-studio.ts';

const noPlugins: readonly Plugin[] = [];
const noUsage: readonly Usage[] = [];
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
  const fetchedAt = Math.max(catalogued.dataUpdatedAt, used.dataUpdatedAt);
  const { catalog, finding, arrangement } = useStudio(
    client,
    {
      computer: computer.id,
      catalog: catalogued.data?.plugins ?? noPlugins,
      order: order.records,
      found: settings.data ?? null,
      usage: used.data ?? noUsage,
    },
    fetchedAt,
  );
  const later = useLater(computer.id);
  const asked = useQuery(waitingQuery(client, later.putOffs));
  const waitingQuestions = useMemo(
    () => ({ ...later, waiting: asked.data ?? 0 }),
    [later, asked.data],
  );
  const { scan, connection } = useEvents(client, since);
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
  // What comes later would change counts under one's eyes: smart folders ask for use, the bar for questions.
  if (!catalogued.data || !ordered.data || used.isPending || asked.isPending) {
    return waiting;
  }
  return (
    <Computer value={where}>
      <Acts value={acts}>
        <Catalog value={catalog}>
          <Finding value={finding}>
            <Waiting value={waitingQuestions}>
              <Order value={order}>
                <ShownArrangement value={arrangement}>
                  <ConnectionContext value={connection}>
                    <ScanProgressContext value={scan}>{children}</ScanProgressContext>
                  </ConnectionContext>
                </ShownArrangement>
              </Order>
            </Waiting>
          </Finding>
        </Catalog>
      </Acts>
    </Computer>
  );
}
