/** Records of the order that stay the same object while an act says nothing of them. */
import { useMemo, useState } from 'react';
import {
  createTableReader,
  type Order,
  type OrderRecord,
  type RecordOf,
} from '@clever-drawer/core';

/** The records of a table by id: the same map as long as they are the same. */
export function useById<T extends OrderRecord['table']>(
  order: Order,
  table: T,
): ReadonlyMap<string, RecordOf<T>> {
  const [read] = useState(() => createTableReader(table));
  return useMemo(() => read(order), [read, order]);
}
