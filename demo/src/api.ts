/** Speaking to a running server while seeding. */
import type { Act } from '@clever-drawer/core/acts';
import type {
  CatalogView,
  ComputerView,
  OpeningWish,
  LoadRequest,
  OrderView,
  PastLoad,
  PluginSetting,
  ScanProgress,
  SessionView,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { HostSettings } from '@clever-drawer/core/loading';
import type { SortView } from '@clever-drawer/core/studio';

const marksOf = ({ name, vendor, copies }: Plugin): string =>
  [name, vendor, ...copies.map(({ path }) => path).toSorted()].join('\n');

function byNameAndCopies(left: Plugin, right: Plugin): number {
  return marksOf(left) < marksOf(right) ? -1 : 1;
}

export type Api = ReturnType<typeof apiOf>;

/** A running server, with the key that a private one asks for. */
export interface ServerAt {
  readonly address: string;
  readonly key?: string | null;
}

async function call<T>(
  { address, key }: ServerAt,
  method: string,
  path: string,
  body?: unknown,
): Promise<T> {
  const response = await fetch(`${address}/api/${path}`, {
    method,
    headers: {
      ...(key ? { Authorization: `Bearer ${key}` } : {}),
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  if (!response.ok) {
    throw new Error(`${method} ${path}: ${await response.text()}`);
  }
  return (await response.json()) as T;
}

export const listComputers = (server: ServerAt): Promise<ComputerView[]> =>
  call(server, 'GET', 'computers');
export const addComputer = (server: ServerAt, computer: object): Promise<ComputerView> =>
  call(server, 'POST', 'computers', computer);

export function apiOf(server: ServerAt, computer: ComputerView) {
  const at = <T>(method: string, path: string, body?: unknown): Promise<T> =>
    call<T>(server, method, `computers/${computer.id}/${path}`, body);
  return {
    addPlace: (path: string) => at('POST', 'places', { path }),
    opens: (wish: OpeningWish) => at('PUT', 'opening', { wish }),
    scan: async (): Promise<void> => {
      await at('POST', 'scans');
      while ((await at<{ progress: ScanProgress | null }>('GET', 'scans')).progress !== null) {
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
    },
    sort: () => at<SortView>('GET', 'sort'),
    /** In the order of their names, so that what is drawn by chance falls on the same ones each time. */
    catalog: async (): Promise<CatalogView> => {
      const catalog = await at<CatalogView>('GET', 'catalog');
      return { ...catalog, plugins: catalog.plugins.toSorted(byNameAndCopies) };
    },
    settings: () => at<PluginSetting[]>('GET', 'settings'),
    order: () => at<OrderView>('GET', 'order'),
    act: (act: Act) => at('POST', 'acts', act),
    markPoint: (name: string) => at('POST', 'points', { name }),
    loads: (loads: readonly PastLoad[]) => at('POST', 'loads', { loads }),
    session: () => at<SessionView>('GET', 'session'),
    takes: (settings: HostSettings) => at('PUT', 'session/settings', settings),
    saveSession: (name: string) => at('POST', 'sessions', { name }),
    emptySlot: (slot: string) => at('DELETE', `session/slots/${slot}`),
    load: (load: LoadRequest) => at('POST', 'session/loads', load),
  };
}
