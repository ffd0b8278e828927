/**
 * One act among 5,000 placements, from the request to the confirmation by the program as it is built
 * and started, beside one INSERT in a transaction of its own on the same database.
 */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import type { Act } from '@clever-drawer/core/acts';
import type { CatalogView, OrderView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { writeStudio } from '@clever-drawer/demo';
import { measured, timed, type Measured } from './measure.ts';
import { databaseOf, startServerProcess } from './server-process.ts';
import { firstComputerAt, scanAll } from './server.ts';

const folders = 50;
const filedInEach = 100;
const acts = 200;

/** Does acts on the computer of that address. */
export const actsAt =
  (at: string) =>
  async (wanted: Act): Promise<void> => {
    const done = await fetch(`${at}/acts`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(wanted),
    });
    if (!done.ok) {
      throw new Error(await done.text());
    }
    await done.json();
  };

/** Files one plugin in a folder. */
export const filing = (folder: string, plugin: string): Act => ({
  act: 'file',
  folder: asId(folder),
  plugins: [{ placement: asId(randomUUID()), plugin: asId(plugin) }],
  before: null,
});

/** Fills folders; gives plugins that stand in none, and a folder for them. */
export async function fileMany(
  at: string,
  act: (wanted: Act) => Promise<void>,
): Promise<{ readonly plugins: readonly string[]; readonly into: string }> {
  const { plugins } = (await (await fetch(`${at}/catalog`)).json()) as CatalogView;
  const { records } = (await (await fetch(`${at}/order`)).json()) as OrderView;
  const cabinet = records.find(({ table }) => table === 'cabinet')?.id ?? '';
  const ids = plugins.map(({ id }) => id);
  const made = Array.from({ length: folders }, () => randomUUID());
  for (const [n, id] of made.entries()) {
    await act({
      act: 'add-folder',
      id: asId(id),
      cabinet: asId(cabinet),
      parent: null,
      form: 'folder',
      name: `Folder ${n}`,
      rule: null,
      before: null,
      plugins: Array.from({ length: filedInEach }, (_, at_) => ({
        placement: asId(randomUUID()),
        plugin: ids[(n * 37 + at_) % (ids.length - acts)] ?? asId(''),
      })),
    });
  }
  return { plugins: ids.slice(-acts), into: made[0] ?? '' };
}

export async function benchActs(): Promise<Measured[]> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const studio = writeStudio(join(data, 'studio'), 2_000);
  const running = await startServerProcess(data);
  const client = new pg.Client(await databaseOf(data));
  await client.connect();
  try {
    await (
      await scanAll(running.address, studio.places)
    )();
    const at = await firstComputerAt(running.address);
    const act = actsAt(at);
    const { plugins, into } = await fileMany(at, act);
    await client.query('CREATE TABLE bench (id uuid PRIMARY KEY, folder uuid, plugin uuid)');
    const ours: number[] = [];
    const theirs: number[] = [];
    for (const plugin of plugins) {
      ours.push(await timed(() => act(filing(into, plugin))));
      theirs.push(
        await timed(async () => {
          await client.query('BEGIN');
          await client.query('INSERT INTO bench VALUES ($1, $2, $3)', [randomUUID(), into, plugin]);
          await client.query('COMMIT');
        }),
      );
    }
    const name = 'one INSERT in a transaction';
    return [
      measured(`an act among ${folders * filedInEach} placements`, ours, { name, samples: theirs }),
    ];
  } finally {
    await client.end();
    await running.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
