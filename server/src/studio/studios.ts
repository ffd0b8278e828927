/**
 * The studios of computers as the database holds them: each is read once, and then only what changed
 * of it. The version in the database says whether what is here is still so; a second server over the
 * same database could hold its own.
 */
import type { DataSource, EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import type { PluginSetting } from '@clever-drawer/core/api';
import { changeCatalog, comparePlaces, type Plugin } from '@clever-drawer/core/catalog';
import { applyChange } from '@clever-drawer/core/change';
import { asId } from '@clever-drawer/core/id';
import {
  gatherVendors,
  isKindUncertain,
  isTypeUncertain,
  nearMisses,
  type SortFacts,
  type SortGround,
} from '@clever-drawer/core/identify';
import type { Usage } from '@clever-drawer/core/loading';
import type { Order } from '@clever-drawer/core/order';
import { createStudio, type Studio, type StudioFacts } from '@clever-drawer/core/studio';
import { countSpellings, readCatalog, readGrounds } from '../database/catalog.ts';
import { findComputer, readDoubts } from '../database/computers.ts';
import { readOrder, readRecords, spellings } from '../database/order/index.ts';
import { readUsage } from '../database/session.ts';
import { settingsOfPlugins } from '../database/settings.ts';
import {
  changedSince,
  readVersion,
  type ChangedSince,
  type StudioPart,
} from '../database/versions.ts';

/** A computer at one version. It never changes; a later version is another object. */
export interface StudioNow {
  readonly version: number;
  readonly revision: number;
  /** When it was as it is here, and when all of it was read. Milliseconds since 1970. */
  readonly at: number;
  readonly readAt: number;
  readonly isLearning: boolean;
  /** What the disks hold, by name, then id. */
  readonly catalog: readonly Plugin[];
  readonly order: Order;
  readonly found: readonly PluginSetting[];
  readonly usage: readonly Usage[];
  /** Of plugins whose type or kind is uncertain, what is known. */
  readonly grounds: ReadonlyMap<string, SortGround>;
  readonly sort: Omit<SortFacts, 'grounds'>;
  /** All of it put together. */
  readonly studio: Studio;
}

/** So long a studio stands in which nothing changes: use fades with the days. Milliseconds. */
const standsFor = 10 * 60_000;

interface OrderAt {
  readonly revision: number;
  readonly order: Order;
}

/** There is no computer of that id. */
export class UnknownComputer extends Error {}

/** Studios in memory, by computer. */
export class Studios {
  readonly #database: DataSource;
  readonly #clock: () => Date;
  readonly #studios = new Map<string, Promise<StudioNow>>();
  readonly #orders = new Map<string, OrderAt>();
  readonly #puts = new Map<string, (facts: StudioFacts) => Studio>();

  constructor(database: DataSource, clock: () => Date) {
    this.#database = database;
    this.#clock = clock;
  }

  /** A computer as it is now. Who asks while it is read waits for the same. Rejects where there is none. */
  of(computer: string): Promise<StudioNow> {
    const before = this.#studios.get(computer) ?? Promise.resolve(null);
    const next = before
      .catch(() => null)
      .then((known) =>
        this.#database.transaction('REPEATABLE READ', (manager) =>
          this.#read(manager, computer, known),
        ),
      );
    this.#studios.set(computer, next);
    // A database that did not answer, or a computer that is not there, leaves nothing to go on from.
    next.catch(() => {
      if (this.#studios.get(computer) === next) {
        this.#studios.delete(computer);
      }
    });
    return next;
  }

  /** The order at a revision that the transaction sees. */
  async orderAt(manager: EntityManager, computer: string, revision: number): Promise<Order> {
    const known = this.#orders.get(computer);
    if (known?.revision === revision) {
      return known.order;
    }
    const order = await readOrder(manager, computer);
    this.#keepOrder(computer, { revision, order });
    return order;
  }

  /** A step was stored: the order follows it. */
  stored(computer: string, from: number, change: OrderChange, to: number): void {
    const known = this.#orders.get(computer);
    if (known?.revision === from) {
      this.#keepOrder(computer, { revision: to, order: applyChange(known.order, change) });
    }
  }

  /** What was read before a step was stored is no longer the latest. */
  #keepOrder(computer: string, read: OrderAt): void {
    if (read.revision > (this.#orders.get(computer)?.revision ?? -1)) {
      this.#orders.set(computer, read);
    }
  }

  async #read(
    manager: EntityManager,
    computer: string,
    before: StudioNow | null,
  ): Promise<StudioNow> {
    const version = await readVersion(manager, computer);
    const now = this.#clock();
    const at = now.getTime();
    if (before?.version === version && at - before.readAt < standsFor) {
      return before;
    }
    const row = await findComputer(manager, computer);
    if (version === null || row === null) {
      throw new UnknownComputer();
    }
    // Too old, all is read anew.
    const changed =
      before && at - before.readAt < standsFor
        ? await changedSince(manager, computer, before.version)
        : null;
    const known = changed && before;
    const isSame = (...parts: StudioPart[]): boolean =>
      parts.every((part) => changed?.parts.has(part) === false);
    const facts: StudioFacts & { readonly found: readonly PluginSetting[] } = {
      computer,
      catalog: await readPlugins(manager, computer, known, changed),
      order: await this.orderAt(manager, computer, row.revision),
      found:
        known && isSame('catalog', 'settings') ? known.found : await readFound(manager, computer),
      usage:
        known && isSame('catalog', 'use') ? known.usage : await readUsage(manager, computer, now),
    };
    return {
      ...facts,
      version,
      revision: row.revision,
      at,
      readAt: known?.readAt ?? at,
      isLearning: row.isLearning,
      grounds: await readUncertain(manager, computer, known, changed),
      sort: known && isSame('catalog', 'sort') ? known.sort : await readSort(manager, computer),
      studio: this.#put(computer)(facts),
    };
  }

  #put(computer: string): (facts: StudioFacts) => Studio {
    const known = this.#puts.get(computer) ?? createStudio();
    this.#puts.set(computer, known);
    return known;
  }
}

