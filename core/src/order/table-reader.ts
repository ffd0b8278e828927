/** The records of one table, of one order after another. */
import { keysBetween } from '../change.ts';
import { createStable } from '../stable.ts';
import type { Order, OrderRecord } from './records.ts';

type Table = OrderRecord['table'];

/** The records of a table. */
export type RecordOf<T extends Table> = Extract<OrderRecord, { readonly table: T }>;

/**
 * Gives the records of a table by their ids: the same map as long as the orders say the same in it.
 * An order that was made of the one before by acts on other tables is not looked through.
 */
export function createTableReader<T extends Table>(
  table: T,
): (order: Order) => ReadonlyMap<string, RecordOf<T>> {
  const stable = createStable<string, RecordOf<T>>();
  let last: Order | null = null;
  let records: ReadonlyMap<string, RecordOf<T>> = stable(new Map());
  return (order) => {
    if (last === null || isTouched(table, last, order)) {
      records = stable(recordsOf(table, order));
    }
    last = order;
    return records;
  };
}

function isTouched(table: Table, before: Order, after: Order): boolean {
  const keys = keysBetween(before, after);
  return keys === null || [...keys].some((key) => key.startsWith(`${table}/`));
}

function recordsOf<T extends Table>(table: T, order: Order): Map<string, RecordOf<T>> {
  const records = new Map<string, RecordOf<T>>();
  for (const record of order.values()) {
    if (record.table === table) {
      records.set(record.id, record as RecordOf<T>);
    }
  }
  return records;
}
