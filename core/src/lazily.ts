/** What is worked out when it is first asked for. */

/** The same value each time, made the first time. */
export function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
