import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { withKey } from './key.ts';

const key = 'a'.repeat(48);
let server: Server;
let address: string;
beforeAll(async () => {
  const app = express();
  app.use(withKey(key));
  app.use((_, response) => {
    response.json('in');
  });
  server = createServer(app).listen(0, '127.0.0.1');
  await once(server, 'listening');
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
});

const statusOf = async (path: string, headers: Record<string, string> = {}): Promise<number> =>
  (await fetch(`${address}${path}`, { headers, redirect: 'manual' })).status;

describe('a private server', () => {
  it.each(['/', '/file', '/api/computers', '/?key=wrong', `/?key=${key}x`])(
    'lets nobody in without the key: %s',
    async (path) => {
      expect(await statusOf(path)).toBe(401);
    },
  );
  it('lets in who sends it', async () => {
    expect(await statusOf('/api/computers', { Authorization: `Bearer ${key}` })).toBe(200);
  });
  it('leaves it in the browser once, and takes it out of the address', async () => {
    const response = await fetch(`${address}/file?key=${key}&in=drawer`, { redirect: 'manual' });
    expect(response.status).toBe(303);
    expect(response.headers.get('location')).toBe('/file?in=drawer');
    const cookie = response.headers.get('set-cookie') ?? '';
    expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
    expect(await statusOf('/file', { Cookie: cookie.split(';')[0] ?? '' })).toBe(200);
  });
  it('leads nowhere else', async () => {
    const response = await fetch(`${address}//elsewhere.example/?key=${key}`, {
      redirect: 'manual',
    });
    expect(response.headers.get('location')).toBe('/elsewhere.example/');
  });
  it('takes no cookie of another key', async () => {
    expect(await statusOf('/file', { Cookie: 'clever-drawer-key=wrong' })).toBe(401);
  });
});
