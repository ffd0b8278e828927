/** Keeping one object while what it holds is the same. */

/**
 * Gives the map of before as long as the next one holds the same, so that what is made of it need
 * not be made again.
 */
export function createStable<K, V>(): (next: ReadonlyMap<K, V>) => ReadonlyMap<K, V> {
  let last: ReadonlyMap<K, V> = new Map();
  return (next) => {
    const isSame =
      next.size === last.size && [...next].every(([key, value]) => last.get(key) === value);
    if (!isSame) {
      last = next;
    }
    return last;
  };
}