async function readPlugins(
  manager: EntityManager,
  computer: string,
  known: StudioNow | null,
  changed: ChangedSince | null,
): Promise<readonly Plugin[]> {
  if (!known || !changed) {
    return (await readCatalog(manager, computer)).sort(comparePlaces);
  }
  const { plugins } = changed;
  if (plugins.length === 0) {
    return known.catalog;
  }
  const read = await readCatalog(manager, computer, plugins);
  const there = new Set<string>(read.map(({ id }) => id));
  const removed = plugins.filter((id) => !there.has(id));
  return changeCatalog(
    { version: 0, plugins: known.catalog },
    { version: 0, changed: read, removed },
  ).plugins;
}

async function readFound(manager: EntityManager, computer: string): Promise<PluginSetting[]> {
  const found = await settingsOfPlugins(manager, computer);
  return found.map((one) => ({ ...one, id: asId(one.id), plugin: asId(one.plugin) }));
}

async function readUncertain(
  manager: EntityManager,
  computer: string,
  known: StudioNow | null,
  changed: ChangedSince | null,
): Promise<ReadonlyMap<string, SortGround>> {
  if (known && changed?.plugins.length === 0) {
    return known.grounds;
  }
  const grounds = new Map(known?.grounds);
  for (const id of changed?.plugins ?? []) {
    grounds.delete(id);
  }
  const read = await readGrounds(manager, computer, changed?.plugins ?? null);
  for (const { id, grounds: evidence } of read) {
    if (isTypeUncertain(evidence) || isKindUncertain(evidence)) {
      const { kinds, kindReasons, suggestions } = evidence;
      grounds.set(id, { plugin: id, kinds, kindReasons, suggestions });
    }
  }
  return grounds;
}

async function readSort(
  manager: EntityManager,
  computer: string,
): Promise<Omit<SortFacts, 'grounds'>> {
  const doubts = await readDoubts(manager, computer);
  const assigned = await readRecords(manager, spellings, computer);
  const counts = await countSpellings(manager, computer);
  const vendors = gatherVendors(counts, new Map(assigned.map((s) => [s.spelling, s.vendor])));
  const near = nearMisses(vendors).map(({ a, b, reason }) => ({ a: a.name, b: b.name, reason }));
  return { doubts, vendors, near };
}
