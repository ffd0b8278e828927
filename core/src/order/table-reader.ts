/** The records of one table, of one order after another. */
import { keysBetween } from '../change.ts';
import { keyedById } from '../grouped.ts';
import { createStableMap } from '../memoize.ts';
import { ofTable, type Order, type OrderRecord } from './records.ts';

/**
 * Gives the records of a table by their ids: the same map as long as the orders say the same in it.
 * An order that was made of the one before by acts on other tables is not looked through.
 */
export function createTableReader<R extends OrderRecord>(
  table: R['table'],
): (order: Order) => ReadonlyMap<string, R> {
  const stable = createStableMap<string, R>();
  let last: Order | null = null;
  let records: ReadonlyMap<string, R> = stable(new Map());
  return (order) => {
    if (last === null || isTouched(table, last, order)) {
      records = stable(keyedById<R>(ofTable(order, table)));
    }
    last = order;
    return records;
  };
}

function isTouched(table: OrderRecord['table'], before: Order, after: Order): boolean {
  const keys = keysBetween(before, after);
  return keys === null || [...keys].some((key) => key.startsWith(`${table}/`));
}
