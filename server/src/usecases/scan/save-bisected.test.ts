/** One copy that the database refuses stops no other. */
import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import { bareCopy, type FoundCopy } from '@clever-drawer/core/formats';
import type { Comparison } from '@clever-drawer/core/scan';
import type { Cluster } from '../../database/cluster.ts';
import { addComputer } from '../../database/computers.ts';
import { connect } from '../../database/connect.ts';
import { addScan } from '../../database/scans.ts';
import type { ScanRow } from '../../database/scan-tables.ts';
import { saveBisected } from './save-bisected.ts';
import { startTestCluster } from '../../testing.ts';

let cluster: Cluster;
let database: DataSource;
beforeAll(async () => {
  cluster = await startTestCluster();
  database = await connect(await cluster.database('apart'));
});
afterAll(async () => {
  await database.destroy();
  await cluster.stop();
});

const copyAt = (path: string, more: Partial<FoundCopy> = {}): FoundCopy => ({
  ...bareCopy('LV2', path),
  name: path.slice(1, 20),
  identity: `urn:${path.slice(1, 20)}`,
  ...more,
});

const arrived = (found: FoundCopy): Comparison => ({
  sort: 'arrived',
  found,
  known: null,
  from: null,
  to: found.version,
});

/** Saves these copies in one batch of a scan of a new computer. */
async function save(copies: readonly FoundCopy[]): Promise<{ scan: ScanRow; names: string[] }> {
  const now = new Date('2026-11-26T12:00:00Z');
  const computer = await addComputer(database.manager, 'Test computer', now);
  const none = {
    arrived: 0,
    returned: 0,
    updated: 0,
    opened: 0,
    moved: 0,
    gone: 0,
    away: 0,
    failed: 0,
  };
  const scan: ScanRow = {
    id: randomUUID(),
    computerId: computer.id,
    number: 0,
    startedAt: now,
    endedAt: null,
    state: 'running',
    looked: 0,
    counts: { ...none, unchanged: 0 },
    problems: [],
  };
  await addScan(database.manager, scan);
  await saveBisected(
    { database, log: pino({ level: 'silent' }) },
    {
      scan,
      comparisons: copies.map(arrived),
      known: new Map(),
      plugins: new Map(),
      placeOf: new Map(),
      bundles: [],
      now,
    },
  );
  const rows: { name: string }[] = await database.query(
    `SELECT facts->>'name' "name" FROM copy WHERE computer_id = $1 AND status = 'ok' ORDER BY 1`,
    [computer.id],
  );
  return { scan, names: rows.map((row) => row.name) };
}

const sound = ['/alder', '/birch', '/cedar', '/elder', '/furze', '/gorse', '/hazel'];
const names = sound.map((path) => path.slice(1));

it('a batch that is taken is saved whole', async () => {
  const { scan, names: saved } = await save(sound.map((path) => copyAt(path)));
  expect(saved).toEqual(names);
  expect(scan.counts).toMatchObject({ arrived: 7, failed: 0 });
});

it('of a batch with one that is refused, the others are saved, and it is said as failed', async () => {
  // A rule of the test's own stands for whatever a column may refuse.
  const odd = copyAt('/odd', { audioIn: Number.MAX_SAFE_INTEGER, name: 'odd' });
  await database.query(
    `ALTER TABLE copy ADD CONSTRAINT apart CHECK ((facts->>'audioIn')::numeric < 1000000)`,
  );
  const { scan, names: saved } = await save([...sound.map((path) => copyAt(path)), odd]);
  await database.query('ALTER TABLE copy DROP CONSTRAINT apart');
  expect(saved).toEqual(names);
  expect(scan.counts).toMatchObject({ arrived: 7, failed: 1 });
  const failed: { problem: { code: string } }[] = await database.query(
    `SELECT problem FROM finding WHERE scan_id = $1 AND sort = 'failed'`,
    [scan.id],
  );
  expect(failed).toMatchObject([{ problem: { code: 'not-kept' } }]);
});

it('where not even its failure can be kept, it is counted', async () => {
  await database.query(`ALTER TABLE copy ADD CONSTRAINT apart CHECK (path <> '/odd') NOT VALID`);
  const { scan, names: saved } = await save([copyAt('/odd'), ...sound.map((path) => copyAt(path))]);
  await database.query('ALTER TABLE copy DROP CONSTRAINT apart');
  expect(saved).toEqual(names);
  expect(scan.counts).toMatchObject({ arrived: 7, failed: 1 });
});

it('a database that is away is no fault of a copy', async () => {
  const away = Object.assign(new Error('gone'), { code: '57P01' });
  const broken = { transaction: () => Promise.reject(away) } as unknown as DataSource;
  const scan = { counts: { failed: 0 } } as unknown as ScanRow;
  const batch = {
    scan,
    comparisons: sound.map((path) => arrived(copyAt(path))),
    known: new Map(),
    plugins: new Map(),
    placeOf: new Map(),
    bundles: [],
    now: new Date(),
  };
  await expect(
    saveBisected({ database: broken, log: pino({ level: 'silent' }) }, batch),
  ).rejects.toBe(away);
});
