/** The encoding of a text that says it itself. */

/** By the byte-order mark of UTF-16 (The Unicode Standard, 23.8, "Byte Order Mark"); null without one. */
export function markedEncoding([first, second]: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  if (first === 0xff && second === 0xfe) {
    return 'utf-16le';
  }
  return first === 0xfe && second === 0xff ? 'utf-16be' : null;
}
