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

/** What `work` gives for an object, worked out once as long as that is there. */
export function oncePer<Of extends object, Value>(work: (of: Of) => Value): (of: Of) => Value {
  const kept = new WeakMap<Of, { readonly value: Value }>();
  return (of) => {
    const known = kept.get(of);
    if (known) {
      return known.value;
    }
    const value = work(of);
    kept.set(of, { value });
    return value;
  };
}

/** The same for an object beside another value: kept with the one that it was asked for last. */
export function oncePerPair<Of extends object, With, Value>(
  work: (of: Of, beside: With) => Value,
): (of: Of, beside: With) => Value {
  const kept = new WeakMap<Of, { readonly beside: With; readonly value: Value }>();
  return (of, beside) => {
    const before = kept.get(of);
    if (before !== undefined && before.beside === beside) {
      return before.value;
    }
    const value = work(of, beside);
    kept.set(of, { beside, value });
    return value;
  };
}

/** Works out what it is asked for, or gives what it gave last while all it is asked with is the same. */
export function whileSame<With extends readonly unknown[], Value>(
  work: (...asked: With) => Value,
): (...asked: With) => Value {
  let last: { readonly asked: With; readonly value: Value } | null = null;
  return (...asked) => {
    if (!last?.asked.every((one, i) => one === asked[i])) {
      last = { asked, value: work(...asked) };
    }
    return last.value;
  };
}
