/** Everything the screens share about one computer: catalog, order, usage, and the stream that keeps them current. */
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import {
  allAnswers,
  allChains,
  cabinetsOf,
  chainIn,
  copyInFront,
  createArranger,
  createStable,
  describe,
  perform,
  preferenceIn,
  preferred,
  withAnswer,
  withChains,
  type Act,
  type Answer,
  type Arrangement,
  type Cabinet,
  type CatalogView,
  type Chain,
  type ComputerView,
  type Format,
  type Naming,
  type Order,
  type OrderStep,
  type Plugin,
  type ScanProgress,
  type ServerEvent,
  type Usage,
} from '@clever-drawer/core';
import { remember, remembered } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { clientFor, createTurns, messageOf, type Client } from '../api/client.ts';
import { addPending, confirm, dropPending, fromView, type OrderState } from './order-store.ts';

export interface Studio {
  readonly client: Client;
  readonly computer: ComputerView;
  readonly computers: readonly ComputerView[];
  readonly chooseComputer: (id: string) => void;
  readonly plugins: readonly Plugin[];
  readonly pluginById: ReadonlyMap<string, Plugin>;
  /** Formats, preferred first: which copy goes in front. */
  readonly formatOrder: readonly Format[];
  /** What the user says of plugins, by plugin; it is in `plugins` already as far as kind, types and vendor go. */
  readonly answers: ReadonlyMap<string, Answer>;
  readonly order: OrderState;
  /** The cabinet that is shown, and all of them in order. */
  readonly cabinet: Cabinet | undefined;
  readonly cabinets: readonly Cabinet[];
  readonly chooseCabinet: (id: string) => void;
  readonly arrangement: Arrangement;
  readonly usage: ReadonlyMap<string, Usage>;
  readonly scan: ScanProgress | null;
  /** Does an act at once and has it stored. False when it cannot be done; the reason has been shown. */
  readonly act: (act: Act) => boolean;
  readonly step: (direction: 'undo' | 'redo') => void;
  readonly nameOf: (plugin: Plugin) => string;
  readonly naming: (plugin: string) => Naming | undefined;
  /** The address of a plugin's picture: the user's own, else one that a copy ships. */
  readonly pictureOf: (plugin: Plugin) => string | null;
}

const StudioContext = createContext<Studio | null>(null);

export function useStudio(): Studio {
  const studio = useContext(StudioContext);
  if (!studio) {
    throw new Error('outside of the studio');
  }
  return studio;
}

const noPlugins: readonly Plugin[] = [];
const emptyOrder: OrderState = fromView({ revision: 0, records: [], undo: null, redo: null });

interface ProviderProps {
  readonly computer: ComputerView;
  readonly computers: readonly ComputerView[];
  readonly chooseComputer: (id: string) => void;
  readonly children: ReactNode;
  readonly waiting: ReactNode;
}

