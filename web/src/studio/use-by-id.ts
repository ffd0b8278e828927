/** Records of the order that stay the same object while an act says nothing of them. */
import { useMemo, useState } from 'react';
import { createTableReader, type Order, type OrderRecord } from '@clever-drawer/core';

/** The records of a table by id: the same map as long as they are the same. */
export function useById<R extends OrderRecord>(
  order: Order,
  table: R['table'],
): ReadonlyMap<string, R> {
  const [read] = useState(() => createTableReader<R>(table));
  return useMemo(() => read(order), [read, order]);
}
