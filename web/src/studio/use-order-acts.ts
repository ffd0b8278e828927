/** Acts as this window does them: shown at once, sent in turn, taken back when the server refuses. */
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  chainIn,
  createTurns,
  describe,
  perform,
  storableValue,
  type Act,
  type CatalogView,
  type OrderStep,
} from '@clever-drawer/core';
import { messageOf, type Client } from '../api/client.ts';
import { useNotices, type Notices } from '../ui/notices.tsx';
import type { ActsContext } from './contexts.ts';
import { addPending, confirm, dropPending, type OrderState } from './order-store.ts';

/** Names of plugins out of the cache, for acts. */
function namesIn(queries: QueryClient, computer: string): (id: string) => string | undefined {
  const catalog = queries.getQueryData<CatalogView>(['catalog', computer]);
  const names = new Map<string, string>(catalog?.plugins.map((p) => [p.id, p.name]));
  const order = queries.getQueryData<OrderState>(['order', computer])?.records;
  return (id) => {
    const naming = order?.get(`naming/${id}`);
    return naming?.table === 'naming' && naming.nickname !== null
      ? naming.nickname
      : (names.get(id) ?? (order && chainIn(order, id)?.name));
  };
}

/** Takes in a step that was stored; where steps between are missing, the order is fetched anew. */
export function takeStep(queries: QueryClient, computer: string, step: OrderStep): void {
  const key = ['order', computer];
  const state = queries.getQueryData<OrderState>(key);
  const next = state ? confirm(state, step, namesIn(queries, computer)) : null;
  if (next) {
    queries.setQueryData(key, next);
  } else {
    void queries.invalidateQueries({ queryKey: key });
  }
}

/** The same two functions as long as the computer is the same. */
export function useOrderActs(client: Client): ActsContext {
  const queries = useQueryClient();
  const { notify } = useNotices();
  return useMemo(() => createOrderActs(client, queries, notify), [client, queries, notify]);
}

function createOrderActs(
  client: Client,
  queries: QueryClient,
  notify: Notices['notify'],
): ActsContext {
  const key = ['order', client.computer];
  const change = (to: (state: OrderState) => OrderState): void => {
    queries.setQueryData<OrderState>(key, (state) => (state ? to(state) : state));
  };
  // An undo pressed right after an act must reach the server after it.
  const inTurn = createTurns();
  const store = (wanted: Act, nameOf: (id: string) => string | undefined): void => {
    const ticket = crypto.randomUUID();
    change((state) => addPending(state, { ticket, act: wanted }, nameOf));
    inTurn(() => client.act(wanted)).then(
      (step) => {
        takeStep(queries, client.computer, step);
        change((state) => dropPending(state, ticket, nameOf));
      },
      (error: unknown) => {
        change((state) => dropPending(state, ticket, nameOf));
        notify(`Not saved: ${messageOf(error)}`, 'trouble');
        void queries.invalidateQueries({ queryKey: key });
      },
    );
  };
  return {
    act: (asked) => {
      const wanted = storableValue(asked);
      const state = queries.getQueryData<OrderState>(key);
      if (!state) {
        return false;
      }
      const nameOf = namesIn(queries, client.computer);
      const performed = perform(state.records, wanted, nameOf);
      if (!performed.ok) {
        notify(performed.problems.map(describe).join(' '), 'trouble');
        return false;
      }
      store(wanted, nameOf);
      notify(performed.value.words, 'done');
      return true;
    },
    step: (direction) => {
      inTurn(() => client[direction]()).then(
        (taken) => {
          takeStep(queries, client.computer, taken);
          notify(taken.words, 'done');
        },
        (error: unknown) => {
          notify(messageOf(error), 'trouble');
        },
      );
    },
  };
}
