/** A connection to one database, migrated. */
import { DataSource } from 'typeorm';
import { FirstOrder1763900000001 } from './migrations/0001-first-order.ts';
import { PlacesAndAsides1763900000002 } from './migrations/0002-places-and-asides.ts';
import { Sort1763900000003 } from './migrations/0003-sort.ts';
import { Cabinets1763900000004 } from './migrations/0004-cabinets.ts';
import { ShownFolders1763900000005 } from './migrations/0005-shown-folders.ts';
import { SortedCabinets1763900000006 } from './migrations/0006-sorted-cabinets.ts';
import { Rules1763900000007 } from './migrations/0007-rules.ts';
import { Practice1763900000008 } from './migrations/0008-practice.ts';
import { Chains1763900000009 } from './migrations/0009-chains.ts';
import { Shortcuts1763900000010 } from './migrations/0010-shortcuts.ts';
import { WentInto1763900000011 } from './migrations/0011-went-into.ts';
import { Opening1763900000012 } from './migrations/0012-opening.ts';
import { Points1763900000013 } from './migrations/0013-points.ts';
import { PutOff1763900000014 } from './migrations/0014-put-off.ts';
import { Settings1763900000015 } from './migrations/0015-settings.ts';
import { KeptSettings1763900000016 } from './migrations/0016-kept-settings.ts';
import { LoadFolders1763900000017 } from './migrations/0017-load-folders.ts';
import { UndoneChanges1763900000018 } from './migrations/0018-undone-changes.ts';
import { TouchedPlugins1763900000019 } from './migrations/0019-touched-plugins.ts';
import { Versions1763900000020 } from './migrations/0020-versions.ts';
import { NamesOfRecords1763900000021 } from './migrations/0021-names-of-records.ts';
import { NamesAndFirstCopies1763900000022 } from './migrations/0022-names-and-first-copies.ts';
import { SessionSteps1763900000023 } from './migrations/0023-session-steps.ts';
import { SetAside1763900000024 } from './migrations/0024-set-aside.ts';
import { Awaited1763900000025 } from './migrations/0025-awaited.ts';
import { RemovedComputers1764700000026 } from './migrations/0026-removed-computers.ts';
import { SetupError } from './setup-error.ts';
import { tables } from './tables.ts';

/** Where the database is; `password` only where the cluster asks for one. */
export interface DatabaseAddress {
  readonly host: string;
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly database: string;
}

/** All migrations, oldest first. */
export const migrations = [
  FirstOrder1763900000001,
  PlacesAndAsides1763900000002,
  Sort1763900000003,
  Cabinets1763900000004,
  ShownFolders1763900000005,
  SortedCabinets1763900000006,
  Rules1763900000007,
  Practice1763900000008,
  Chains1763900000009,
  Shortcuts1763900000010,
  WentInto1763900000011,
  Opening1763900000012,
  Points1763900000013,
  PutOff1763900000014,
  Settings1763900000015,
  KeptSettings1763900000016,
  LoadFolders1763900000017,
  UndoneChanges1763900000018,
  TouchedPlugins1763900000019,
  Versions1763900000020,
  NamesOfRecords1763900000021,
  NamesAndFirstCopies1763900000022,
  SessionSteps1763900000023,
  SetAside1763900000024,
  Awaited1763900000025,
  RemovedComputers1764700000026,
];

/** What the driver and TypeORM say of a connection that is not there, where they give no code. */
const saidOfNone = [
  'already released',
  'Connection terminated',
  'Client has encountered a connection error',
  'Driver not Connected',
  'timeout exceeded when trying to connect',
];

/**
 * Whether an error says that the database is not there: a connection that could not be made or
 * broke, or a server that shuts down or starts (class 57P of the error codes, and 08).
 */
export function isDatabaseAway(error: unknown): boolean {
  const { code, message } = error as { code?: string; message?: string };
  return (
    /^(57P0[123]|08|ECONN|EPIPE|ENOTCONN)/.test(code ?? '') ||
    saidOfNone.some((words) => message?.includes(words))
  );
}

/** Throws where the tables were made by a program that knows migrations which this one does not. */
async function refuseNewer(source: DataSource): Promise<void> {
  const [found] = await source.query<{ is: boolean }[]>(
    `SELECT to_regclass('migrations') IS NOT NULL "is"`,
  );
  if (!found?.is) {
    return;
  }
  const done = await source.query<{ name: string }[]>('SELECT name FROM migrations');
  const known = new Set(migrations.map((one) => one.name));
  if (done.some(({ name }) => !known.has(name))) {
    throw new SetupError(
      'This data was last used by a newer Clever Drawer, whose tables this one does not know. Use the newer one, or another directory with --data. Nothing was changed.',
    );
  }
}

/**
 * How long a request waits for a connection. One that nobody listens for is refused at once, and the
 * keeper says that the database is away; this is for a machine that stands still for seconds, after
 * which the limit would be over before the answer that lies there is read. Milliseconds.
 */
const connectionWithin = 30_000;

/**
 * Connects and brings the tables up to date, or as far as these migrations go; all that are pending in
 * one transaction.
 */
export async function connect(
  address: DatabaseAddress,
  upTo: readonly (typeof migrations)[number][] = migrations,
): Promise<DataSource> {
  const source = new DataSource({
    type: 'postgres',
    host: address.host,
    port: address.port,
    username: address.user,
    password: address.password,
    database: address.database,
    entities: tables,
    migrations: [...upTo],
    poolSize: 8,
    extra: { connectionTimeoutMillis: connectionWithin },
    installExtensions: false,
  });
  await source.initialize();
  try {
    await refuseNewer(source);
    await source.runMigrations({ transaction: 'all' });
  } catch (error) {
    await source.destroy();
    throw error;
  }
  return source;
}
