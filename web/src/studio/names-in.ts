/** What plugins are called, out of what this window holds. */
import type { QueryClient } from '@tanstack/react-query';
import type { CatalogView } from '@clever-drawer/core/api';
import { lazy } from '@clever-drawer/core/memoize';
import { chainIn, pluginNamesIn, settingIn } from '@clever-drawer/core/order';
import type { OrderState } from './order-store.ts';
import { catalogKey, orderKey } from './query-keys.ts';

/** Names of plugins out of the cache, for acts. */
export function namesIn(
  queries: QueryClient,
  computer: string,
): (id: string) => string | undefined {
  const catalog = queries.getQueryData<CatalogView>(catalogKey(computer));
  const names = lazy(() => new Map<string, string>(catalog?.plugins.map((p) => [p.id, p.name])));
  const order = queries.getQueryData<OrderState>(orderKey(computer))?.records;
  return (id) => {
    const nickname = order && pluginNamesIn(order, id)?.nickname;
    return (
      nickname ??
      names().get(id) ??
      (order && (chainIn(order, id)?.name ?? settingIn(order, id)?.name))
    );
  };
}
