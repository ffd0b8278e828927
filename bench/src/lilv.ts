/**
 * Reading every installed LV2 bundle on two threads, against one process of a C program on liblilv
 * that reads the same facts.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { ReaderPool, walk } from '@clever-drawer/server/scanner';
import { measured, timed, type Measured } from './measure.ts';
import { builtThread } from './server-process.ts';

const place = '/usr/lib/lv2';
const rounds = 25;
/** Rounds that are not counted: a server that runs has read before. */
const before = 10;

export async function benchLilv(): Promise<Measured[]> {
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-lilv-'));
  const program = join(directory, 'lilv-facts');
  const flags = execFileSync('pkg-config', ['--cflags', '--libs', 'lilv-0'], { encoding: 'utf8' })
    .trim()
    .split(/\s+/);
  execFileSync('cc', [
    '-O2',
    resolve(import.meta.dirname, '../lilv-facts.c'),
    ...flags,
    '-o',
    program,
  ]);
  const pool = new ReaderPool(2, process.env, builtThread);
  const cold: number[] = [];
  const warm: number[] = [];
  const theirs: number[] = [];
  const readAll = async (): Promise<void> => {
    await Promise.all(
      walk(place, ['LV2'], () => false).bundles.map((bundle) => pool.read(bundle, place)),
    );
  };
  cold.push(await timed(readAll));
  for (let i = 0; i < before; i += 1) {
    await readAll();
  }
  for (let i = 0; i < rounds; i += 1) {
    warm.push(await timed(readAll));
    theirs.push(
      await timed(() =>
        execFileSync(program, { env: { ...process.env, LV2_PATH: place }, stdio: 'ignore' }),
      ),
    );
  }
  await pool.close();
  rmSync(directory, { recursive: true });
  const against = { name: 'lilv (C), one process', samples: theirs };
  return [
    measured('read all installed LV2 bundles, the first time (threads start)', cold, against),
    measured('read all installed LV2 bundles, threads running', warm, against),
  ];
}
