import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { openGate, renewKey, type Gate } from '../gate.ts';
import { entrance } from './entrance.ts';

const data = mkdtempSync(join(tmpdir(), 'clever-drawer-gate-'));
const keyFile = join(data, 'key');
let gate: Gate;
let server: Server;
let address: string;
let port: number;
let now: number;

beforeAll(async () => {
  gate = await openGate(data);
  const app = express();
  app.use(entrance(gate, () => new Date(now)));
  app.use((_, response) => {
    response.json('in');
  });
  server = createServer(app).listen(0, '127.0.0.1');
  await once(server, 'listening');
  port = (server.address() as AddressInfo).port;
  address = `http://127.0.0.1:${port}`;
  gate.listensOn(port);
});
beforeEach(() => {
  now = Date.parse('2026-12-01T12:00:00Z');
});
afterAll(() => {
  server.close();
  rmSync(data, { recursive: true });
});

const key = (): string => readFileSync(keyFile, 'utf8').trim();
const ask = (path: string, headers: Record<string, string> = {}): Promise<Response> =>
  fetch(`${address}${path}`, { headers, redirect: 'manual' });
const show = (shown: string): Promise<Response> =>
  fetch(`${address}/enter`, {
    method: 'POST',
    redirect: 'manual',
    body: new URLSearchParams({ key: shown }),
  });
const cookieIn = (response: Response): string =>
  (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '';

describe('a private server', () => {
  it.each(['/', '/file', '/api/computers', '/enter/wrong'])(
    'lets nobody in without the key: %s',
    async (path) => {
      expect((await ask(path)).status).toBe(401);
    },
  );
  it('lets in a host that sends it, and takes it from no address', async () => {
    expect((await ask('/api/computers', { Authorization: `Bearer ${key()}` })).status).toBe(200);
    expect((await ask(`/?key=${key()}`)).status).toBe(401);
  });
  it('lets a browser in that shows it, by a cookie of this run and port that is not the key', async () => {
    const response = await show(key());
    expect([response.status, response.headers.get('location')]).toEqual([303, '/']);
    const header = response.headers.get('set-cookie') ?? '';
    expect(header).toMatch(/HttpOnly; SameSite=Strict; Path=\//);
    expect(header).toContain(`clever-drawer-${port}=`);
    expect(header).not.toContain(key());
    expect((await ask('/file', { Cookie: cookieIn(response) })).status).toBe(200);
    const other = await openGate(data);
    expect(await other.takesSession(cookieIn(response).split('=')[1] ?? '')).toBe(false);
  });
  it('says so where it was wrong', async () => {
    const response = await show('b'.repeat(48));
    expect(response.status).toBe(401);
    expect(await response.text()).toContain('That is not the key.');
  });
  it('lets in by a link once, and for ten minutes', async () => {
    const code = gate.newLink(now);
    const response = await ask(`/enter/${code}`);
    expect(response.status).toBe(303);
    expect((await ask('/file', { Cookie: cookieIn(response) })).status).toBe(200);
    expect((await ask(`/enter/${code}`)).status).toBe(401);
    const late = gate.newLink(now);
    now += 10 * 60_000 + 1;
    expect((await ask(`/enter/${late}`)).status).toBe(401);
  });
  it('lets nobody in by the old key, or a session of it, once it was renewed', async () => {
    const old = key();
    const response = await show(old);
    await renewKey(data);
    expect((await ask('/api/x', { Authorization: `Bearer ${old}` })).status).toBe(401);
    expect((await ask('/file', { Cookie: cookieIn(response) })).status).toBe(401);
    expect((await show(key())).status).toBe(303);
  });
  it('writes the key for its owner alone, over a link and not through it', async () => {
    const victim = join(data, 'victim');
    writeFileSync(victim, 'mine');
    rmSync(keyFile);
    symlinkSync(victim, keyFile);
    await renewKey(data);
    expect(readFileSync(victim, 'utf8')).toBe('mine');
    expect(statSync(keyFile).mode & 0o777).toBe(0o600);
  });
});
