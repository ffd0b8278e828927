/** Positions by a text, and by how texts begin. */
import { beginsAlmost } from './edit-distance.ts';

/** Texts are kept together by so many first letters. */
const bucketLetters = 3;

interface Entry {
  readonly text: string;
  readonly positions: number[];
}
type Act = (positions: readonly number[], text: string) => void;

/** Texts with the positions that have them. */
export class Texts {
  readonly #at = new Map<string, Entry>();
  readonly #buckets = new Map<string, Entry[]>();
  /** The buckets of texts that begin with fewer letters. */
  readonly #heads = new Map<string, Entry[][]>();

  add(at: number, text: string): void {
    const known = this.#at.get(text);
    if (known) {
      if (known.positions.at(-1) !== at) {
        known.positions.push(at);
      }
      return;
    }
    const entry: Entry = { text, positions: [at] };
    const start = text.slice(0, bucketLetters);
    const bucket = this.#buckets.get(start);
    this.#at.set(text, entry);
    if (bucket) {
      bucket.push(entry);
      return;
    }
    const fresh = [entry];
    this.#buckets.set(start, fresh);
    for (let length = 1; length < bucketLetters && length <= start.length; length += 1) {
      const head = start.slice(0, length);
      const heads = this.#heads.get(head);
      if (heads) {
        heads.push(fresh);
      } else {
        this.#heads.set(head, [fresh]);
      }
    }
  }

  drop(at: number, text: string): void {
    const known = this.#at.get(text)?.positions;
    const found = known?.indexOf(at) ?? -1;
    if (found >= 0) {
      known?.splice(found, 1);
    }
  }

  keys(): IterableIterator<string> {
    return this.#at.keys();
  }

  whole(text: string): readonly number[] {
    return this.#at.get(text)?.positions ?? [];
  }

  /** The positions of each text that begins so. */
  beginning(letters: string, act: Act): void {
    if (letters.length < bucketLetters) {
      for (const bucket of this.#heads.get(letters) ?? []) {
        for (const { text, positions } of bucket) {
          act(positions, text);
        }
      }
    } else {
      for (const { text, positions } of this.#buckets.get(letters.slice(0, bucketLetters)) ?? []) {
        if (text.startsWith(letters)) {
          act(positions, text);
        }
      }
    }
  }

  /** The positions of each text that begins so but for one letter (edit-distance.ts). */
  beginningAlmost(letters: string, act: Act): void {
    // What begins a text that begins almost so is itself almost the beginning of the letters.
    for (const [start, bucket] of this.#buckets) {
      if (beginsAlmost(letters, start)) {
        for (const { text, positions } of bucket) {
          if (beginsAlmost(text, letters)) {
            act(positions, text);
          }
        }
      }
    }
  }
}
