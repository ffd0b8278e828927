/** Positions by a text, and by how texts begin. */

/** Texts are kept together by so many first letters. */
const bucketLetters = 3;

export class Texts {
  readonly #at = new Map<string, number[]>();
  readonly #buckets = new Map<string, string[]>();

  add(at: number, text: string): void {
    const known = this.#at.get(text);
    if (known) { if (known.at(-1) !== at) known.push(at); return; }
    this.#at.set(text, [at]);
    const start = text.slice(0, bucketLetters), bucket = this.#buckets.get(start);
    if (bucket) bucket.push(text);
    else this.#buckets.set(start, [text]);
  }

  drop(at: number, text: string): void {
    const known = this.#at.get(text), found = known?.indexOf(at) ?? -1;
    if (found >= 0) known?.splice(found, 1);
  }

  whole(text: string): readonly number[] { return this.#at.get(text) ?? []; }

  /** The positions of each text that begins so. */
  beginning(letters: string, act: (positions: readonly number[]) => void): void {
    const start = letters.slice(0, bucketLetters), whole = start.length === bucketLetters ? [this.#buckets.get(start) ?? []] : [...this.#buckets].filter(([key]) => key.startsWith(start)).map(([, bucket]) => bucket);
    for (const bucket of whole) for (const text of bucket) if (text.startsWith(letters)) act(this.whole(text));
  }
}
