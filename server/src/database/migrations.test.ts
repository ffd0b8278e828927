import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import { startCluster, type Cluster } from './cluster.ts';
import { connect, migrations } from './connect.ts';
import { tables } from './schemas.ts';

describe('the migrations', () => {
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-migrations-'));
  let cluster: Cluster, source: DataSource;
  beforeAll(async () => {
    cluster = await startCluster(directory);
    source = await connect(await cluster.database('drift'));
  });
  afterAll(async () => {
    await source.destroy();
    await cluster.stop();
    rmSync(directory, { recursive: true });
  });
  it('leave nothing between the tables and their schemas', async () => {
    expect(tables.length).toBeGreaterThan(10);
    const { upQueries } = await source.driver.createSchemaBuilder().log();
    expect(upQueries.map((q) => q.query)).toEqual([]);
  });
  it('can each be undone and done again', async () => {
    expect(migrations.length).toBeGreaterThan(0);
    for (let left = migrations.length; left > 0; left -= 1) await source.undoLastMigration({ transaction: 'all' });
    const left: { count: number }[] = await source.query(`SELECT count(*)::int count FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'migrations'`);
    expect(left[0]?.count).toBe(0);
    expect(await source.runMigrations({ transaction: 'all' })).toHaveLength(migrations.length);
  });
});
