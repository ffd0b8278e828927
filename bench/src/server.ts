/** A server with a studio, and scanning through its API. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeStudio } from '@clever-drawer/demo';
import { freePort, serve } from '@clever-drawer/server';
import type { ComputerView, ScanProgress } from '@clever-drawer/core/api';
import { timed } from './measure.ts';

/** A connection each time: a bench that blocks this process would let kept ones run out. */
const fresh = { Connection: 'close' };

/** The address of the first computer of a server's API. */
export async function firstComputerAt(address: string): Promise<string> {
  const answer = await fetch(`${address}/api/computers`);
  const [computer] = (await answer.json()) as ComputerView[];
  return `${address}/api/computers/${computer?.id ?? ''}`;
}

/** The floor of looking at a tree: what `find` takes to print path, size, time and number of each file. */
export const timeOfFind = (directory: string): Promise<number> =>
  timed(() => execFileSync('find', [directory, '-printf', '%p %s %T@ %i\n'], { stdio: 'ignore' }));

/** Adds the places; the returned act scans them and ends when the scan has. */
export async function scanAll(
  address: string,
  places: readonly string[],
): Promise<() => Promise<void>> {
  const at = await firstComputerAt(address);
  const post = (path: string, body?: unknown): Promise<Response> =>
    fetch(`${at}/${path}`, {
      method: 'POST',
      ...(body === undefined
        ? { headers: fresh }
        : {
            body: JSON.stringify(body),
            headers: { 'Content-Type': 'application/json', ...fresh },
          }),
    });
  for (const path of places) {
    await post('places', { path });
  }
  return async () => {
    await post('scans');
    const began = performance.now();
    for (;;) {
      const { progress } = (await (await fetch(`${at}/scans`, { headers: fresh })).json()) as {
        progress: ScanProgress | null;
      };
      if (progress === null) {
        return;
      }
      // Asking takes time from what is asked: what takes long is asked after less often.
      const wait = Math.min(100, 5 + (performance.now() - began) / 50);
      await new Promise((resolve) => setTimeout(resolve, wait));
    }
  };
}

type Serving = Awaited<ReturnType<typeof serve>>;

/** The directory of the built pages. */
export const web = join(import.meta.dirname, '../../web/dist');

/** Does some work on a server with the built pages, on which so many made-up plugins were scanned. */
export async function withStudio<T>(
  plugins: number,
  work: (server: Serving) => Promise<T>,
): Promise<T> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const server = await serve({ data, port: await freePort(), web });
  try {
    const studio = writeStudio(join(data, 'studio'), plugins);
    const scan = await scanAll(server.address, studio.places);
    await scan();
    return await work(server);
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