export function StudioProvider({
  computer,
  computers,
  chooseComputer,
  children,
  waiting,
}: ProviderProps) {
  const client = useMemo(() => clientFor(computer.id), [computer.id]);
  const queries = useQueryClient();
  const catalog = useQuery({ queryKey: ['catalog', computer.id], queryFn: client.catalog });
  const order = useQuery({
    queryKey: ['order', computer.id],
    queryFn: async () => fromView(await client.order()),
    structuralSharing: false,
  });
  const usage = useQuery({ queryKey: ['usage', computer.id], queryFn: client.usage });
  const catalogued = catalog.data?.plugins ?? noPlugins;
  const orderState = order.data ?? emptyOrder;
  const [stableAnswers] = useState(createStable<string, Answer>);
  const answers = useMemo(
    () =>
      stableAnswers(
        new Map(allAnswers(orderState.order).map((answer) => [answer.id as string, answer])),
      ),
    [stableAnswers, orderState.order],
  );
  const formatOrder = preferenceIn(orderState.order, computer.id)?.formats ?? preferred;
  const copied = useMemo(
    () =>
      answers.size === 0
        ? catalogued
        : catalogued.map((plugin) => withAnswer(plugin, answers.get(plugin.id))),
    [catalogued, answers],
  );
  const [stableChains] = useState(createStable<string, Chain>);
  const chains = useMemo(
    () =>
      stableChains(
        new Map(allChains(orderState.order).map((chain) => [chain.id as string, chain])),
      ),
    [stableChains, orderState.order],
  );
  const plugins = useMemo(
    () =>
      chains.size === 0 ? copied : withChains(copied, chains.values(), (id) => answers.get(id)),
    [copied, chains, answers],
  );
  const pluginById = useMemo(() => new Map(plugins.map((p) => [p.id as string, p])), [plugins]);
  const [arrange] = useState(createArranger);
  const usageById = useMemo(
    () => new Map((usage.data ?? []).map((u) => [u.plugin, u])),
    [usage.data],
  );
  const { cabinets, cabinet, chooseCabinet } = useCabinets(orderState.order, computer.id);
  const [woken, setWoken] = useState(0);
  const now = Math.max(woken, catalog.dataUpdatedAt, usage.dataUpdatedAt);
  const arrangement = useMemo(
    () => arrange(orderState.order, plugins, cabinet?.id ?? null, usageById, now),
    [arrange, orderState.order, plugins, cabinet?.id, usageById, now],
  );
  useWakeAt(arrangement.rules.expiresAt, setWoken);
  const scan = useEvents(client, queries);
  const acts = useActs(client, queries);

  const naming = useCallback((plugin: string) => arrangement.namings.get(plugin), [arrangement]);
  const nameOf = useCallback(
    (plugin: Plugin) => arrangement.namings.get(plugin.id)?.nickname ?? plugin.name,
    [arrangement],
  );
  const pictureOf = useCallback(
    (plugin: Plugin) => {
      const own = answers.get(plugin.id)?.picture;
      const shipped = copyInFront(
        { copies: plugin.copies.filter((c) => c.hasPicture && c.state === 'present') },
        formatOrder,
      );
      if (own) {
        return client.ownPictureAddress(own);
      }
      if (shipped) {
        return client.pictureAddress(shipped.id);
      }
      return null;
    },
    [answers, client, formatOrder],
  );
  const studio = useMemo<Studio>(
    () => ({
      client,
      computer,
      computers,
      chooseComputer,
      plugins,
      pluginById,
      formatOrder,
      answers,
      order: orderState,
      cabinet,
      cabinets,
      chooseCabinet,
      arrangement,
      usage: usageById,
      scan,
      ...acts,
      naming,
      nameOf,
      pictureOf,
    }),
    [
      client,
      computer,
      computers,
      chooseComputer,
      plugins,
      pluginById,
      formatOrder,
      answers,
      orderState,
      cabinet,
      cabinets,
      chooseCabinet,
      arrangement,
      usageById,
      scan,
      acts,
      naming,
      nameOf,
      pictureOf,
    ],
  );
  const failure = catalog.error ?? order.error;
  if (failure) {
    return (
      <main className="p-4" role="alert">
        {failure.message}
      </main>
    );
  }
  // Smart folders ask for use, too: without it their counts would change under one's eyes.
  if (!catalog.data || !order.data || usage.isPending) {
    return waiting;
  }
  return <StudioContext value={studio}>{children}</StudioContext>;
}

/** The longest a timer of the browser waits. Milliseconds. */
const longestWait = 2_147_483_647;

/** Wakes at the moment at which a rule says something else by itself. */
function useWakeAt(at: number | null, wake: (now: number) => void): void {
  useEffect(() => {
    if (at === null) {
      return;
    }
    const timer = setTimeout(
      () => {
        wake(Date.now());
      },
      Math.min(longestWait, Math.max(0, at - Date.now())),
    );
    return () => {
      clearTimeout(timer);
    };
  }, [at, wake]);
}

/** The cabinet shown last on this computer, else its first. */
function useCabinets(
  order: Order,
  computer: string,
): Pick<Studio, 'cabinets' | 'cabinet' | 'chooseCabinet'> {
  const [chosen, setChosen] = useState(() => remembered(`cabinet.${computer}`, ''));
  const cabinets = useMemo(() => cabinetsOf(order), [order]);
  const chooseCabinet = useCallback(
    (id: string) => {
      remember(`cabinet.${computer}`, id);
      setChosen(id);
    },
    [computer],
  );
  return {
    cabinets,
    chooseCabinet,
    cabinet: cabinets.find((cabinet) => cabinet.id === chosen) ?? cabinets[0],
  };
}

