/** Config, connect, listen: the whole server, to be started and stopped. */
import { realpath } from 'node:fs/promises';
import type { Server } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import type { DataSource } from 'typeorm';
import { homedir, hostname } from 'node:os';
import { pino, type Logger } from 'pino';
import { createApp } from './app.ts';
import { startCluster, type Cluster } from './database/cluster.ts';
import { listComputers } from './database/computers.ts';
import { inTime } from './database/in-time.ts';
import { DatabaseKeeper } from './database/keeper.ts';
import { Endings } from './endings.ts';
import { LastNet, type Uncaught } from './last-net.ts';
import { Reach } from './reach.ts';
import { openGate, type Gate } from './gate.ts';
import { allPlaces } from './database/places.ts';
import { loggable } from './log.ts';
import { tidyPictures } from './usecases/catalog/pictures.ts';
import { hasUnsorted } from './database/catalog.ts';
import { checkBackup, writeBackup } from './database/backup.ts';
import { BackupKeeper } from './jobs/backup-keeper.ts';
import { ShelfKeeper } from './jobs/shelf-keeper.ts';
import { keepInStep } from './usecases/keep/shelves.ts';
import { connect, type DatabaseAddress } from './database/connect.ts';
import { closeInterruptedScans, hasNoHistory } from './database/scans.ts';
import { beginVersions } from './database/versions.ts';
import { PracticeHost } from './host/practice-host.ts';
import { SerialQueues } from './jobs/serial-queues.ts';
import { OscServer } from './osc/osc-server.ts';
import { EventHub } from './jobs/event-hub.ts';
import { PlaceWatcher } from './jobs/place-watcher.ts';
import type { JobName } from './jobs/job-names.ts';
import { ScanJobs } from './jobs/scan-jobs.ts';
import type { Parts } from './parts.ts';
import { Opener } from './opener/index.ts';
import { Reviewer } from './reviewer/index.ts';
import { shelfKey } from './shelf/index.ts';
import { Studios } from './studio/studios.ts';
import { ReaderPool, thisMachine } from './scanner/index.ts';
import { watchPlaces } from './usecases/scan/places.ts';
import { startScan } from './usecases/scan/scan.ts';
import { identifyAfterScan } from './usecases/identify/identify-computer.ts';
import { ensureComputer, type NewComputer } from './usecases/catalog/set-up-computer.ts';

export { filesOf, freePort, readPassword, startCluster, user } from './database/cluster.ts';
export { findPostmaster } from './database/postmaster.ts';
export { upgradeCluster, versionsToUpgrade } from './database/upgrade.ts';
export { InUseError, readRunningNote } from './database/data-lock.ts';
export { ownDirectory } from './database/own-directory.ts';
export { postgresUser } from './database/programs.ts';
export { explain, SetupError } from './database/setup-error.ts';
export { giveUpRoot, refuseUnreadable } from './give-up-root.ts';
export { keyFileOf, renewKey } from './gate.ts';
export { replaceIn } from './files/index.ts';
export { usualDirectory } from './database/usual-data.ts';

/** How the server is started. */
export interface Config {
  /** Where the database cluster is kept. */
  readonly data: string;
  readonly port: number;
  /** The built pages; null serves only the API. */
  readonly web: string | null;
  readonly firstComputer?: NewComputer;
  /** The UDP port for OSC messages on loopback, 0 for any free one; absent: none. */
  readonly oscPort?: number;
  readonly logLevel?: string;
  /** Whether pages and hosts need the key that stands in the file `key` beside the data. */
  readonly isPrivate?: boolean;
  /** Where errors show that nobody caught: the process, in a program that is nothing but this server. */
  readonly uncaught?: Uncaught;
  /** Directories that requests may name, to read trees and write shelves and backups, beside home. */
  readonly allowed?: readonly string[];
  /** What time it is; the machine's clock unless given. */
  readonly clock?: () => Date;
}

/** A server that runs. */
export interface Running {
  readonly address: string;
  /** The UDP port for OSC; null where there is none, as when another program holds it. */
  readonly oscPort: number | null;
  /** How a private server lets people in; null where it lets in everybody on this computer. */
  readonly gate: Gate | null;
  /** Whether nothing was ever scanned or filed in this data. */
  readonly isUntouched: boolean;
  /** The database it works on. */
  readonly database: DatabaseAddress;
  stop(): Promise<void>;
}

