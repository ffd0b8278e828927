/** Lines of a request's body as they come in. */
import type { Readable } from 'node:stream';
import { markedEncoding } from '@clever-drawer/core/text';

/** A line that is longer is given as far as it came, and is the last one. UTF-16 units. */
const lineLimit = 1_100_000;

/**
 * Lines without their ends, which may be those of Windows, in UTF-8 or, as the shell of Windows writes
 * with ">", in UTF-16 with its mark; a byte-order mark is left out. Whoever
 * stops before the end can still answer: what comes after is passed over.
 */
export async function* linesOf(body: Readable): AsyncGenerator<string> {
  try {
    yield* lines(body.iterator({ destroyOnReturn: false }));
  } finally {
    body.resume();
  }
}

async function* lines(pieces: AsyncIterable<unknown>): AsyncGenerator<string> {
  let decoder: TextDecoder | null = null;
  /** The first byte, where it came alone: two tell the encoding. */
  let alone: Buffer = Buffer.alloc(0);
  let rest = '';
  for await (const piece of pieces) {
    const bytes: Buffer = decoder ? (piece as Buffer) : Buffer.concat([alone, piece as Buffer]);
    if (!decoder && bytes.length < 2) {
      alone = bytes;
      continue;
    }
    decoder ??= new TextDecoder(markedEncoding(bytes) ?? 'utf-8');
    const whole = (rest + decoder.decode(bytes, { stream: true })).split('\n');
    rest = whole.pop() ?? '';
    for (const line of whole) {
      yield line.replace(/\r$/, '');
    }
    if (rest.length > lineLimit) {
      break;
    }
  }
  rest += decoder ? decoder.decode() : new TextDecoder().decode(alone);
  if (rest !== '') {
    yield rest.replace(/\r$/, '');
  }
}
