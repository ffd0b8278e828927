import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Cluster } from './cluster.ts';
import { connect, isDatabaseAway, type DatabaseAddress } from './connect.ts';
import { startTestCluster } from '../testing.ts';

let cluster: Cluster;
let address: DatabaseAddress;
beforeAll(async () => {
  cluster = await startTestCluster();
  address = await cluster.database('connect');
});
afterAll(async () => {
  await cluster.stop();
});

const errorOf = (work: Promise<unknown>): Promise<unknown> =>
  work.then(
    () => null,
    (error: unknown) => error,
  );

describe('a database', () => {
  it('counts as away where it was left, or nobody listens', async () => {
    const source = await connect(address);
    await source.destroy();
    expect(isDatabaseAway(await errorOf(source.query('SELECT 1')))).toBe(true);
    expect(isDatabaseAway(await errorOf(connect({ ...address, port: 1 })))).toBe(true);
  });

  it('counts as away where it broke a connection off', async () => {
    const source = await connect(address);
    const cut = source.query('SELECT pg_terminate_backend(pg_backend_pid())');
    expect(isDatabaseAway(await errorOf(cut))).toBe(true);
    await source.destroy();
  });

  it('is there where it only refuses what it is asked', async () => {
    const source = await connect(address);
    expect(isDatabaseAway(await errorOf(source.query('SELEKT')))).toBe(false);
    await source.destroy();
  });
});
