/** The text of a file that somebody chose, whatever encoding it says it has. */

/** The text, or null where the bytes are in an encoding that the file doesn't name. */
export function fileText(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder(encodingOf(bytes), { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/**
 * By the byte-order mark (The Unicode Standard, 23.8), else by the declaration of an XML file (XML 1.0,
 * 4.3.3), else UTF-8.
 */
function encodingOf(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) {
    return 'utf-16le';
  }
  if (first === 0xfe && second === 0xff) {
    return 'utf-16be';
  }
  const head = String.fromCharCode(...bytes.slice(0, 200));
  return /^<\?xml[^>]*encoding=["']([\w.:-]+)["']/.exec(head)?.[1] ?? 'utf-8';
}
