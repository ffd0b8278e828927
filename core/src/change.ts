/**
 * A change is a value: what was added, updated (from, to) and removed. Findings, undo and previews
 * share this shape.
 */

/** Anything that is told apart by an id within its table. */
export interface Keyed {
  readonly table: string;
  readonly id: string;
}

/** Records that come, change (from, to) and go. Keys are unique within each of the three. */
export interface Change<R extends Keyed> {
  readonly added: readonly R[];
  readonly updated: readonly (readonly [from: R, to: R])[];
  readonly removed: readonly R[];
}

/** Records by `table/id`. */
export type Records<R extends Keyed> = ReadonlyMap<string, R>;

/** A change that changes nothing. */
export const noChange: Change<never> = { added: [], updated: [], removed: [] };

/** The key of a record among all records: `table/id`. */
export const keyOf = (record: Keyed): string => `${record.table}/${record.id}`;

/** Whether nothing comes, changes or goes. */
export const isEmptyChange = (change: Change<Keyed>): boolean =>
  change.added.length + change.updated.length + change.removed.length === 0;

/** The records after the change; the given map stays as it was. */
export function applyChange<R extends Keyed>(
  records: Records<R>,
  change: Change<R>,
): Map<string, R> {
  const next = new Map(records);
  takeChange(next, change);
  return next;
}

/**
 * The keys of all that is another object in two states of records, or is in one of them only. What was
 * changed in place since (`takeChange`) is not seen.
 */
export function keysBetween(before: Records<Keyed>, after: Records<Keyed>): ReadonlySet<string> {
  const keys = new Set<string>();
  if (before === after) {
    return keys;
  }
  for (const [key, record] of after) {
    if (before.get(key) !== record) {
      keys.add(key);
    }
  }
  for (const key of before.keys()) {
    if (!after.has(key)) {
      keys.add(key);
    }
  }
  return keys;
}

/** Makes the change in the map itself, which takes no longer for many records than for few. */
export function takeChange<R extends Keyed>(records: Map<string, R>, change: Change<R>): void {
  for (const record of change.removed) {
    records.delete(keyOf(record));
  }
  for (const [, to] of change.updated) {
    records.set(keyOf(to), to);
  }
  for (const record of change.added) {
    records.set(keyOf(record), record);
  }
}

/** The change that undoes this one. */
export function reverse<R extends Keyed>(change: Change<R>): Change<R> {
  return {
    added: [...change.removed].reverse(),
    updated: change.updated.map(([from, to]) => [to, from] as const).reverse(),
    removed: [...change.added].reverse(),
  };
}

/** One change with the effect of the first and then the second. */
export function squash<R extends Keyed>(first: Change<R>, second: Change<R>): Change<R> {
  const net = new Map<string, { from: R | null; to: R | null }>();
  const note = (from: R | null, to: R | null): void => {
    const key = keyOf((from ?? to) as R);
    const known = net.get(key);
    net.set(key, { from: known ? known.from : from, to });
  };
  for (const change of [first, second]) {
    for (const record of change.removed) {
      note(record, null);
    }
    for (const [from, to] of change.updated) {
      note(from, to);
    }
    for (const record of change.added) {
      note(null, record);
    }
  }
  const added: R[] = [];
  const updated: [R, R][] = [];
  const removed: R[] = [];
  for (const { from, to } of net.values()) {
    if (from && to) {
      updated.push([from, to]);
    } else if (to) {
      added.push(to);
    } else if (from) {
      removed.push(from);
    }
  }
  return { added, updated, removed };
}

/** What has to be done to turn `before` into `after`; records are compared with `same`. */
export function diff<R extends Keyed>(
  before: Records<R>,
  after: Records<R>,
  same: (a: R, b: R) => boolean,
): Change<R> {
  const added: R[] = [];
  const updated: [R, R][] = [];
  const removed: R[] = [];
  for (const [key, to] of after) {
    const from = before.get(key);
    if (!from) {
      added.push(to);
    } else if (!same(from, to)) {
      updated.push([from, to]);
    }
  }
  for (const [key, from] of before) {
    if (!after.has(key)) {
      removed.push(from);
    }
  }
  return { added, updated, removed };
}

/**
 * Whether two values of JSON are the same, whatever the order of their keys, which a database may
 * change. A field that is undefined is one that is not there.
 */
export function isSameValue(a: unknown, b: unknown): boolean {
  if (a === b) {
    return true;
  }
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) {
    return false;
  }
  if (Array.isArray(a) || Array.isArray(b)) {
    return Array.isArray(a) && Array.isArray(b) && isSameList(a, b);
  }
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  return [left, right].every((one) =>
    Object.keys(one).every((key) => isSameValue(left[key], right[key])),
  );
}

const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((value, at) => isSameValue(value, b[at]));

/** A value as text that does not depend on the order of its keys, which a database may change. */
export const plainText = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
