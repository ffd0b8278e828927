/**
 * Places in an order as text keys, so that one thing can go between two others without touching them.
 * Keys are fractions in base 62 compared character by character (UTF-16 order, also PostgreSQL's "C" order).
 */
import { compareTexts } from '../text/compare.ts';

const digits = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';
const middle = Math.floor(digits.length / 2);

/** A key by which records stand in order: compared by code units. */
export type Position = string;

/**
 * A key between two others; null stands for the open end. The result never ends in the lowest digit,
 * so that there is always room below it. Throws when `before` is not below `after`.
 */
export function between(before: Position | null, after: Position | null): Position {
  if (before !== null && after !== null && before >= after) {
    throw new RangeError(`${before} is not before ${after}`);
  }
  let key = '';
  for (let at = 0; ; at += 1) {
    const low = before !== null && at < before.length ? digits.indexOf(before.charAt(at)) : 0;
    const high =
      after !== null && at < after.length ? digits.indexOf(after.charAt(at)) : digits.length;
    if (low === high) {
      key += digits.charAt(low);
      continue;
    }
    const half = Math.floor((low + high) / 2);
    if (half > low) {
      return key + digits.charAt(half);
    }
    return key + digits.charAt(low) + above(before?.slice(at + 1) ?? '');
  }
}

/** A short key above the given rest of a key, with no upper end. */
function above(rest: string): string {
  let key = '';
  for (const character of rest) {
    const digit = digits.indexOf(character);
    if (digit < digits.length - 1) {
      return key + digits.charAt(Math.ceil((digit + digits.length) / 2));
    }
    key += character;
  }
  return key + digits.charAt(middle);
}

/** `count` keys in order between two others, spread evenly so that they stay short. */
export function spread(before: Position | null, after: Position | null, count: number): Position[] {
  if (count <= 0) {
    return [];
  }
  const half = Math.floor(count / 2);
  const key = between(before, after);
  return [...spread(before, key, half), key, ...spread(key, after, count - half - 1)];
}

/**
 * The order of things with a position; equal keys (two windows at once) fall back to the id, so the
 * order is total.
 */
export function byPosition(
  a: { position: Position; id: string },
  b: { position: Position; id: string },
): number {
  return compareTexts(a.position, b.position) || compareTexts(a.id, b.id);
}

/**
 * Keys for things put before one of a row (or at its end, with null or one that is not there). Two
 * neighbours with one key (two windows at once) share it with what goes between.
 */
export function positionsBefore(
  row: readonly { id: string; position: Position }[],
  before: string | null,
  count: number,
): Position[] {
  const sorted = [...row].sort(byPosition);
  const at = sorted.findIndex((r) => r.id === before);
  const index = at < 0 ? sorted.length : at;
  const low = sorted[index - 1]?.position ?? null;
  const high = sorted[index]?.position ?? null;
  return low !== null && low === high ? Array<Position>(count).fill(low) : spread(low, high, count);
}

/** The key for one thing put there; the thing itself does not count. */
export const positionBefore = (
  row: readonly { id: string; position: Position }[],
  before: string | null,
  self: string | null,
): Position =>
  positionsBefore(
    row.filter((r) => r.id !== self),
    before,
    1,
  )[0] ?? '';
