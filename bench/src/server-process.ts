/** Starts `serve-alone.ts` and tells how much memory it took. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

export interface ServerProcess {
  readonly address: string;
  /**
   * The most memory the process has ever had resident (`VmHWM` of /proc, see proc(5)), in MiB;
   * threads included, the database's processes not.
   */
  readonly peak: () => number;
  readonly stop: () => Promise<void>;
}

export async function startServerProcess(data: string, web?: string): Promise<ServerProcess> {
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', join(import.meta.dirname, 'serve-alone.ts'), data, ...(web ? [web] : [])],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const [address] = (await once(createInterface(child.stdout), 'line')) as [string];
  return {
    address,
    peak: () =>
      Math.round(
        Number(
          /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid ?? 'self'}/status`, 'utf8'))?.[1] ??
            Number.NaN,
        ) / 1024,
      ),
    stop: async () => {
      const ended = once(child, 'exit');
      child.kill('SIGTERM');
      await ended;
    },
  };
}
