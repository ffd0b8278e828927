/** Lines of a request's body as they come in. */
import type { Readable } from 'node:stream';

/** A line that is longer is given as far as it came, and is the last one. UTF-16 units. */
const lineLimit = 1_100_000;

/**
 * Lines without their ends, which may be those of Windows; a byte-order mark is left out. Whoever
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
  const decoder = new TextDecoder();
  let rest = '';
  for await (const piece of pieces) {
    const whole = (rest + decoder.decode(piece as Buffer, { stream: true })).split('\n');
    rest = whole.pop() ?? '';
    for (const line of whole) {
      yield line.replace(/\r$/, '');
    }
    if (rest.length > lineLimit) {
      break;
    }
  }
  rest += decoder.decode();
  if (rest !== '') {
    yield rest.replace(/\r$/, '');
  }
}
