/** Acts as this window does them: shown at once, sent in turn, taken back when the server refuses. */
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  perform,
  pluginsOfAct,
  type Act,
  type Direction,
  type SettingFields,
} from '@clever-drawer/core/acts';
import type { OrderStep, PluginSetting } from '@clever-drawer/core/api';
import { settingIn, type Order } from '@clever-drawer/core/order';
import { describe } from '@clever-drawer/core/problem';
import { storableValue } from '@clever-drawer/core/text';
import { createSerialQueue } from '@clever-drawer/core/serial-queue';
import { messageOf, type Client } from '../api/client.ts';
import { useNotices, type Notices } from '../ui/notices.tsx';
import type { ActsContext } from './contexts.ts';
import { namesIn } from './names-in.ts';
import { createOwnActs, type Origin, type OwnAct } from './own-acts.ts';
import { addPending, confirm, dropPending, type OrderState } from './order-store.ts';
import { orderKey, settingsKey } from './query-keys.ts';
import { screenOf, screens, undoneAt } from './screens.ts';
import { sessionSteps, stepOfSession } from './session-steps.ts';
import { sessionQuery } from './studio-queries.ts';
import * as texts from './texts.ts';

/** The act, with the settings that it names kept by it where they are not yet. */
export function keepingSettings(order: Order, act: Act, found: readonly PluginSetting[]): Act {
  if (found.length === 0 || act.act === 'keep-settings') {
    return act;
  }
  const named = new Set<string>(pluginsOfAct(order, act));
  const settings = found
    .filter(({ id }) => named.has(id) && !settingIn(order, id))
    .map((card): SettingFields => ({ ...card, state: null }));
  return settings.length === 0 ? act : { act: 'keep-settings', settings, then: act };
}

/** Takes in a step that was stored; where steps between are missing, the order is fetched anew. */
export function takeStep(queries: QueryClient, computer: string, step: OrderStep): void {
  const key = orderKey(computer);
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

/** What is said instead of an undo that would take back what was done elsewhere. Milliseconds. */
const askedFor = 6_000;

const screenNow = (): string => undoneAt(window.location.pathname);

const originWords = (origin: Origin): string =>
  origin.from === 'screen'
    ? texts.onTheScreen(screens[screenOf(`/${origin.screen}`) ?? 'file'].name)
    : texts.inAnotherWindow;

function createOrderActs(
  client: Client,
  queries: QueryClient,
  notify: Notices['notify'],
): ActsContext {
  const own = createOwnActs();
  /** The change that was named and not undone, and until when pressing again undoes it. */
  let asked = { revision: -1, until: 0 };
  const key = orderKey(client.computer);
  const change = (to: (state: OrderState) => OrderState): void => {
    queries.setQueryData<OrderState>(key, (state) => (state ? to(state) : state));
  };
  // An undo pressed right after an act must reach the server after it.
  const inTurn = createSerialQueue();
  const store = (
    wanted: Act,
    nameOf: (id: string) => string | undefined,
    onStored?: () => void,
  ): void => {
    const ticket = crypto.randomUUID();
    change((state) => addPending(state, { ticket, act: wanted }, nameOf));
    inTurn(() => client.act(wanted)).then(
      (step) => {
        takeStep(queries, client.computer, step);
        change((state) => dropPending(state, ticket, nameOf));
        onStored?.();
      },
      (error: unknown) => {
        change((state) => dropPending(state, ticket, nameOf));
        notify(texts.notSaved(messageOf(error)), 'trouble');
        void queries.invalidateQueries({ queryKey: key });
      },
    );
  };
  /** Names a change that was made elsewhere the first time it would be undone. */
  const mustAsk = (undo: string | null, revision: number): boolean => {
    const origin = undo === null ? null : own.originOf(undo, screenNow());
    const isConfirmed = asked.revision === revision && Date.now() < asked.until;
    if (origin === null || origin.from === 'here' || isConfirmed) {
      return false;
    }
    asked = { revision, until: Date.now() + askedFor };
    notify(texts.lastChange(originWords(origin), undo ?? ''), 'done');
    return true;
  };
  /** Takes back what was done last where that is beside the order; false where it is not. */
  const stepBeside = (direction: Direction, isByKey: boolean): boolean => {
    const { done, undone } = own.history();
    const here = screenNow();
    const last = done.findLast(({ screen }) => !isByKey || screen === here);
    if (direction === 'undo' && last?.beside === null) {
      own.pass(last);
      notify(texts.cannotBeUndone(last.words), 'done');
      return true;
    }
    const session = queries.getQueryData(sessionQuery(client).queryKey);
    const sessionStep = stepOfSession(session, own.history(), direction, here);
    const latest: OwnAct | undefined = sessionStep
      ? { ...sessionStep, beside: sessionSteps(client, queries) }
      : (direction === 'undo' ? done : undone).findLast(
          ({ screen }) => !isByKey || screen === here,
        );
    if (!latest?.beside) {
      return false;
    }
    const { words, beside } = latest;
    const [mark, unmark] =
      direction === 'undo'
        ? ([own.undone, own.redone] as const)
        : ([own.redone, own.undone] as const);
    // Marked at once: pressed twice, it is two steps.
    mark(words);
    inTurn(beside[direction]).then(
      (said) => {
        const what = typeof said === 'string' ? said : words;
        notify(`${direction === 'undo' ? texts.undone : texts.redone}: ${what}`, 'done');
      },
      (error: unknown) => {
        unmark(words);
        notify(messageOf(error), 'trouble');
      },
    );
    return true;
  };
  return {
    act: (given, then = {}) => {
      const state = queries.getQueryData<OrderState>(key);
      if (!state) {
        return false;
      }
      const found = queries.getQueryData<readonly PluginSetting[]>(settingsKey(client.computer));
      const wanted = storableValue(keepingSettings(state.records, given, found ?? []));
      const nameOf = namesIn(queries, client.computer);
      const performed = perform(state.records, wanted, nameOf);
      if (!performed.ok) {
        notify(performed.problems.map(describe).join(' '), 'trouble');
        return false;
      }
      store(wanted, nameOf, then.onStored);
      const { onUndone } = then;
      own.add({ words: performed.value.words, screen: screenNow(), onUndone });
      notify(performed.value.words, 'done');
      return true;
    },
    own,
    did: (words, beside) => {
      own.add({ words, screen: screenNow(), beside });
      notify(words, 'done');
    },
    step: (direction, isByKey = false) => {
      const state = queries.getQueryData<OrderState>(key);
      if (stepBeside(direction, isByKey)) {
        return;
      }
      const words = state?.[direction] ?? '';
      const mayBeOfOthers = isByKey && direction === 'undo' && state?.pending.length === 0;
      if (mayBeOfOthers && mustAsk(state.undo, state.revision)) {
        return;
      }
      inTurn(() => client[direction]()).then(
        (taken) => {
          takeStep(queries, client.computer, taken);
          own[direction === 'undo' ? 'undone' : 'redone'](words);
          notify(taken.words, 'done');
        },
        (error: unknown) => {
          notify(messageOf(error), 'trouble');
        },
      );
    },
  };
}
