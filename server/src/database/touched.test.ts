import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import type { DataSource, EntityManager } from 'typeorm';
import type { Cluster } from './cluster.ts';
import { addComputer } from './computers.ts';
import { connect } from './connect.ts';
import { forgetAllTouched, forgetTouchedBefore, touchedFrom } from './touched.ts';
import { startTestCluster } from '../testing.ts';

let cluster: Cluster;
let source: DataSource;
let computer: string;
/** From where on it is asked what was touched. */
let from: string | null;

beforeAll(async () => {
  cluster = await startTestCluster();
  source = await connect(await cluster.database('touched'));
});
beforeEach(async () => {
  computer = (await addComputer(source.manager, 'Loft', new Date())).id;
  from = null;
  await look();
});
afterAll(async () => {
  await source.destroy();
  await cluster.stop();
});

/** What was touched since the last look. */
async function look(): Promise<readonly string[] | null> {
  const touched = await touchedFrom(source.manager, computer, from);
  ({ from } = touched);
  return touched.plugins?.toSorted() ?? null;
}

async function addPlugins(count: number): Promise<string[]> {
  const rows: { id: string }[] = await source.query(
    `INSERT INTO plugin (id, computer_id, name, kind, types, arrived_at, is_remembered, grounds)
      SELECT gen_random_uuid(), $1, 'Silt ' || n, 'effect', '[]', now(), false, '[]'
        FROM generate_series(1, $2::int) n RETURNING id`,
    [computer, count],
  );
  return rows.map(({ id }) => id).sort();
}

async function addCopy(plugin: string | null): Promise<string> {
  const id = randomUUID();
  await source.query(
    `INSERT INTO copy (id, computer_id, plugin_id, key, format, path, status, state, facts,
      first_seen_at, last_seen_at)
      VALUES ($1, $2, $3, $1::uuid::text, 'LV2', '/silt.lv2', 'ok', 'present', '{}', now(), now())`,
    [id, computer, plugin],
  );
  return id;
}

const rename = (manager: EntityManager, plugin?: string): Promise<unknown> =>
  manager.query(`UPDATE plugin SET name = name || '.' WHERE id = $1`, [plugin]);

describe('what was touched', () => {
  it('is not known to who never looked, and nothing where nothing happened', async () => {
    await addPlugins(1);
    expect((await touchedFrom(source.manager, computer, null)).plugins).toBeNull();
    await look();
    expect(await look()).toEqual([]);
  });

  it('are plugins that came, changed and went, and those whose copies did', async () => {
    const [a = '', b = '', c = ''] = await addPlugins(3);
    expect(await look()).toEqual([a, b, c]);
    await rename(source.manager, b);
    expect(await look()).toEqual([b]);
    const copy = await addCopy(c);
    expect(await look()).toEqual([c]);
    await source.query('UPDATE copy SET plugin_id = $2 WHERE id = $1', [copy, a]);
    expect(await look()).toEqual([a, c].sort());
    await source.query(`UPDATE copy SET facts = '{"version": "2"}' WHERE id = $1`, [copy]);
    expect(await look()).toEqual([a]);
    await source.query('DELETE FROM copy WHERE id = $1', [copy]);
    expect(await look()).toEqual([a]);
    await source.query('DELETE FROM plugin WHERE id = $1', [b]);
    expect(await look()).toEqual([b]);
  });

  it('are none where a copy belongs to no plugin yet, or a change was taken back', async () => {
    const [plugin] = await addPlugins(1);
    await look();
    await addCopy(null);
    await source
      .transaction(async (manager) => {
        await rename(manager, plugin);
        throw new Error('taken back');
      })
      .catch(() => undefined);
    expect(await look()).toEqual([]);
  });

  it('is told by a change that began before the last look and was stored after it', async () => {
    const [early, late] = await addPlugins(2);
    await look();
    const slow = source.createQueryRunner();
    await slow.startTransaction();
    await rename(slow.manager, early);
    // Others begin later and are stored first.
    await rename(source.manager, late);
    expect(await look()).toEqual([late]);
    await slow.commitTransaction();
    await slow.release();
    expect(await look()).toContain(early);
    expect(await look()).toEqual([]);
  });

  it('is not told one by one where it is many', async () => {
    await addPlugins(501);
    expect(await look()).toBeNull();
    await addPlugins(500);
    expect(await look()).toHaveLength(500);
    for (let lot = 0; lot < 5; lot += 1) {
      await addPlugins(450);
    }
    expect(await look()).toBeNull();
  });

  it('is of one computer alone', async () => {
    const here = computer;
    const [plugin] = await addPlugins(1);
    await look();
    computer = (await addComputer(source.manager, 'Loft', new Date())).id;
    await addPlugins(3);
    computer = here;
    await rename(source.manager, plugin);
    expect(await look()).toEqual([plugin]);
  });

  it('is forgotten once it was seen, and nothing that was not', async () => {
    const noted = async (): Promise<number> => {
      const [row]: { count: number }[] = await source.query(
        'SELECT count(*)::int count FROM touched WHERE computer_id = $1',
        [computer],
      );
      return row?.count ?? 0;
    };
    const [plugin] = await addPlugins(3);
    await look();
    await rename(source.manager, plugin);
    await forgetTouchedBefore(source.manager, computer, from ?? '');
    expect(await noted()).toBe(1);
    expect(await look()).toEqual([plugin]);
    await forgetAllTouched(source.manager);
    expect(await noted()).toBe(0);
  });
});
