/** `./start --status`: whether Clever Drawer runs on the data, where, and whether it is well. */
import { existsSync } from 'node:fs';
import type { HealthView } from '@clever-drawer/core/api';
import { readRunningNote } from '@clever-drawer/server';
import { unitPath } from './service.ts';
import type { StartOptions } from './start-options.ts';

/** Lines that say how things are; `isRunning` tells whether it answered. */
export interface Status {
  readonly isRunning: boolean;
  readonly lines: readonly string[];
}

export async function readStatus({ data }: StartOptions): Promise<Status> {
  const note = await readRunningNote(data);
  const health = note ? await askHealth(note.address) : null;
  const service = existsSync(unitPath())
    ? `The service ${unitPath()} is installed.`
    : 'No service is installed.';
  return { isRunning: health !== null, lines: [sayRunning(data, note, health), service] };
}

function sayRunning(
  data: string,
  note: { readonly pid: number; readonly address: string } | null,
  health: HealthView | null,
): string {
  if (note === null || health === null) {
    return `Clever Drawer does not run on ${data}${note ? `, or does not answer at ${note.address}` : ''}.`;
  }
  const state = health.isReady ? 'It is well.' : health.reasons.join(' ');
  const faults = health.uncaught.map((words) => ` A fault of ours was caught: ${words}`).join('');
  return `Clever Drawer runs on ${data}: ${note.address} (process ${note.pid}). ${state}${faults}`;
}

const askHealth = (address: string): Promise<HealthView | null> =>
  fetch(`${address}/health`, { signal: AbortSignal.timeout(3_000) }).then(
    async (response) => (await response.json()) as HealthView,
    () => null,
  );
