/**
 * Server-sent events (https://html.spec.whatwg.org/multipage/server-sent-events.html): what happens
 * on one computer.
 */
import type { Request, Response } from 'express';
import type { Parts } from '../parts.ts';

/** A comment line is sent this often, so that a dead connection is noticed. Milliseconds. */
const heartbeat = 20_000;

/** Sends events of a computer to one window until it goes. */
export function streamEvents(
  parts: Parts,
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
  const stop = parts.events.listen(computer, (event) => {
    response.write(`data: ${JSON.stringify(event)}\n\n`);
  });
  const beat = setInterval(() => {
    response.write(': still here\n\n');
  }, heartbeat);
  const end = (): void => {
    response.end();
  };
  parts.events.ended.addEventListener('abort', end);
  request.on('close', () => {
    stop();
    parts.events.ended.removeEventListener('abort', end);
    clearInterval(beat);
  });
}
