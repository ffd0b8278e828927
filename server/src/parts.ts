/** What the program is made of; passed in, so that tests can give their own. */
import type { DataSource } from 'typeorm';
import type { Logger } from 'pino';
import type { Reach } from './reach.ts';
import type { Host } from './host/host.ts';
import type { SerialQueues } from './jobs/serial-queues.ts';
import type { EventHub } from './jobs/event-hub.ts';
import type { PlaceWatcher } from './jobs/place-watcher.ts';
import type { BackupKeeper } from './jobs/backup-keeper.ts';
import type { ShelfKeeper } from './jobs/shelf-keeper.ts';
import type { ScanJobs } from './jobs/scan-jobs.ts';
import type { Opener } from './opener/index.ts';
import type { Reviewer } from './reviewer/index.ts';
import type { Studios } from './studio/studios.ts';
import type { Machine, ReaderPool } from './scanner/index.ts';

/** What the server is made of, handed to whoever needs it. */
export interface Parts {
  readonly database: DataSource;
  /** Whether the database answered when it was asked last. */
  readonly isDatabaseThere: () => boolean;
  /** Errors that nobody caught, in words. */
  readonly uncaught: () => readonly string[];
  readonly clock: () => Date;
  readonly log: Logger;
  readonly events: EventHub;
  readonly scans: ScanJobs;
  readonly machine: Machine;
  readonly readers: ReaderPool;
  readonly opener: Opener;
  readonly watcher: PlaceWatcher;
  readonly shelves: ShelfKeeper;
  readonly backups: BackupKeeper;
  /** What requests may have read and written. */
  readonly reach: Reach;
  /** What the notes of shelves are signed with. */
  readonly shelfKey: () => Promise<Buffer>;
  readonly host: Host;
  /** Sessions are changed one after the other, computer by computer. */
  readonly turns: SerialQueues;
  readonly studios: Studios;
  readonly reviewer: Reviewer;
}
