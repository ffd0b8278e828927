/** Records of the order that stay the same object while an act says nothing of them. */
import { useMemo, useState } from 'react';
import { createStable, type Order } from '@clever-drawer/core';

/** A map of some records by id: the same object as long as they are the same. */
export function useById<R extends { readonly id: string }>(
  order: Order,
  all: (order: Order) => readonly R[],
): ReadonlyMap<string, R> {
  const [stable] = useState(createStable<string, R>);
  return useMemo(
    () => stable(new Map(all(order).map((record) => [record.id, record]))),
    [stable, order, all],
  );
}
