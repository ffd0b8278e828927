/** The edge of the server: who may speak to it, and how it stops. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { request } from 'node:http';
import type { OrderView, Refusal } from '@clever-drawer/core/api';
import { startTestServer, type TestServer } from './testing.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
});

describe('a stop', () => {
  it('lets an act under way end when the server stops, and ends the streams', async () => {
    const cabinet = async () =>
      (await server.call<OrderView>('GET', 'order')).body.records.find(
        (record) => record.table === 'cabinet',
      );
    const body = JSON.stringify({
      act: 'set-cabinet',
      cabinet: (await cabinet())?.id,
      set: { name: 'Last' },
    });
    const at = `${server.address}/api/computers/${server.computer}`;
    const hasEnded = new Promise<void>((resolve, reject) => {
      request(`${at}/events`, (response) => {
        response.resume().on('end', resolve).on('error', reject);
      })
        .on('error', reject)
        .end();
    });
    let restarted = Promise.resolve();
    const status = await new Promise<number | undefined>((resolve, reject) => {
      const sent = request(
        `${at}/acts`,
        {
          method: 'POST',
          headers: {
            'Content-Type': 'application/json',
            'Content-Length': body.length,
            Expect: '100-continue',
          },
        },
        (response) => {
          response.resume();
          resolve(response.statusCode);
        },
      );
      // The server has the head of the request and waits for the rest when it is told to stop.
      sent.on('error', reject).on('continue', () => {
        restarted = server.restart();
        setTimeout(() => {
          sent.end(body);
        }, 100);
      });
      sent.flushHeaders();
    });
    expect(status).toBe(200);
    await hasEnded;
    await restarted;
    expect(await cabinet()).toMatchObject({ name: 'Last' });
  });
});

describe('who may speak to the server', () => {
  const ask = (
    headers: Record<string, string>,
    path = '/api/computers',
  ): Promise<{ status: number; headers: Record<string, unknown> }> =>
    new Promise((resolve, reject) => {
      request(`${server.address}${path}`, { headers }, (response) => {
        response.resume();
        resolve({ status: response.statusCode ?? 0, headers: response.headers });
      })
        .on('error', reject)
        .end();
    });
  it('is this computer alone: a foreign Host or Origin is refused', async () => {
    expect((await ask({ host: 'drawer.example' })).status).toBe(403);
    expect((await ask({ origin: 'http://drawer.example' })).status).toBe(403);
    expect((await ask({ origin: 'null' })).status).toBe(403);
    expect((await ask({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await ask({ origin: server.address })).status).toBe(200);
  });
  it('sends a content security policy that allows nothing from elsewhere', async () => {
    const { headers } = await ask({});
    expect(String(headers['content-security-policy'])).toContain("default-src 'none'");
    expect(String(headers['content-security-policy'])).not.toMatch(/unsafe|\*|http/);
  });
  it('answers nonsense with a problem and not with a page', async () => {
    const response = await fetch(`${server.address}/api/computers/${server.computer}/acts`, {
      method: 'POST',
      body: '{"act":',
      headers: { 'Content-Type': 'application/json' },
    });
    expect({ status: response.status, body: (await response.json()) as Refusal }).toMatchObject({
      status: 400,
      body: { problems: [{ code: 'field-invalid', at: 'body' }] },
    });
    expect((await ask({}, '/api/nothing')).status).toBe(404);
    expect((await ask({}, '/api/computers/not-an-id/catalog')).status).toBe(404);
  });
});
