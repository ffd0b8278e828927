/** The stream of the server, which keeps what this window holds current. */
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { ScanProgress, ServerEvent } from '@clever-drawer/core';
import type { Client } from '../api/client.ts';
import { takeStep } from './use-order-acts.ts';

/** What is fetched again, by what happened; after a break everything, since steps may have been missed. */
const staleAfter = {
  break: [
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
  ],
  catalog: ['catalog', 'places', 'scans', 'findings', 'asides', 'sort', 'plugin', 'usage'],
  session: ['session', 'repairs'],
  usage: ['usage', 'habits', 'keys'],
  scanEnded: ['scans', 'findings', 'places'],
} as const;

/** Listens as long as the window shows this computer. Gives the progress of the scan that runs. */
export function useEvents(client: Client): ScanProgress | null {
  const queries = useQueryClient();
  const [scan, setScan] = useState<ScanProgress | null>(null);
  useEffect(() => {
    const source = new EventSource(client.eventsAddress);
    let wasOpen = false;
    source.onopen = () => {
      if (wasOpen) {
        fetchAgain(queries, client, staleAfter.break);
      }
      wasOpen = true;
    };
    source.onmessage = (message: MessageEvent<string>) => {
      follow(queries, client, JSON.parse(message.data) as ServerEvent, setScan);
    };
    return () => {
      source.close();
    };
  }, [client, queries]);
  return scan;
}

function fetchAgain(queries: QueryClient, client: Client, names: readonly string[]): void {
  for (const name of names) {
    void queries.invalidateQueries({ queryKey: [name, client.computer] });
  }
}

function follow(
  queries: QueryClient,
  client: Client,
  event: ServerEvent,
  setScan: (scan: ScanProgress | null) => void,
): void {
  switch (event.event) {
    case 'order':
      takeStep(queries, client.computer, event.step);
      return;
    case 'catalog':
    case 'session':
    case 'usage':
      fetchAgain(queries, client, staleAfter[event.event]);
      return;
    case 'scan': {
      const isRunning = event.progress.state === 'running';
      setScan(isRunning ? event.progress : null);
      if (!isRunning) {
        fetchAgain(queries, client, staleAfter.scanEnded);
      }
      return;
    }
    default:
      event satisfies never;
  }
}
