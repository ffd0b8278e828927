/**
 * Bounds for binary property lists, looked at before any package reads them. Such a file is a table
 * of objects that refer to each other by number, so a few bytes can stand for billions of values: a
 * list of ten references to a list of ten references, and so on.
 *
 * The layout is that of CFBinaryPList.c of Apple's open CoreFoundation (from memory): "bplist00",
 * objects, a table of their offsets, and a trailer of 32 bytes.
 */
import { printNumber } from '../print-number.ts';

/** Values that a property list may come to when all references are followed, and how deep. */
const valuesLimit = 100_000;
const depthLimit = 64;
const trailerLength = 32;

/** What is wrong with a file, thrown while it is walked. */
class Unbounded extends Error {}

/** Why a binary property list is not read, in words; null when it is small enough. */
export function boundsOfBinaryPlist(bytes: Uint8Array): string | null {
  try {
    const objects = new ObjectTable(bytes);
    objects.count(objects.top, 0);
    return null;
  } catch (error) {
    if (error instanceof Unbounded || error instanceof RangeError) {
      return error instanceof Unbounded
        ? error.message
        : 'its table of objects leads outside of it';
    }
    throw error;
  }
}

class ObjectTable {
  readonly top: number;
  readonly #view: DataView;
  readonly #offsetSize: number;
  readonly #referenceSize: number;
  readonly #objects: number;
  readonly #table: number;
  /** What each object comes to; null while it is being counted. */
  readonly #counts = new Map<number, number | null>();

  constructor(bytes: Uint8Array) {
    this.#view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const trailer = bytes.byteLength - trailerLength;
    this.#offsetSize = this.#view.getUint8(trailer + 6);
    this.#referenceSize = this.#view.getUint8(trailer + 7);
    this.#objects = this.#number(trailer + 8, 8);
    this.top = this.#number(trailer + 16, 8);
    this.#table = this.#number(trailer + 24, 8);
    if (this.#objects > valuesLimit) {
      throw new Unbounded(`it holds more than ${printNumber(valuesLimit)} objects`);
    }
  }

  /** How many values an object comes to, itself included. Throws where that is too many. */
  count(object: number, depth: number): number {
    const known = this.#counts.get(object);
    if (known === null) {
      throw new Unbounded('its objects hold each other in a circle');
    }
    if (known !== undefined) {
      return known;
    }
    if (depth > depthLimit) {
      throw new Unbounded(`its objects hold each other more than ${depthLimit} deep`);
    }
    this.#counts.set(object, null);
    let values = 1;
    for (const child of this.#childrenOf(object)) {
      values += this.count(child, depth + 1);
      if (values > valuesLimit) {
        throw new Unbounded(`it comes to more than ${printNumber(valuesLimit)} values`);
      }
    }
    this.#counts.set(object, values);
    return values;
  }

  /** The objects that a list (0xA), set (0xC) or dictionary (0xD) refers to; others hold none. */
  #childrenOf(object: number): number[] {
    if (object >= this.#objects) {
      throw new RangeError();
    }
    const at = this.#number(this.#table + object * this.#offsetSize, this.#offsetSize);
    const marker = this.#view.getUint8(at);
    const kind = marker >> 4;
    if (kind !== 0xa && kind !== 0xc && kind !== 0xd) {
      return [];
    }
    const { length, from } = this.#lengthAt(at, marker & 0xf);
    const references = kind === 0xd ? 2 * length : length;
    if (references > valuesLimit) {
      throw new Unbounded(`it holds more than ${printNumber(valuesLimit)} references`);
    }
    return Array.from({ length: references }, (_, i) =>
      this.#number(from + i * this.#referenceSize, this.#referenceSize),
    );
  }

  /** A length below 15 stands in the marker; else 0xF, and an integer behind it. */
  #lengthAt(at: number, low: number): { length: number; from: number } {
    if (low < 0xf) {
      return { length: low, from: at + 1 };
    }
    const size = 2 ** (this.#view.getUint8(at + 1) & 0xf);
    return { length: this.#number(at + 2, size), from: at + 2 + size };
  }

  /** A big-endian number of so many bytes. */
  #number(at: number, size: number): number {
    if (size < 1 || size > 8) {
      throw new RangeError();
    }
    let value = 0;
    for (let i = 0; i < size; i += 1) {
      value = value * 256 + this.#view.getUint8(at + i);
    }
    return value;
  }
}
