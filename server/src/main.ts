/** Config, connect, listen: the whole server, to be started and stopped. */
import type { Server } from 'node:http';
import { homedir, hostname } from 'node:os';
import { pino, type Logger } from 'pino';
import { createApp } from './app.ts';
import { startCluster } from './database/cluster.ts';
import { hasUnsorted } from './database/catalog.ts';
import { connect, type DatabaseAddress } from './database/connect.ts';
import { closeInterruptedScans } from './database/scans.ts';
import { PracticeHost } from './host/practice-host.ts';
import { Turns } from './jobs/turns.ts';
import { OscServer } from './osc/osc-server.ts';
import { hasNewCopies, hasNewUse, Kept } from './jobs/kept.ts';
import { EventHub } from './jobs/event-hub.ts';
import { PlaceWatcher } from './jobs/place-watcher.ts';
import { ScanJobs } from './jobs/scan-jobs.ts';
import type { Parts } from './parts.ts';
import { ReaderPool } from './scanner/index.ts';
import { watchPlaces } from './usecases/scan/places.ts';
import { startScan } from './usecases/scan/scan.ts';
import { identifyAfterScan } from './usecases/identify/identify-computer.ts';
import { ensureComputer, type NewComputer } from './usecases/catalog/set-up-computer.ts';

export { freePort, startCluster } from './database/cluster.ts';
export { InUseError } from './database/data-lock.ts';
export { SetupError } from './database/setup-error.ts';

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
  /** What time it is; the machine's clock unless given. */
  readonly clock?: () => Date;
}

/** A server that runs. */
export interface Running {
  readonly address: string;
  /** The UDP port for OSC; null where there is none, as when another program holds it. */
  readonly oscPort: number | null;
  /** The database it works on. */
  readonly database: DatabaseAddress;
  stop(): Promise<void>;
}

/** Starts the database and the server, on loopback only. */
export async function serve(config: Config): Promise<Running> {
  const log: Logger = pino({ level: config.logLevel ?? 'warn' }, pino.destination(2));
  const cluster = await startCluster(config.data);
  try {
    const databaseAddress = await cluster.database('clever_drawer');
    const database = await connect(databaseAddress);
    const events = new EventHub();
    const parts: Parts = {
      database,
      log,
      clock: config.clock ?? (() => new Date()),
      events,
      scans: new ScanJobs(),
      readers: new ReaderPool(2, process.env),
      host: new PracticeHost(),
      turns: new Turns(),
      finding: new Kept(events, hasNewUse),
      repairing: new Kept(events, hasNewCopies),
      watcher: new PlaceWatcher((computer) => {
        void scanAgain(parts, computer);
      }),
      machine: { platform: process.platform, home: homedir(), environment: process.env },
    };
    const interrupted = await closeInterruptedScans(database.manager, parts.clock());
    if (interrupted > 0) {
      log.warn('the last scan was interrupted; scan again to finish it');
    }
    for (const computer of await ensureComputer(
      parts,
      config.firstComputer ?? { name: hostname() },
    )) {
      if (interrupted > 0 || (await hasUnsorted(database.manager, computer.id))) {
        await identifyAfterScan(parts, computer.id);
      }
      await watchPlaces(parts, computer.id);
    }
    const server = await listen(createApp(parts, config.web), config.port);
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : config.port;
    const osc = config.oscPort === undefined ? null : await startOsc(parts, config.oscPort);
    const stop = async (): Promise<void> => {
      await osc?.server.close();
      events.end();
      await endRequests(server);
      await parts.watcher.close();
      await parts.scans.stopAll();
      await parts.readers.close();
      await parts.host.close();
      await database.destroy();
      await cluster.stop();
    };
    return {
      address: `http://127.0.0.1:${port}`,
      oscPort: osc?.port ?? null,
      database: databaseAddress,
      stop,
    };
  } catch (error) {
    await cluster.stop();
    throw error;
  }
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
