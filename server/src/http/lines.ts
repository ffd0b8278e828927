/** Lines of a request's body as they come in. */
import type { Readable } from 'node:stream';

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
  let first: Buffer = Buffer.alloc(0);
  let rest = '';
  for await (const piece of pieces) {
    first = Buffer.concat([first, piece as Buffer]);
    if (!decoder && first.length < 2) {
      continue;
    }
    decoder ??= new TextDecoder(encodingOf(first));
    const whole = (rest + decoder.decode(first, { stream: true })).split('\n');
    first = Buffer.alloc(0);
    rest = whole.pop() ?? '';
    for (const line of whole) {
      yield line.replace(/\r$/, '');
    }
    if (rest.length > lineLimit) {
      break;
    }
  }
  rest += (decoder ?? new TextDecoder()).decode(first);
  if (rest !== '') {
    yield rest.replace(/\r$/, '');
  }
}

/** By the byte-order mark (The Unicode Standard, 23.8, "Byte Order Mark"). */
function encodingOf(bytes: Buffer): string {
  const marks: Readonly<Record<string, string>> = { fffe: 'utf-16le', feff: 'utf-16be' };
  return marks[bytes.toString('hex', 0, 2)] ?? 'utf-8';
}
