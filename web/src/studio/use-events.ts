/** The stream of the server, which keeps what this window holds current. */
import { useQueryClient, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { ScanProgress, ServerEvent } from '@clever-drawer/core/api';
import type { Client } from '../api/client.ts';
import type { Connection } from './contexts.ts';
import { takeStep } from './use-order-acts.ts';

/** What is fetched again, by what happened. */
const staleAfter = {
  catalog: [
    'catalog',
    'places',
    'opening',
    'scans',
    'findings',
    'asides',
    'sort',
    'plugin',
    'settings',
    'waiting',
    'waiting questions',
    'usage',
    'review',
  ],
  order: ['review', 'waiting questions'],
  session: ['session', 'repairs', 'review'],
  usage: ['usage', 'habits', 'keys', 'review'],
  scanEnded: ['scans', 'findings', 'places', 'opening'],
} as const;

/**
 * All of it and the order: after a break, for steps may have been missed, and when a computer is
 * shown again that this window did not listen to meanwhile.
 */
const staleAfterBreak = new Set(['order', 'put-off', ...Object.values(staleAfter).flat()]);

/** What the stream tells of by itself: the scan that runs, and whether anything can be saved. */
interface Told {
  readonly scan: ScanProgress | null;
  readonly connection: Connection;
}

/** A connection that breaks is made again at once; only when that takes longer is it said. Milliseconds. */
const saidAfter = 1_500;

/** The server reads its clock in steps of this. Milliseconds. */
const clockStep = 1;

/**
 * Listens as long as the window shows this computer, of which it began to ask when it was `since`
 * milliseconds old.
 */
export function useEvents(client: Client, since: number): Told {
  const queries = useQueryClient();
  const [scan, setScan] = useState<ScanProgress | null>(null);
  const [connection, setStanding] = useState<Connection>('there');
  useEffect(() => {
    const source = new EventSource(client.eventsAddress);
    let wasOpen = false;
    let waiting: ReturnType<typeof setTimeout> | undefined;
    source.onerror = () => {
      waiting ??= setTimeout(() => {
        setStanding('server-away');
      }, saidAfter);
    };
    source.onopen = () => {
      clearTimeout(waiting);
      waiting = undefined;
      setStanding('there');
    };
    source.onmessage = (message: MessageEvent<string>) => {
      const event = JSON.parse(message.data) as ServerEvent;
      if (event.event !== 'opened') {
        follow(queries, client, event, setScan, setStanding);
        return;
      }
      // What was told since this window asked, or while it heard nothing, may be missing from it.
      const asked = performance.now() - since + clockStep;
      if (wasOpen || event.quiet <= asked) {
        outdate(queries, client, staleAfterBreak);
      }
      wasOpen = true;
    };
    return () => {
      clearTimeout(waiting);
      source.close();
      outdate(queries, client, staleAfterBreak, 'none');
    };
  }, [client, queries, since]);
  return { scan, connection };
}

/**
 * Says that these are old: what is shown of them is fetched again at once, or else when it is shown.
 * What is on its way was perhaps read before, so it is old once it has arrived; it is let arrive, for
 * where more is told than is fetched, nothing would ever stand.
 */
function outdate(
  queries: QueryClient,
  client: Client,
  names: Iterable<string>,
  refetchType: 'active' | 'none' = 'active',
): void {
  const areOld = (queryKey: QueryKey, exact: boolean): void => {
    void queries.invalidateQueries({ queryKey, exact, refetchType }, { cancelRefetch: false });
  };
  for (const name of names) {
    const queryKey = [name, client.computer];
    for (const query of queries.getQueryCache().findAll({ queryKey, fetchStatus: 'fetching' })) {
      const arrived = (): void => {
        areOld(query.queryKey, true);
      };
      query.promise?.then(arrived, arrived);
    }
    areOld(queryKey, false);
  }
}

function follow(
  queries: QueryClient,
  client: Client,
  event: Exclude<ServerEvent, { readonly event: 'opened' }>,
  setScan: (scan: ScanProgress | null) => void,
  setStanding: (connection: Connection) => void,
): void {
  switch (event.event) {
    case 'order':
      takeStep(queries, client.computer, event.step);
      outdate(queries, client, staleAfter.order);
      return;
    case 'catalog':
    case 'session':
    case 'usage':
      outdate(queries, client, staleAfter[event.event]);
      return;
    case 'scan': {
      const isRunning = event.progress.state === 'running';
      setScan(isRunning ? event.progress : null);
      if (!isRunning) {
        outdate(queries, client, staleAfter.scanEnded);
      }
      return;
    }
    case 'database':
      setStanding(event.isThere ? 'there' : 'database-away');
      if (event.isThere) {
        outdate(queries, client, staleAfterBreak);
      }
      return;
    default:
      event satisfies never;
  }
}
