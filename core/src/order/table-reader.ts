/** The records of one table, of one order after another. */
import { keyedById } from '../grouped.ts';
import { createStableMap, memoizeLast } from '../memoize.ts';
import { ofTable, type Order, type OrderRecord } from './records.ts';

/** Gives the records of a table by their ids: the same map as long as the orders say the same in it. */
export function createTableReader<R extends OrderRecord>(
  table: R['table'],
): (order: Order) => ReadonlyMap<string, R> {
  const stable = createStableMap<string, R>();
  return memoizeLast((order: Order) => stable(keyedById<R>(ofTable(order, table))));
}
