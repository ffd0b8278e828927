/** Sorting many in steps that are each done soon, so that keys pressed meanwhile need not wait. */

/** So many are sorted in one step; then two sorted parts are put together in each. */
const together = 500;

/** Sorts, and yields after each step; returns all in order. Those that compare alike keep theirs. */
export function* sortInSteps<T>(
  items: readonly T[],
  compare: (one: T, other: T) => number,
): Generator<undefined, readonly T[], undefined> {
  let parts: (readonly T[])[] = [];
  for (let at = 0; at < items.length; at += together) {
    parts.push(items.slice(at, at + together).sort(compare));
    yield;
  }
  while (parts.length > 1) {
    const joined: (readonly T[])[] = [];
    for (let at = 0; at < parts.length; at += 2) {
      joined.push(merged(parts[at] ?? [], parts[at + 1] ?? [], compare));
      yield;
    }
    parts = joined;
  }
  return parts[0] ?? [];
}

/** Two lists in order as one; of those that compare alike the ones of the first list come first. */
function merged<T>(
  first: readonly T[],
  second: readonly T[],
  compare: (one: T, other: T) => number,
): readonly T[] {
  const all: T[] = [];
  let next = 0;
  for (const item of first) {
    while (next < second.length && compare(second[next] as T, item) < 0) {
      all.push(second[next] as T);
      next += 1;
    }
    all.push(item);
  }
  return all.concat(second.slice(next));
}
