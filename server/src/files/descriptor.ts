/** Reading and writing a whole file through a descriptor that somebody else opened, and closes. */
import { read, write } from 'node:fs';
import { promisify } from 'node:util';

const readPart = promisify(read);
const writePart = promisify(write);
const pieceSize = 256 * 1024;

/** What the file holds from its beginning, piece by piece. */
export async function* piecesOf(descriptor: number): AsyncGenerator<Buffer> {
  for (let position = 0; ; ) {
    const buffer = Buffer.allocUnsafe(pieceSize);
    const { bytesRead } = await readPart(descriptor, buffer, 0, pieceSize, position);
    if (bytesRead === 0) {
      return;
    }
    position += bytesRead;
    yield buffer.subarray(0, bytesRead);
  }
}

/** Writes these pieces from the beginning of the file on. */
export async function writePieces(
  descriptor: number,
  pieces: AsyncIterable<Uint8Array>,
): Promise<void> {
  let position = 0;
  for await (const piece of pieces) {
    for (let at = 0; at < piece.length; ) {
      const { bytesWritten } = await writePart(descriptor, piece, at, piece.length - at, position);
      at += bytesWritten;
      position += bytesWritten;
    }
  }
}
