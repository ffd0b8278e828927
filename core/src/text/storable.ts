/**
 * Texts from outside, made so that they can be kept, shown and compared: well-formed Unicode without
 * control characters, cut between characters. Everything that comes from files or from people
 * passes here once, before anything is made of it.
 */
import { printNumber } from '../print-number.ts';

/** The most UTF-16 units of one text that a file says of itself. */
export const textLimit = 1_000;
/** The most units of a key, so that it fits an index: 800 units are 2,400 bytes at the most. */
const keyLimit = 800;

/** Control characters (C0 without tab and line ends, DEL, C1); bidirectional overrides stay. */
// eslint-disable-next-line no-control-regex -- they are what is looked for
const control = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/g;

/** Whether a text can be kept as it is, apart from its length. */
export const isStorable = (text: string): boolean =>
  text.isWellFormed() && text.search(control) < 0;

/** Well-formed and without control characters; halves of characters become U+FFFD. */
export const storable = (text: string): string =>
  isStorable(text) ? text : text.replace(control, '').toWellFormed();

/** At most so many UTF-16 units, never half a character. */
export function cutText(text: string, limit: number = textLimit): string {
  if (text.length <= limit) {
    return text;
  }
  const last = text.charCodeAt(limit - 1);
  return text.slice(0, last >= 0xd800 && last <= 0xdbff ? limit - 1 : limit);
}

/** A text that tells things apart, short enough for an index: what is longer ends in a hash of all. */
export const shortKey = (text: string): string =>
  text.length <= keyLimit
    ? text
    : `${cutText(text, keyLimit - 32)}#${hash(text, 1)}${hash(text, 2)}`;

const { imul } = Math;

/**
 * 53 bits of a text as hex digits: two rounds of multiplying and mixing 32-bit words, after the
 * finalizer of MurmurHash3 (public domain, from memory). Tells texts apart; keeps no secrets.
 */
function hash(text: string, seed: number): string {
  let high = 0xdeadbeef ^ seed;
  let low = 0x41c6ce57 ^ seed;
  for (let at = 0; at < text.length; at += 1) {
    const unit = text.charCodeAt(at);
    high = imul(high ^ unit, 2654435761);
    low = imul(low ^ unit, 1597334677);
  }
  const mixed = (a: number, b: number): number =>
    (imul(a ^ (a >>> 16), 2246822507) ^ imul(b ^ (b >>> 13), 3266489909)) >>> 0;
  return (4294967296 * (0x1fffff & mixed(low, high)) + mixed(high, low)).toString(16);
}

/** What is wrong with a value from outside, and where in it. */
export interface ValueTrouble {
  /** As in `plugins[3].name`; empty for the whole. */
  readonly at: string;
  readonly detail: string;
}

/** How much a value from outside may hold. */
export interface ValueLimits {
  /** Lists and records within each other. */
  readonly depth: number;
  /** Values of all kinds in all. */
  readonly values: number;
}

/**
 * The first reason why a value, as JSON gives it, is not taken: too deep, too much, or a text that
 * cannot be kept. Walks without recursion, and no further than the limits. Null when all is well.
 */
export function troubleInValue(value: unknown, limits: ValueLimits): ValueTrouble | null {
  const waiting: { value: unknown; at: string; depth: number }[] = [{ value, at: '', depth: 0 }];
  let count = 0;
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    count += 1;
    const detail = troubleWith(one.value, one.depth, count, limits);
    if (detail !== null) {
      return { at: one.at, detail };
    }
    if (typeof one.value === 'object' && one.value !== null) {
      const { at, depth } = one;
      const isList = Array.isArray(one.value);
      for (const [key, inner] of Object.entries(one.value)) {
        waiting.push({
          value: inner,
          at: isList ? `${at}[${key}]` : joined(at, key),
          depth: depth + 1,
        });
      }
    }
  }
  return null;
}

const joined = (at: string, key: string): string => (at === '' ? key : `${at}.${key}`);

function troubleWith(
  value: unknown,
  depth: number,
  count: number,
  limits: ValueLimits,
): string | null {
  if (depth > limits.depth) {
    return `It holds lists within lists more than ${limits.depth} deep.`;
  }
  if (count > limits.values) {
    return `It holds more than ${printNumber(limits.values)} values.`;
  }
  if (typeof value === 'string' && !isStorable(value)) {
    return 'It holds control characters or halves of characters. Leave them out.';
  }
  return null;
}

/** A value, as JSON has it, with every text in it storable. The same value where all are. */
export function storableValue<T>(value: T): T {
  const limits = { depth: Infinity, values: Infinity };
  if (troubleInValue(value, limits) === null) {
    return value;
  }
  const mended = JSON.parse(
    JSON.stringify(value, (_, part: unknown) => (typeof part === 'string' ? storable(part) : part)),
  ) as T;
  return mended;
}
