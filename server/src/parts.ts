/** What the program is made of; passed in, so that tests can give their own. */
import type { DataSource } from 'typeorm';
import type { Logger } from 'pino';
import type {
  TakenBySession,
  FindableThing,
  Finder,
  Format,
  Habits,
  HostCopy,
  Plugin,
  RepairFor,
  SettingFinder,
  SlotKind,
} from '@clever-drawer/core';
import type { Reach } from './reach.ts';
import type { Host } from './host/host.ts';
import type { Turns } from './jobs/turns.ts';
import type { HeldSortings } from './jobs/held-sortings.ts';
import type { Kept } from './jobs/kept.ts';
import type { EventHub } from './jobs/event-hub.ts';
import type { PlaceWatcher } from './jobs/place-watcher.ts';
import type { BackupKeeper } from './jobs/backup-keeper.ts';
import type { ShelfKeeper } from './jobs/shelf-keeper.ts';
import type { SettingHere } from './database/settings.ts';
import type { HeldCatalogs } from './jobs/held-catalogs.ts';
import type { HeldOrders } from './jobs/held-orders.ts';
import type { HeldReviews } from './jobs/held-reviews.ts';
import type { ScanJobs } from './jobs/scan-jobs.ts';
import type { Opener } from './opener/index.ts';
import type { Reviewer, Told } from './reviewer/index.ts';
import type { Machine, ReaderPool } from './scanner/index.ts';

/**
 * A catalog prepared for finding from outside, the slots that each plugin can be loaded into, and
 * what chooses the copy.
 */
export interface ReadyToFind {
  readonly finder: Finder;
  readonly settings: SettingFinder<FindableThing>;
  readonly habits: Habits;
  readonly can: ReadonlyMap<string, ReadonlySet<SlotKind>>;
  readonly pluginById: ReadonlyMap<string, Plugin>;
  readonly accepts: TakenBySession;
  readonly formatOrder: readonly Format[] | undefined;
}

/** What stands for copies that are gone, and the catalogued copies as a host asks for them. */
export interface ReadyToRepair {
  readonly repairFor: RepairFor;
  readonly copyOf: (id: string) => HostCopy | null;
}

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
  readonly orders: HeldOrders;
  readonly catalogs: HeldCatalogs;
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
  readonly turns: Turns;
  readonly finding: Kept<ReadyToFind>;
  /** Saved settings of plugins that are here, by id. */
  readonly settings: Kept<ReadonlyMap<string, SettingHere>>;
  readonly repairing: Kept<ReadyToRepair>;
  readonly sortings: HeldSortings;
  /** All loads, as the JSON that a review is made of. */
  readonly loads: Kept<string>;
  readonly reviewer: Reviewer;
  readonly reviews: HeldReviews<Told>;
}
