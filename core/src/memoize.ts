/**
 * The one way to memoize. Each cache here has one owner, who made it, and one key; a value is dropped
 * with its key. What is worked out has to depend on nothing but what it is given.
 */

/** The same value each time, made when it is first asked for. */
export function lazy<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/**
 * The value of the key from a cache, or worked out now. The cache never holds more than `most`: full,
 * it begins anew. Undefined is no value.
 */
export function memoizeIn<Key, Value>(
  cache: Map<Key, Value>,
  most: number,
  key: Key,
  work: () => Value,
): Value {
  const known = cache.get(key);
  if (known !== undefined) {
    return known;
  }
  const value = work();
  if (cache.size >= most) {
    cache.clear();
  }
  cache.set(key, value);
  return value;
}

/**
 * What `work` gives for an object, worked out once as long as that object is there and all that is
 * given beside it is the same as last time.
 */
export function memoizeByObject<Of extends object, Beside extends readonly unknown[], Value>(
  work: (of: Of, ...beside: Beside) => Value,
): (of: Of, ...beside: Beside) => Value {
  const cache = new WeakMap<Of, { readonly beside: Beside; readonly value: Value }>();
  return (of, ...beside) => {
    const known = cache.get(of);
    if (known?.beside.every((one, i) => one === beside[i]) === true) {
      return known.value;
    }
    const value = work(of, ...beside);
    cache.set(of, { beside, value });
    return value;
  };
}

/** What it gave last while all it is given is the same, else worked out now. */
export function memoizeLast<With extends readonly unknown[], Value>(
  work: (...given: With) => Value,
): (...given: With) => Value {
  let last: { readonly given: With; readonly value: Value } | null = null;
  return (...given) => {
    if (!last?.given.every((one, i) => one === given[i])) {
      last = { given, value: work(...given) };
    }
    return last.value;
  };
}
