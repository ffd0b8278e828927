/** Bytes that are read piecewise, so that a large file need not be read whole. */

/** Bytes that can be read in pieces. */
export interface ByteSource {
  readonly size: number;
  /** Exactly `length` bytes from `offset`; null when the file ends before. */
  read(offset: number, length: number): Uint8Array | null;
}

/**
 * Thrown inside a reader when the file is shorter or stranger than its own words; caught at the
 * reader's door.
 */
export class Truncated extends Error {}

/** The most that a reader takes in one piece, in bytes. Tables of real files stay far below. */
const pieceLimit = 32 * 1_048_576;

/** Numbers out of a source, in the byte order of the file. */
export class View {
  readonly #source: ByteSource;
  readonly littleEndian: boolean;
  constructor(source: ByteSource, littleEndian: boolean) {
    this.#source = source;
    this.littleEndian = littleEndian;
  }

  /** Of the whole file, in bytes. */
  get size(): number {
    return this.#source.size;
  }

  /** A piece of the file; throws Truncated where there is none. */
  piece(offset: number, length: number): DataView {
    if (length < 0 || length > pieceLimit || offset < 0) {
      throw new Truncated(`a table of ${length} bytes`);
    }
    const bytes = this.#source.read(offset, length);
    if (!bytes) {
      throw new Truncated('it ends too early');
    }
    return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  u16(offset: number): number {
    return this.piece(offset, 2).getUint16(0, this.littleEndian);
  }

  u32(offset: number): number {
    return this.piece(offset, 4).getUint32(0, this.littleEndian);
  }
}

/** A source over bytes in memory. */
export const bytesSource = (bytes: Uint8Array): ByteSource => ({
  size: bytes.length,
  read: (offset, length) =>
    offset + length <= bytes.length ? bytes.subarray(offset, offset + length) : null,
});

/** The most characters of a name in a program. */
export const longestName = 512;

/** A text that ends with a zero byte, ASCII, at most `longestName` characters. */
export function zeroEnded(view: DataView, offset: number): string {
  let text = '';
  for (let at = offset; at < view.byteLength && text.length < longestName; at += 1) {
    const byte = view.getUint8(at);
    if (byte === 0) {
      break;
    }
    text += String.fromCharCode(byte);
  }
  return text;
}
