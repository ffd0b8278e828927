/** Scanning through a server's API. */
import type { ComputerView, ScanProgress } from '@clever-drawer/core';

/** A connection each time: a bench that blocks this process would let kept ones run out. */
const fresh = { Connection: 'close' };

/** Adds the places; the returned act scans them and ends when the scan has. */
export async function scanAll(
  address: string,
  places: readonly string[],
): Promise<() => Promise<void>> {
  const computers = (await (await fetch(`${address}/api/computers`)).json()) as ComputerView[];
  const at = `${address}/api/computers/${computers[0]?.id ?? ''}`;
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
    for (;;) {
      const { progress } = (await (await fetch(`${at}/scans`, { headers: fresh })).json()) as {
        progress: ScanProgress | null;
      };
      if (progress === null) {
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  };
}
