/** The text of a file that somebody chose, whatever encoding it says it has. */
import { markedEncoding } from '@clever-drawer/core/text';

/** The text, or null where the bytes are in an encoding that the file doesn't name. */
export function fileText(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder(encodingOf(bytes), { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** By the byte-order mark, else by the declaration of an XML file (XML 1.0, 4.3.3), else UTF-8. */
function encodingOf(bytes: Uint8Array): string {
  const head = String.fromCharCode(...bytes.slice(0, 200));
  return (
    markedEncoding(bytes) ?? /^<\?xml[^>]*encoding=["']([\w.:-]+)["']/.exec(head)?.[1] ?? 'utf-8'
  );
}
