/** Gathering by a key. */

/** The items by their key, each group in the order given; groups in the order of their first item. */
export function grouped<T>(entries: Iterable<readonly [key: string, item: T]>): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const [key, item] of entries) {
    addTo(groups, key, item);
  }
  return groups;
}

/** The same for items that tell their key. */
export function groupedBy<T>(items: Iterable<T>, keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    addTo(groups, keyOf(item), item);
  }
  return groups;
}

/** Items by their ids. */
export const keyedById = <T extends { readonly id: string }>(items: Iterable<T>): Map<string, T> =>
  new Map(Array.from(items, (item) => [item.id, item]));

function addTo<T>(groups: Map<string, T[]>, key: string, item: T): void {
  const group = groups.get(key);
  if (group) {
    group.push(item);
  } else {
    groups.set(key, [item]);
  }
}
