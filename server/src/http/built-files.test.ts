import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { builtFiles } from './built-files.ts';

let server: Server;
let directory: string;
let address: string;
const script = 'export const tide = "é";';
beforeAll(async () => {
  directory = mkdtempSync(join(tmpdir(), 'clever-drawer-built-'));
  writeFileSync(join(directory, 'tide.js'), script);
  writeFileSync(join(directory, 'gone.css'), '');
  const app = express();
  app.use('/assets', builtFiles(directory), (_, response) => {
    response.status(404).end('none of these');
  });
  app.use('/nowhere', builtFiles(join(directory, 'nowhere')), (_, response) => {
    response.status(404).end();
  });
  rmSync(join(directory, 'gone.css'));
  server = app.listen(0, '127.0.0.1');
  await once(server, 'listening');
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
  rmSync(directory, { recursive: true });
});

describe('built files', () => {
  it('are answered from memory, for ever, as what they are', async () => {
    const first = await fetch(`${address}/assets/tide.js`);
    expect(first.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
    expect(first.headers.get('content-type')).toBe('text/javascript; charset=utf-8');
    expect(first.headers.get('content-length')).toBe(String(Buffer.byteLength(script)));
    expect(await first.text()).toBe(script);
    rmSync(join(directory, 'tide.js'));
    expect(await (await fetch(`${address}/assets/tide.js?again`)).text()).toBe(script);
  });
  it.each(['/assets/', '/assets/none.js', '/assets/..%2fsecret', '/nowhere/tide.js'])(
    'leaves %s to others',
    async (path) => {
      expect((await fetch(address + path)).status).toBe(404);
    },
  );
  it('is an error where a file is gone that was never asked for', async () => {
    expect((await fetch(`${address}/assets/gone.css`)).status).toBe(500);
  });
});
