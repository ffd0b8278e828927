/** Before all tests: the demo is seeded once. Each test gets a copy of its database, over the same plugin folders, which no test writes into. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createTravel, demoComputer, seedStudio } from '@clever-drawer/demo';
import { serve } from '@clever-drawer/server';

const variable = 'CLEVER_DRAWER_SEED';

/** Where the seeded demo of this run is. Workers are started with the environment of the run. */
export function seedOfRun(): string {
  const directory = process.env[variable];
  if (directory === undefined) {
    throw new Error('the demo was not seeded');
  }
  return directory;
}

/** What it returns is called behind all tests. */
export default async function seed(): Promise<() => void> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-e2e-seed-'));
  const travel = createTravel();
  const running = await serve({
    data,
    port: 0,
    web: null,
    firstComputer: demoComputer,
    clock: travel.clock,
  });
  await seedStudio(running, join(data, 'studio'), travel);
  await running.stop();
  process.env[variable] = data;
  return () => {
    rmSync(data, { recursive: true, force: true });
  };
}