/** Names of plugins out of the cache, for acts. */
function namesIn(queries: QueryClient, computer: string): (id: string) => string | undefined {
  const catalog = queries.getQueryData<CatalogView>(['catalog', computer]);
  const names = new Map<string, string>(catalog?.plugins.map((p) => [p.id, p.name]));
  const order = queries.getQueryData<OrderState>(['order', computer])?.order;
  return (id) => {
    const naming = order?.get(`naming/${id}`);
    return naming?.table === 'naming' && naming.nickname !== null
      ? naming.nickname
      : (names.get(id) ?? (order && chainIn(order, id)?.name));
  };
}

function takeStep(queries: QueryClient, computer: string, step: OrderStep): void {
  const key = ['order', computer];
  const state = queries.getQueryData<OrderState>(key);
  const next = state ? confirm(state, step, namesIn(queries, computer)) : null;
  if (next) {
    queries.setQueryData(key, next);
  } else {
    void queries.invalidateQueries({ queryKey: key });
  }
}

function useActs(client: Client, queries: QueryClient): Pick<Studio, 'act' | 'step'> {
  const { say } = useNotices();
  return useMemo(() => {
    const key = ['order', client.computer];
    const set = (change: (state: OrderState) => OrderState): void => {
      queries.setQueryData<OrderState>(key, (state) => (state ? change(state) : state));
    };
    const inTurn = createTurns();
    const act = (wanted: Act): boolean => {
      const state = queries.getQueryData<OrderState>(key);
      if (!state) {
        return false;
      }
      const nameOf = namesIn(queries, client.computer);
      const performed = perform(state.order, wanted, nameOf);
      if (!performed.ok) {
        say(performed.problems.map(describe).join(' '), 'trouble');
        return false;
      }
      const ticket = crypto.randomUUID();
      set((s) => addPending(s, { ticket, act: wanted }, nameOf));
      say(performed.value.words, 'done');
      inTurn(() => client.act(wanted)).then(
        (step) => {
          takeStep(queries, client.computer, step);
          set((s) => dropPending(s, ticket, nameOf));
        },
        (error: unknown) => {
          set((s) => dropPending(s, ticket, nameOf));
          say(`Not saved: ${messageOf(error)}`, 'trouble');
          void queries.invalidateQueries({ queryKey: key });
        },
      );
      return true;
    };
    const step = (direction: 'undo' | 'redo'): void => {
      inTurn(() => client[direction]()).then(
        (taken) => {
          takeStep(queries, client.computer, taken);
          say(taken.words, 'done');
        },
        (error: unknown) => {
          say(messageOf(error), 'trouble');
        },
      );
    };
    return { act, step };
  }, [client, queries, say]);
}

/** Listens to the server. After a break everything is fetched again, since steps may have been missed. */
function useEvents(client: Client, queries: QueryClient): ScanProgress | null {
  const [scan, setScan] = useState<ScanProgress | null>(null);
  useEffect(() => {
    const again = (...names: string[]): void => {
      for (const name of names) {
        void queries.invalidateQueries({ queryKey: [name, client.computer] });
      }
    };
    const source = new EventSource(client.eventsAddress);
    let wasOpen = false;
    source.onopen = () => {
      if (wasOpen) {
        again(
          'catalog',
          'order',
          'usage',
          'places',
          'scans',
          'session',
          'repairs',
          'habits',
          'keys',
          'sort',
          'plugin',
        );
      }
      wasOpen = true;
    };
    source.onmessage = (message: MessageEvent<string>) => {
      const event = JSON.parse(message.data) as ServerEvent;
      switch (event.event) {
        case 'order':
          takeStep(queries, client.computer, event.step);
          break;
        case 'catalog':
          again('catalog', 'places', 'scans', 'findings', 'asides', 'sort', 'plugin', 'usage');
          break;
        case 'session':
          again('session', 'repairs');
          break;
        case 'usage':
          again('usage', 'habits', 'keys');
          break;
        case 'scan':
          setScan(event.progress.state === 'running' ? event.progress : null);
          if (event.progress.state !== 'running') {
            again('scans', 'findings', 'places');
          }
          break;
        default:
          event satisfies never;
      }
    };
    return () => {
      source.close();
    };
  }, [client, queries]);
  return scan;
}
