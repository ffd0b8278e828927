/** Gathering by a key. */

/** The items by their key, each group in the order given; groups in the order of their first item. */
export function grouped<T>(entries: Iterable<readonly [key: string, item: T]>): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const [key, item] of entries) {
    const group = groups.get(key);
    if (group) {
      group.push(item);
    } else {
      groups.set(key, [item]);
    }
  }
  return groups;
}
