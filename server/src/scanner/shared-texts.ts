/** Many texts that threads see in one memory, instead of a copy in each. */

/** Texts as UTF-8, one behind the other. */
export interface SharedTexts {
  readonly bytes: SharedArrayBuffer;
  /** Where each ends, in bytes from the beginning. */
  readonly ends: Uint32Array;
}

/** Puts texts into memory that may be sent to threads; half of a surrogate pair becomes U+FFFD. */
export function shareTexts(texts: readonly string[]): SharedTexts {
  const ends = new Uint32Array(texts.length);
  let end = 0;
  for (const [at, text] of texts.entries()) {
    end += Buffer.byteLength(text);
    ends[at] = end;
  }
  const bytes = new SharedArrayBuffer(end);
  const target = Buffer.from(bytes);
  for (const [at, text] of texts.entries()) {
    target.write(text, ends[at - 1] ?? 0);
  }
  return { bytes, ends };
}

/** The text at a position. */
export const sharedText = ({ bytes, ends }: SharedTexts, at: number): string =>
  Buffer.from(bytes).toString('utf8', ends[at - 1] ?? 0, ends[at] ?? 0);
