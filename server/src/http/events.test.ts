import { expect, it } from '@jest/globals';
import { once } from 'node:events';
import { createServer, type ServerResponse } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import express from 'express';
import type { ServerEvent } from '@clever-drawer/core/api';
import { EventHub } from '../jobs/event-hub.ts';
import { atTheStart } from '../usecases/scan/scan-telling.ts';
import { streamEvents } from './events.ts';

const eventOf = (examining: string): ServerEvent => ({
  event: 'scan',
  progress: { ...atTheStart({ id: 'scan' }, '/lib'), examining },
});

async function startStream() {
  const events = new EventHub(() => new Date());
  const app = express();
  const responses: ServerResponse[] = [];
  app.get('/', (request, response) => {
    responses.push(response);
    streamEvents({ events, isDatabaseThere: () => true }, 'computer', request, response);
  });
  const server = createServer(app).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
  socket.write('GET / HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n');
  const [first] = (await once(socket, 'data')) as [Buffer];
  const stop = (): void => {
    socket.destroy();
    server.close();
  };
  return { events, socket, responses, first: first.toString(), stop };
}

it('a window that reads hears of everything', async () => {
  const { events, socket, stop } = await startStream();
  events.tell('computer', eventOf('echo.lv2'));
  const [text] = (await once(socket, 'data')) as [Buffer];
  expect(text.toString()).toContain('echo.lv2');
  stop();
});

it('a window is told first since when nothing has happened', async () => {
  const { first, stop } = await startStream();
  expect(first).toMatch(/data: \{"event":"opened","quiet":\d+\}/);
  stop();
});

it('nothing has happened where only the progress of scans was told', () => {
  let now = 1_000;
  const events = new EventHub(() => new Date(now));
  now += 500;
  expect(events.quietFor('computer')).toBe(500);
  events.tell('computer', { event: 'catalog' });
  now += 70;
  events.tell('computer', eventOf('echo.lv2'));
  events.tell('another', { event: 'catalog' });
  now += 5;
  expect(events.quietFor('computer')).toBe(75);
});

it('a window that reads nothing is let go before much waits for it', async () => {
  const { events, socket, responses, stop } = await startStream();
  socket.pause();
  const large = 'x'.repeat(500_000);
  let most = 0;
  for (let at = 0; at < 100 && responses[0]?.destroyed === false; at += 1) {
    events.tell('computer', eventOf(large));
    most = Math.max(most, responses[0].writableLength);
    await new Promise((resolve) => setImmediate(resolve));
  }
  expect(responses[0]?.destroyed).toBe(true);
  expect(most).toBeLessThan(2_000_000);
  stop();
});
