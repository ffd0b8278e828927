/** A studio for tests of hooks: what the contexts hold, with a server made up by the test. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useMemo, type ReactNode } from 'react';
import {
  allAnswers,
  cabinetsOf,
  createArranger,
  orderOf,
  type OrderRecord,
  type Plugin,
} from '@clever-drawer/core';
import type { Client } from '../api/client.ts';
import { NoticesProvider } from '../ui/notices.tsx';
import {
  Acts,
  Catalog,
  Computer,
  Order,
  ShownArrangement,
  type ActsContext,
  type ArrangementContext,
  type CatalogContext,
  type ComputerContext,
} from './contexts.ts';
import type { OrderState } from './order-store.ts';
import { createOwnActs, type OwnActs } from './own-acts.ts';

/** What a test says of its studio; the rest is empty. */
export interface StudioSaid {
  readonly plugins?: readonly Plugin[];
  /** Saved settings; of each something was made. */
  readonly settings?: readonly Plugin[];
  readonly records?: readonly OrderRecord[];
  readonly client?: Partial<Client>;
  readonly order?: Partial<OrderState>;
  readonly own?: OwnActs;
  readonly act?: ActsContext['act'];
}

/** The contexts of a studio around hooks: the `wrapper` of testing-library. */
export function studioOf({
  plugins = [],
  settings = [],
  records = [],
  client = {},
  order: state = {},
  own = createOwnActs(),
  act = () => true,
}: StudioSaid): (props: { readonly children: ReactNode }) => ReactNode {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const order = orderOf(records);
  const arrangement = createArranger()(
    order,
    plugins,
    cabinetsOf(order)[0]?.id ?? null,
    new Map(),
    0,
  );
  return function Studio({ children }) {
    const values = useMemo(
      () => ({
        computer: {
          client: { computer: 'desk', ...client },
          computer: { id: 'desk', name: 'Desk' },
        } as unknown as ComputerContext,
        catalog: {
          plugins,
          pluginById: new Map([...plugins, ...settings].map((one) => [one.id as string, one])),
          settings,
          keptSettings: settings,
          usage: new Map(),
          answers: new Map(allAnswers(order).map((one) => [one.id as string, one])),
          formatOrder: [],
        } as unknown as CatalogContext,
        shown: {
          arrangement,
          cabinet: cabinetsOf(order)[0],
          cabinets: cabinetsOf(order),
          nameOf: (plugin: Plugin) => arrangement.namings.get(plugin.id)?.nickname ?? plugin.name,
        } as unknown as ArrangementContext,
        acts: { own, act } as unknown as ActsContext,
        order: {
          revision: 1,
          confirmed: order,
          pending: [],
          records: order,
          undo: null,
          redo: null,
          ...state,
        } satisfies OrderState,
      }),
      [],
    );
    return (
      <QueryClientProvider client={queries}>
        <NoticesProvider>
          <Computer value={values.computer}>
            <Catalog value={values.catalog}>
              <Order value={values.order}>
                <Acts value={values.acts}>
                  <ShownArrangement value={values.shown}>{children}</ShownArrangement>
                </Acts>
              </Order>
            </Catalog>
          </Computer>
        </NoticesProvider>
      </QueryClientProvider>
    );
  };
}
