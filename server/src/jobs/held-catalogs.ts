/**
 * The catalogs of computers, and each as it is sent to windows, so that it is not made anew for every
 * one of them; a window that has one is sent only what changed since.
 * What changed is asked of the database each time, which notes it (`database/touched`), so that nothing
 * can be missed.
 */
import type { DataSource, EntityManager } from 'typeorm';
import {
  comparePlaces,
  toColumns,
  type CatalogColumnsView,
  type CatalogView,
  type ComputerView,
  type Plugin,
} from '@clever-drawer/core';
import { readCatalog } from '../database/catalog.ts';
import { forgetTouchedBefore, touchedFrom } from '../database/touched.ts';
import { Latest } from './latest.ts';
import { Revisions, sayChange } from './revisions.ts';

interface Held {
  readonly revisions: Revisions;
  readonly plugins: ReadonlyMap<string, Plugin>;
  /** The transaction from which on it is to be asked what changed; null where nothing was read yet. */
  readonly from: string | null;
}

/** How a whole catalog is sent: as a `CatalogView`, or as a `CatalogColumnsView`. */
export type CatalogForm = 'plugins' | 'columns';

/** A whole catalog by column, as JSON and as that is sent, in UTF-8; `head` tells which one it is. */
interface Whole {
  readonly head: string;
  readonly text: string;
  readonly bytes: Buffer;
}

const nothing = (): Held => ({ revisions: new Revisions(), plugins: new Map(), from: null });

/** Catalogs in memory, by computer. */
export class HeldCatalogs {
  readonly #latest: Latest<Held>;
  /** Catalogs as they were sent whole last: the same again is the same text. */
  readonly #columns = new Map<string, Whole>();

  constructor(database: DataSource) {
    this.#latest = new Latest(database, nothing, refreshed);
  }

  /**
   * A catalog as JSON: a `CatalogChange` where what changed since that revision is known, else the
   * whole.
   */
  async since(
    computer: ComputerView,
    revision: string | undefined,
    form: CatalogForm,
  ): Promise<string | Buffer> {
    const held = await this.#latest.of(computer.id);
    const touched = held.revisions.since(revision);
    if (touched !== null) {
      return `{${sayChange(held.revisions, revision, touched, (id) => textOf(held.plugins.get(id)))}}`;
    }
    return form === 'columns'
      ? this.#columnsOf(computer, held).bytes
      : JSON.stringify(wholeOf(computer, held));
  }

  /** The whole catalog as it is now, a `CatalogColumnsView` as JSON: the same text until it changes. */
  async columns(computer: ComputerView): Promise<string> {
    return this.#columnsOf(computer, await this.#latest.of(computer.id)).text;
  }

  #columnsOf(computer: ComputerView, held: Held): Whole {
    const head = JSON.stringify([held.revisions.name, computer]);
    const known = this.#columns.get(computer.id);
    if (known?.head === head) {
      return known;
    }
    const { plugins, ...rest } = wholeOf(computer, held);
    const view: CatalogColumnsView = { ...rest, columns: toColumns(plugins) };
    const text = JSON.stringify(view);
    const whole = { head, text, bytes: Buffer.from(text) };
    this.#columns.set(computer.id, whole);
    return whole;
  }
}

const wholeOf = (computer: ComputerView, { revisions, plugins }: Held): CatalogView => ({
  revision: revisions.name,
  computer,
  plugins: [...plugins.values()].sort(comparePlaces),
});

const textOf = (plugin: Plugin | undefined): string | undefined => plugin && JSON.stringify(plugin);

async function refreshed(manager: EntityManager, computer: string, held: Held): Promise<Held> {
  const { plugins: ids, from } = await touchedFrom(manager, computer, held.from);
  if (ids?.length === 0) {
    return { ...held, from };
  }
  if (ids === null) {
    await forgetTouchedBefore(manager, computer, from);
  }
  const read = await readCatalog(manager, computer, ids);
  const isThere = new Set<string>(read.map(({ id }) => id));
  const gone = (ids ?? [...held.plugins.keys()]).filter(
    (id) => held.plugins.has(id) && !isThere.has(id),
  );
  const plugins = new Map(held.plugins);
  for (const id of gone) {
    plugins.delete(id);
  }
  const touched = [...gone];
  for (const plugin of read) {
    const before = plugins.get(plugin.id);
    if (!before || textOf(before) !== textOf(plugin)) {
      touched.push(plugin.id);
      plugins.set(plugin.id, plugin);
    }
  }
  if (touched.length === 0) {
    return { ...held, from };
  }
  return { revisions: held.revisions.with(touched), plugins, from };
}
