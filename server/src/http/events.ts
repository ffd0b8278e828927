/**
 * Server-sent events (https://html.spec.whatwg.org/multipage/server-sent-events.html): what happens
 * on one computer.
 */
import type { Request, Response } from 'express';
import type { ServerEvent } from '@clever-drawer/core/api';
import type { Parts } from '../parts.ts';

/** A comment line is sent this often, so that a dead connection is noticed. Milliseconds. */
const heartbeat = 20_000;

/** What may wait for a window that does not read, in bytes. */
const mostUnread = 1_000_000;

const texts = new WeakMap<ServerEvent, string>();

/** An event as it is sent: made once, however many windows hear it. */
function textOf(event: ServerEvent): string {
  const text = texts.get(event) ?? `data: ${JSON.stringify(event)}\n\n`;
  texts.set(event, text);
  return text;
}

/** Sends events of a computer to one window until it goes. */
export function streamEvents(
  parts: Pick<Parts, 'events' | 'isDatabaseThere'>,
  computer: string,
  request: Request,
  response: Response,
): void {
  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store',
    Connection: 'keep-alive',
    'X-Accel-Buffering': 'no',
  });
  response.write('retry: 1000\n\n');
  if (!parts.isDatabaseThere()) {
    response.write(textOf({ event: 'database', isThere: false }));
  }
  response.write(textOf({ event: 'opened', quiet: parts.events.quietFor(computer) }));
  const end = (): void => {
    response.end();
  };
  const stop = parts.events.listen(computer, (event) => {
    response.write(textOf(event));
    // A window that reads nothing any more is let go; when it comes back it fetches everything anew.
    if (response.writableLength > mostUnread) {
      response.destroy();
    }
  });
  const beat = setInterval(() => {
    response.write(': still here\n\n');
  }, heartbeat);
  parts.events.ended.addEventListener('abort', end);
  request.on('close', () => {
    stop();
    parts.events.ended.removeEventListener('abort', end);
    clearInterval(beat);
  });
}
