/** Scanning through a server's API. */
import type { ComputerView, ScanProgress } from '@clever-drawer/core';

/** Adds the places; the returned act scans them and ends when the scan has. */
export async function scanAll(address: string, places: readonly string[]): Promise<() => Promise<void>> {
  const computers = (await (await fetch(`${address}/api/computers`)).json()) as ComputerView[];
  const at = `${address}/api/computers/${computers[0]?.id ?? ''}`;
  const post = (path: string, body?: unknown): Promise<Response> => fetch(`${at}/${path}`, { method: 'POST', ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }) });
  for (const path of places) await post('places', { path });
  return async () => {
    await post('scans');
    for (;;) {
      const { progress } = (await (await fetch(`${at}/scans`)).json()) as { progress: ScanProgress | null };
      if (progress === null) return;
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  };
}
