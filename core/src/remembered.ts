/** What was worked out once, by its key. */

/**
 * The value of the key as it was worked out before, or now. `kept` never holds more than `most`: full,
 * it begins anew. Undefined is no value.
 */
export function remembered<Key, Value>(
  kept: Map<Key, Value>,
  most: number,
  key: Key,
  work: () => Value,
): Value {
  const known = kept.get(key);
  if (known !== undefined) {
    return known;
  }
  const value = work();
  if (kept.size >= most) {
    kept.clear();
  }
  kept.set(key, value);
  return value;
}
