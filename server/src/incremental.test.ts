/**
 * Property: after any sequence of changes in a place, scanning only what changed gives what a fresh
 * scan of all gives.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogView, ComputerView, ScanProgress } from '@clever-drawer/core/api';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

type Step =
  | {
      readonly do: 'write' | 'remove' | 'break' | 'mend' | 'scan';
      readonly at: number;
      readonly version: number;
    }
  | { readonly do: 'move'; readonly at: number; readonly to: number };

const place = fc.nat(4);
const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({
    do: fc.constantFrom(
      'write' as const,
      'remove' as const,
      'break' as const,
      'mend' as const,
      'scan' as const,
    ),
    at: place,
    version: fc.nat(3),
  }),
  fc.record({ do: fc.constant('move' as const), at: place, to: place }),
);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(async () => {
  await server.stop();
});

async function api<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await fetch(`${server.address}/api/${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
  });
  return (await response.json()) as T;
}

async function newComputer(directory: string): Promise<string> {
  const { id } = await api<ComputerView>('POST', 'computers', { name: 'One of many' });
  await api('POST', `computers/${id}/places`, { path: directory });
  return id;
}

async function scan(computer: string): Promise<void> {
  await api('POST', `computers/${computer}/scans`);
  while (
    (await api<{ progress: ScanProgress | null }>('GET', `computers/${computer}/scans`))
      .progress !== null
  ) {
    await new Promise((resolve) => setTimeout(resolve, 4));
  }
}

/** What is there: copies by path with their plugin's name, and what failed. */
async function present(computer: string): Promise<string[]> {
  const { plugins } = await api<CatalogView>('GET', `computers/${computer}/catalog`);
  const failed = await api<{ path: string; name: string }[]>(
    'GET',
    `computers/${computer}/copies/failed`,
  );
  const sound = plugins.flatMap((p) =>
    p.copies.filter((c) => c.state === 'present').map((c) => `${c.path} ${c.version ?? ''}`),
  );
  return [...sound, ...failed.map((f) => `${f.path} failed`)].sort();
}

function change(directory: string, { at, ...rest }: Step): void {
  const name = `b${at}.lv2`;
  const path = join(directory, name);
  if (rest.do === 'write' || rest.do === 'mend') {
    writeBundle(directory, name, {
      uri: `urn:inc:${at}`,
      name: `Inc ${at}`,
      version: rest.version,
    });
  } else if (rest.do === 'remove') {
    rmSync(path, { recursive: true, force: true });
  } else if (rest.do === 'break') {
    mkdirSync(path, { recursive: true });
    writeFileSync(join(path, 'manifest.ttl'), `broken ${rest.version}`);
  } else if (
    rest.do === 'move' &&
    existsSync(path) &&
    !existsSync(join(directory, `b${rest.to}.lv2`))
  ) {
    renameSync(path, join(directory, `b${rest.to}.lv2`));
  }
}

describe('an incremental scan', () => {
  it('finds what a fresh scan finds, after any sequence of changes', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 12 }), async (steps) => {
        const directory = newPlace();
        const incremental = await newComputer(directory);
        for (const one of steps) {
          if (one.do === 'scan') {
            await scan(incremental);
          } else {
            change(directory, one);
          }
        }
        await scan(incremental);
        const fresh = await newComputer(directory);
        await scan(fresh);
        const [a, b] = [await present(incremental), await present(fresh)];
        rmSync(directory, { recursive: true });
        expect(a).toEqual(b);
      }),
      { numRuns: 30 },
    );
  });
});
