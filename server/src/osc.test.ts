/** OSC over UDP, spoken by a standard OSC library (node-osc), which is not the one the server reads with. */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { createSocket, type Socket } from 'node:dgram';
import { once } from 'node:events';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Bundle, decode, encode, Message } from 'node-osc';
import type { HabitsView, HealthView, SessionView } from '@clever-drawer/core/api';
import type { Usage } from '@clever-drawer/core/loading';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
let place: string;
let socket: Socket;
type Reply = [address: string, ...values: (string | number)[]];
const replies: Reply[] = [];

/** Sends a packet and waits for the reply of that address. */
async function ask(packet: Message | Bundle | Buffer, until: string): Promise<Reply[]> {
  replies.length = 0;
  socket.send(Buffer.isBuffer(packet) ? packet : encode(packet), server.oscPort, '127.0.0.1');
  for (
    let waited = 0;
    waited < 1200 && !replies.some(([address]) => address === until);
    waited += 1
  ) {
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  return [...replies];
}

beforeEach(async () => {
  server = await startTestServer();
  place = newPlace();
  const program = readFileSync('/usr/lib/lv2/eg-amp.lv2/amp.so');
  for (const name of ['Slackwater', 'Sluice', 'Tern']) {
    writeBundle(place, `${name}.lv2`, {
      uri: `urn:osc:${name}`,
      name,
      audio: true,
      program,
      class: 'CompressorPlugin',
    });
  }
  await server.call('POST', 'places', { path: place });
  await server.scan();
  socket = createSocket('udp4');
  socket.on('message', (bytes) => {
    const message = decode(bytes) as unknown as {
      address: string;
      args: { value: string | number }[];
    };
    replies.push([message.address, ...message.args.map((arg) => arg.value)]);
  });
  socket.bind(0, '127.0.0.1');
  await once(socket, 'listening');
});
afterEach(async () => {
  socket.close();
  await server.stop();
  rmSync(place, { recursive: true, force: true });
});

describe('OSC messages', () => {
  it('find, load and bypass, as another program would', async () => {
    const found = await ask(
      new Message('/clever-drawer/find', 'sl', 'effect'),
      '/clever-drawer/found/end',
    );
    expect(
      found.map(([address, ...values]) => [address, values.length, values[2] ?? values[0]]),
    ).toEqual([
      ['/clever-drawer/found', 6, 'Slackwater'],
      ['/clever-drawer/found', 6, 'Sluice'],
      ['/clever-drawer/found/end', 1, 2],
    ]);
    const id = String(found[0]?.[2]);
    const [, track] = (
      await ask(new Message('/clever-drawer/tracks'), '/clever-drawer/track')
    )[0] as [string, string];
    expect(
      await ask(new Message('/clever-drawer/load', track, 0, id), '/clever-drawer/loaded'),
    ).toEqual([['/clever-drawer/loaded', 'Voice', 0]]);
    expect(
      await ask(new Message('/clever-drawer/bypass', 'Voice', 0, 1), '/clever-drawer/bypassed'),
    ).toEqual([['/clever-drawer/bypassed', 'Voice', 0, 1]]);
    expect((await server.call<SessionView>('GET', 'session')).body.tracks[0]?.slots).toMatchObject([
      { asked: { name: 'Slackwater' }, isBypassed: true },
    ]);
  });
  it('tell of what a host has loaded, which counts as use', async () => {
    const path = (name: string): string => join(place, `${name}.lv2`);
    expect(
      await ask(
        new Bundle([
          '/clever-drawer/host/loaded',
          'LV2',
          path('Tern'),
          'track',
          path('Slackwater'),
        ]),
        '/clever-drawer/host/heard',
      ),
    ).toEqual([['/clever-drawer/host/heard', path('Tern')]]);
    expect((await server.call<Usage[]>('GET', 'usage')).body.map((one) => one.loads)).toEqual([1]);
    expect((await server.call<HabitsView>('GET', 'habits')).body.after).toHaveLength(1);
    expect((await server.call<{ name: string }[]>('GET', 'find?q=te&limit=1')).body).toMatchObject([
      { name: 'Tern', format: 'LV2' },
    ]);
    expect((await server.call('GET', 'find?q=te&limit=x')).status).toBe(400);
    // Told again under the same id, as after a break, it counts once.
    const again = new Message(
      '/clever-drawer/host/loaded',
      'LV2',
      path('Tern'),
      'bus',
      '',
      'load 7',
    );
    for (let times = 0; times < 2; times += 1) {
      expect(await ask(again, '/clever-drawer/host/heard')).toEqual([
        ['/clever-drawer/host/heard', path('Tern'), 'load 7'],
      ]);
    }
    const message = { id: 'load 7', format: 'LV2', path: path('Tern'), identity: null };
    const { body: added } = await server.call<number>('POST', 'host/loads', {
      ...message,
      track: 'bus',
      after: null,
    });
    expect(added).toBe(0);
    expect((await server.call<Usage[]>('GET', 'usage')).body.map((one) => one.loads)).toEqual([2]);
    expect(
      (
        await server.call('POST', 'host/loads', {
          format: 'LV2',
          path: '/nowhere',
          identity: null,
          track: 'track',
          after: null,
        })
      ).status,
    ).toBe(404);
  });
  it('are refused in words when they are not understood', async () => {
    const refusal = async (packet: Message | Buffer): Promise<string> =>
      String((await ask(packet, '/clever-drawer/refused'))[0]?.[1]);
    expect(await refusal(Buffer.from('nonsense'))).toMatch(/no OSC packet/);
    expect(await refusal(new Message('/clever-drawer/dance'))).toMatch(
      /no message \/clever-drawer\/dance\. There are \/clever-drawer\/find/,
    );
    expect(await refusal(new Message('/clever-drawer/load', 'Voice', 0, 'x'))).toMatch(
      /no such plugin/,
    );
    expect(await refusal(new Message('/clever-drawer/host/loaded', 'XYZ'))).toMatch(
      /takes a format/,
    );
    expect(
      await refusal(new Message('/clever-drawer/host/loaded', 'LV2', '/nowhere', 'track')),
    ).toMatch(/no such copy/);
  });
  it('by the ten thousand keep nobody else waiting', async () => {
    const find = encode(new Message('/clever-drawer/find', 's', 'effect'));
    const packet = Buffer.isBuffer(find) ? find : Buffer.from(find);
    for (let sent = 0; sent < 20_000; sent += 1) {
      socket.send(packet, server.oscPort, '127.0.0.1');
      if (sent % 2_000 === 0) {
        // What waits too long for a connection of the database is answered with 503.
        expect((await server.call('GET', 'order')).status).toBe(200);
      }
    }
    const { status, body } = await health();
    expect([status, body.isReady, body.uncaught]).toEqual([200, true, []]);
  });
});

async function health(): Promise<{ status: number; body: HealthView }> {
  const response = await fetch(`${server.address}/health`);
  return { status: response.status, body: (await response.json()) as HealthView };
}