/** How long PostgreSQL may take to stop, with all it has to write. Milliseconds. */
const clusterEndsWithin = 70_000;

/** Starts the database and the server, on loopback only. */
export async function serve(config: Config): Promise<Running> {
  const log: Logger = pino({ level: config.logLevel ?? 'warn' }, pino.destination(2));
  const endings = new Endings((step, error) => {
    log.error({ error: loggable(error), step }, 'a step of stopping failed');
  });
  try {
    const net = new LastNet(config.uncaught ?? null, log);
    endings.add('last net', () => {
      net.remove();
    });
    const cluster = await startCluster(config.data);
    endings.add('database', () => cluster.stop(), clusterEndsWithin);
    return {
      ...(await serveOver(cluster, config, { log, net, endings })),
      stop: () => endings.run(),
    };
  } catch (error) {
    await endings.run();
    throw error;
  }
}

/** What stands under everything else. */
interface Ground {
  readonly log: Logger;
  readonly net: LastNet;
  readonly endings: Endings;
}

/** Everything above the database. */
async function serveOver(
  cluster: Cluster,
  config: Config,
  { log, net, endings }: Ground,
): Promise<Omit<Running, 'stop'>> {
  const databaseAddress = await cluster.database('clever_drawer');
  const database = await connect(databaseAddress);
  endings.add('connections', () => database.destroy());
  const gate = config.isPrivate ? await openGate(config.data) : null;
  const closing = new AbortController();
  const keeper = new DatabaseKeeper({
    ping: () => ping(database),
    revive: () => cluster.revive(),
    changed: async (isThere) => {
      log.warn(isThere ? 'the database is back' : 'the database does not answer');
      if (isThere) {
        await closeBrokenScans(parts);
      }
      parts.events.tellAll({ event: 'database', isThere });
    },
    failed: (error) => {
      log.error({ error: loggable(error) }, 'the database could not be started again');
    },
    wait: (milliseconds) =>
      pause(milliseconds, undefined, { signal: closing.signal }).catch(() => undefined),
  });
  const parts = makeParts({ cluster, database, keeper, config, log, net });
  for (const [name, end] of Object.entries(jobEndings(parts))) {
    endings.add(name, end);
  }
  await takeUp(parts, config);
  const server = await listen(createApp(parts, config.web, gate), config.port);
  endings.add('requests', () => endRequests(server));
  endings.add('events', () => {
    parts.events.end();
  });
  readStudios(parts);
  const isUntouched = await hasNoHistory(database.manager);
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  gate?.listensOn(port);
  // OSC has no way to carry a key.
  const osc =
    config.oscPort === undefined || gate !== null ? null : await startOsc(parts, config.oscPort);
  endings.add('OSC', () => osc?.server.close());
  keeper.start();
  endings.add('keeper of the database', () => {
    const closed = keeper.close();
    closing.abort();
    return closed;
  });
  return {
    address: `http://127.0.0.1:${port}`,
    oscPort: osc?.port ?? null,
    gate,
    isUntouched,
    database: databaseAddress,
  };
}

/** What parts are made of. */
interface Making {
  readonly cluster: Cluster;
  readonly database: DataSource;
  readonly keeper: DatabaseKeeper;
  readonly config: Config;
  readonly log: Logger;
  readonly net: LastNet;
}

function makeParts({ cluster, database, keeper, config, log, net }: Making): Parts {
  const clock = config.clock ?? (() => new Date());
  const events = new EventHub(clock);
  const parts: Parts = {
    database,
    isDatabaseThere: () => keeper.isThere,
    uncaught: () => net.words,
    log,
    clock,
    events,
    scans: new ScanJobs(),
    readers: new ReaderPool(2, process.env),
    opener: new Opener(),
    host: new PracticeHost(),
    turns: new SerialQueues(),
    studios: new Studios(database, clock),
    reviewer: new Reviewer(),
    watcher: new PlaceWatcher((computer) => {
      scanAgain(parts, computer).catch((error: unknown) => {
        log.error({ error: loggable(error) }, 'a watched place could not be looked through');
      });
    }),
    machine: thisMachine(),
    shelves: new ShelfKeeper(events, (computer) => keepInStep(parts, computer), {
      failed: (error) => {
        log.error({ error: loggable(error) }, 'a shelf could not be brought into step');
      },
    }),
    backups: new BackupKeeper(config.data, {
      clock,
      write: (handle, at) => writeBackup(cluster.administrator('clever_drawer'), handle, at),
      read: checkBackup,
      whyNot: (directory) => parts.reach.whyNotBackups(directory),
      failed: (error) => {
        log.error({ error: loggable(error) }, 'the backup of the night failed');
      },
    }),
    shelfKey: async () => shelfKey(await realpath(config.data)),
    reach: new Reach({
      data: config.data,
      home: homedir(),
      allowed: config.allowed ?? [],
      places: () => allPlaces(database.manager),
    }),
  };
  return parts;
}

