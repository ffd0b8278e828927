/**
 * Scans of 20,000 copies by the program as it is built: a first one against reading the same copies
 * and settings without any database, and one of nothing that changed against `find -printf` of the
 * same tree. And the most memory that the program took.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeStudio } from '@clever-drawer/demo';
import { ReaderPool, walk, type FoundBundle } from '@clever-drawer/server/scanner';
import { formats } from '@clever-drawer/core/formats';
import { measured, timed, type Measured } from './measure.ts';
import { builtThread, startServerProcess } from './server-process.ts';
import { scanAll, timeOfFind } from './server.ts';

/** Plugins of which the desk computer holds about 20,000 copies. */
const plugins = 14_400;
const rounds = 5;

export async function benchLarge(): Promise<Measured[]> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const studio = writeStudio(join(data, 'studio'), plugins);
  const reading = [await timed(() => readOnly(studio.places))];
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
          copies = studio.places.reduce((sum, place) => sum + bundlesIn(place).length, 0);
        }),
      );
      plain.push(await timeOfFind(studio.directory));
    }
    const find = { name: 'find -printf', samples: plain };
    const of = `${copies.toLocaleString('en')} files and bundles`;
    const memory = `most memory ${peak} MB, ${idle} MB before`;
    return [
      measured(`first scan of ${of}, database included (${memory})`, full, {
        name: 'reading only',
        samples: reading,
      }),
      measured(`unchanged scan of ${of}, database included`, unchanged, find),
      measured(`walking and fingerprinting ${of}, one thread`, walked, find),
    ];
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

const bundlesIn = (place: string): readonly FoundBundle[] =>
  walk(place, formats, () => false).bundles;

/** Walks all places and reads every copy and setting, on as many threads as the program takes. */
async function readOnly(places: readonly string[]): Promise<void> {
  const pool = new ReaderPool(2, process.env, builtThread);
  const stop = new SharedArrayBuffer(4);
  await Promise.all(
    places.map(async (place) => {
      const { bundles } = await pool.walk(place, formats, stop, 'both');
      const mayHoldSettings = bundles.filter((one) => one.isSettings || one.format === 'LV2');
      await Promise.all([
        ...bundles.filter((one) => !one.isSettings).map((one) => pool.read(one, place)),
        ...mayHoldSettings.map((one) => pool.readSettings(one, place)),
      ]);
    }),
  );
  await pool.close();
}
