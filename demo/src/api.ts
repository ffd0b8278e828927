/** Speaking to a running server while seeding. */
import type { Act, CatalogView, ComputerView, LoadRequest, OrderView, PastLoad, ScanProgress, SessionView } from '@clever-drawer/core';

export type Api = ReturnType<typeof apiOf>;

export function apiOf(address: string, computer: ComputerView) {
  const call = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const response = await fetch(`${address}/api/computers/${computer.id}/${path}`, { method, ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }) });
    if (!response.ok) throw new Error(`${method} ${path}: ${await response.text()}`);
    return (await response.json()) as T;
  };
  return {
    addPlace: (path: string) => call('POST', 'places', { path }),
    scan: async (): Promise<void> => {
      await call('POST', 'scans');
      while ((await call<{ progress: ScanProgress | null }>('GET', 'scans')).progress !== null) await new Promise((resolve) => setTimeout(resolve, 100));
    },
    catalog: () => call<CatalogView>('GET', 'catalog'),
    order: () => call<OrderView>('GET', 'order'),
    act: (act: Act) => call('POST', 'acts', act),
    loads: (loads: readonly PastLoad[]) => call('POST', 'loads', { loads }),
    session: () => call<SessionView>('GET', 'session'),
    load: (load: LoadRequest) => call('POST', 'session/loads', load),
  };
}

export async function firstComputer(address: string): Promise<ComputerView> {
  const computers = (await (await fetch(`${address}/api/computers`)).json()) as ComputerView[];
  if (!computers[0]) throw new Error('no computer');
  return computers[0];
}
