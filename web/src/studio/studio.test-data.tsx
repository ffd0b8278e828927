/** A studio for tests: the real core over what a test says, with a server made up by the test. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import type { ComputerView, ScanProgress } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId, type ComputerId } from '@clever-drawer/core/id';
import type { Usage } from '@clever-drawer/core/loading';
import { orderOf, type OrderRecord } from '@clever-drawer/core/order';
import type { StudioFacts } from '@clever-drawer/core/studio';
import { clientFor, type Client } from '../api/client.ts';
import { NoticesProvider } from '../ui/notices.tsx';
import {
  Acts,
  Catalog,
  Computer,
  Finding,
  Order,
  ScanProgressContext,
  ShownArrangement,
  Waiting,
  type ActsContext,
} from './contexts.ts';
import { useLater } from './later.ts';
import type { OrderState } from './order-store.ts';
import { createOwnActs, type OwnActs } from './own-acts.ts';
import { useStudio } from './use-studio.ts';

/** What a test says of its studio; the rest is empty. */
export interface StudioSaid {
  readonly plugins?: readonly Plugin[];
  /** Saved settings that were found. */
  readonly found?: NonNullable<StudioFacts['found']>;
  readonly usage?: readonly Usage[];
  readonly records?: readonly OrderRecord[];
  readonly client?: Partial<Client>;
  readonly computer?: Partial<ComputerView>;
  /** All computers; only the one that is shown where a test says nothing. */
  readonly computers?: readonly ComputerView[];
  readonly chooseComputer?: (id: string) => void;
  /** How far a scan is that runs. */
  readonly scan?: ScanProgress | null;
  readonly order?: Partial<OrderState>;
  readonly own?: OwnActs;
  readonly act?: ActsContext['act'];
  readonly step?: ActsContext['step'];
  readonly did?: ActsContext['did'];
}

/** The contexts of a studio around what is tested: the `wrapper` of testing-library. */
export function studioOf({
  plugins = [],
  found = [],
  usage = [],
  records = [],
  client: answers = {},
  computer: seen = {},
  computers,
  chooseComputer = () => undefined,
  scan = null,
  order: state = {},
  own = createOwnActs(),
  act = () => true,
  step = () => undefined,
  did = () => undefined,
}: StudioSaid): (props: { readonly children: ReactNode }) => ReactNode {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const order = orderOf(records);
  const client: Client = { ...clientFor('desk'), ...answers };
  const computer = { id: asId<ComputerId>('desk'), name: 'Desk', isElsewhere: false, ...seen };
  const where = { client, computer, computers: computers ?? [computer], chooseComputer };
  const acts = { own, act, step, did };
  const shown: OrderState = {
    revision: 1,
    confirmed: order,
    pending: [],
    records: order,
    undo: null,
    redo: null,
    ...state,
  };
  function Inside({ children }: { readonly children: ReactNode }) {
    const facts = { computer: computer.id, catalog: plugins, order, found, usage };
    const { catalog, finding, arrangement } = useStudio(client, facts, 0);
    const later = useLater(computer.id);
    const waiting = useMemo(() => ({ ...later, waiting: 0 }), [later]);
    return (
      <Computer value={where}>
        <Acts value={acts}>
          <Catalog value={catalog}>
            <Finding value={finding}>
              <Waiting value={waiting}>
                <Order value={shown}>
                  <ShownArrangement value={arrangement}>
                    <ScanProgressContext value={scan}>{children}</ScanProgressContext>
                  </ShownArrangement>
                </Order>
              </Waiting>
            </Finding>
          </Catalog>
        </Acts>
      </Computer>
    );
  }
  return function Studio({ children }) {
    return (
      <QueryClientProvider client={queries}>
        <NoticesProvider>
          <Inside>{children}</Inside>
        </NoticesProvider>
      </QueryClientProvider>
    );
  };
}