/** How each job ends. Whatever runs beside requests is one of them. */
const jobEndings = (parts: Parts): Record<JobName, () => unknown> => ({
  'practice host': () => parts.host.close(),
  reviewer: () => parts.reviewer.close(),
  readers: () => parts.readers.close(),
  opener: () => {
    parts.opener.close();
  },
  scans: () => parts.scans.stopAll(),
  backups: () => parts.backups.close(),
  shelves: () => parts.shelves.close(),
  watcher: () => parts.watcher.close(),
});

/** What the last run left unfinished is finished; places are watched. */
async function takeUp(parts: Parts, config: Config): Promise<void> {
  parts.backups.start();
  const { database, log, clock } = parts;
  const interrupted = await closeInterruptedScans(database.manager, clock());
  if (interrupted > 0) {
    log.warn('the last scan was interrupted; scan again to finish it');
  }
  await beginVersions(database.manager);
  await tidyPictures(parts);
  for (const computer of await ensureComputer(
    parts,
    config.firstComputer ?? { name: hostname() },
  )) {
    if (interrupted > 0 || (await hasUnsorted(database.manager, computer.id))) {
      await identifyAfterScan(parts, computer.id);
    }
    await watchPlaces(parts, computer.id);
    parts.shelves.follow(computer.id);
    await keepInStep(parts, computer.id, true);
  }
}

/** The first window waits for a studio to be read: with many plugins that takes seconds, so it begins now. */
function readStudios(parts: Parts): void {
  const read = async (): Promise<void> => {
    for (const { id } of await listComputers(parts.database.manager)) {
      await parts.studios.of(id);
    }
  };
  read().catch((error: unknown) => {
    parts.log.info({ error: loggable(error) }, 'a studio could not be read');
  });
}

/** Scans that broke off when the database went are over, unless one runs again by now. */
async function closeBrokenScans(parts: Parts): Promise<void> {
  const computers = await listComputers(parts.database.manager);
  if (!computers.some((computer) => parts.scans.of(computer.id))) {
    await closeInterruptedScans(parts.database.manager, parts.clock());
  }
}

/** How long the database may take to answer before it counts as away. Milliseconds. */
const answersWithin = 1_500;

async function ping(database: DataSource): Promise<void> {
  await inTime(database.query('SELECT 1'), answersWithin);
}

/** Without OSC everything else works: a port that is taken is said, and no reason to stop. */
async function startOsc(
  parts: Parts,
  port: number,
): Promise<{ server: OscServer; port: number } | null> {
  const server = new OscServer(parts);
  try {
    return { server, port: await server.listen(port) };
  } catch (error) {
    parts.log.warn(
      `OSC messages are not heard: UDP port ${port} could not be opened (${error instanceof Error ? error.message : String(error)})`,
    );
    return null;
  }
}

function listen(app: ReturnType<typeof createApp>, port: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, '127.0.0.1', (error?: Error) => {
      if (error) {
        reject(error);
      } else {
        resolve(server);
      }
    });
    // Longer than clients keep idle connections, so that none is closed just as a request goes out on it.
    server.keepAliveTimeout = 65_000;
  });
}

/** How long requests under way have to end when the server stops, and how often it looks. Milliseconds. */
const patience = 5_000;
const look = 20;

/** Takes no new requests and lets those under way end; what takes too long is cut off. */
async function endRequests(server: Server): Promise<void> {
  const closed = new Promise<void>((resolve) => {
    server.close(() => {
      resolve();
    });
  });
  const idle = setInterval(() => {
    server.closeIdleConnections();
  }, look);
  const cut = setTimeout(() => {
    server.closeAllConnections();
  }, patience);
  await closed;
  clearInterval(idle);
  clearTimeout(cut);
}

/** A scan because something changed in a watched place; later, when one runs already. */
async function scanAgain(parts: Parts, computer: string): Promise<void> {
  const started = await startScan(parts, computer, 'changed');
  if (!started.ok) {
    parts.watcher.later(computer);
  }
}
