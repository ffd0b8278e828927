/**
 * An unchanged scan of 10,000 copies against `find -printf` of the same tree, and the peak memory
 * of a full one.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeStudio } from '@clever-drawer/demo';
import { walk } from '@clever-drawer/server/scanner';
import { formats } from '@clever-drawer/core';
import { measured, timed, type Measured } from './measure.ts';
import { startServerProcess } from './server-process.ts';
import { scanAll, timeOfFind } from './server.ts';

/** Plugins of which the desk computer holds about 10,000 copies. */
const plugins = 7_300;
const rounds = 5;

export async function benchLarge(): Promise<Measured[]> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const studio = writeStudio(join(data, 'studio'), plugins);
  const server = await startServerProcess(data);
  const idle = server.peak();
  try {
    const scan = await scanAll(server.address, studio.places);
    const full = [await timed(scan)];
    const peak = server.peak();
    const unchanged: number[] = [];
    const walked: number[] = [];
    const plain: number[] = [];
    let copies = 0;
    for (let i = 0; i < rounds; i += 1) {
      unchanged.push(await timed(scan));
      walked.push(
        await timed(() => {
          copies = studio.places.reduce(
            (sum, place) => sum + walk(place, formats, () => false).bundles.length,
            0,
          );
        }),
      );
      plain.push(await timeOfFind(studio.directory));
    }
    const against = { name: 'find -printf', samples: plain };
    const of = `${copies.toLocaleString('en')} files and bundles`;
    return [
      measured(
        `full scan of ${of}, database included (peak memory ${peak} MB, ${idle} MB before)`,
        full,
        against,
      ),
      measured(`unchanged scan of ${of}, database included`, unchanged, against),
      measured(`walking and fingerprinting ${of}`, walked, against),
    ];
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
