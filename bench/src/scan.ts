/** A full and an unchanged scan of the demo through the server, against `find -printf` over the same tree. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeStudio } from '@clever-drawer/demo';
import { freePort, serve } from '@clever-drawer/server';
import { measured, timed, type Measured } from './measure.ts';
import { scanAll, timeOfFind } from './server.ts';

const rounds = 5;

export async function benchScan(): Promise<Measured[]> {
  const full: number[] = [];
  const unchanged: number[] = [];
  const plain: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
    const studio = writeStudio(join(data, 'studio'));
    const server = await serve({ data, port: await freePort(), web: null });
    try {
      const scan = await scanAll(server.address, studio.places);
      full.push(await timed(scan));
      unchanged.push(await timed(scan));
      plain.push(await timeOfFind(studio.directory));
    } finally {
      await server.stop();
      rmSync(data, { recursive: true, force: true });
    }
  }
  const against = { name: 'find -printf', samples: plain };
  return [
    measured('full scan of the demo (951 copies), as the user waits', full, against),
    measured('unchanged scan of the demo, as the user waits', unchanged, against),
  ];
}
