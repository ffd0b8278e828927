/**
 * The catalogs of computers as they are sent: each plugin as the text of its JSON, so that a whole
 * catalog is sent without being made anew, and a window that has one is sent only what changed since.
 * What changed is asked of the database each time, which notes it (`database/touched`), so that nothing
 * can be missed.
 */
import type { DataSource, EntityManager } from 'typeorm';
import { comparePlaces, type ComputerView } from '@clever-drawer/core';
import { readCatalog } from '../database/catalog.ts';
import { forgetTouchedBefore, touchedFrom } from '../database/touched.ts';
import { Latest } from './latest.ts';
import { Revisions, sayChange } from './revisions.ts';

/** A plugin as it is sent, with what its place among the others goes by. */
interface HeldPlugin {
  readonly id: string;
  readonly name: string;
  readonly text: string;
}

interface Held {
  readonly revisions: Revisions;
  readonly plugins: ReadonlyMap<string, HeldPlugin>;
  /** The transaction from which on it is to be asked what changed; null where nothing was read yet. */
  readonly from: string | null;
}

/** A whole catalog: as text, and as it is sent, in UTF-8; `head` tells which one it is. */
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
  readonly #whole = new Map<string, Whole>();

  constructor(database: DataSource) {
    this.#latest = new Latest(database, nothing, refreshed);
  }

  /**
   * A catalog as JSON: a `CatalogChange` where what changed since that revision is known, else the
   * whole, a `CatalogView`.
   */
  async since(computer: ComputerView, revision: string | undefined): Promise<string | Buffer> {
    const held = await this.#latest.of(computer.id);
    const touched = held.revisions.since(revision);
    if (touched === null) {
      return this.#wholeOf(computer, held).bytes;
    }
    return `{${sayChange(held.revisions, revision, touched, (id) => held.plugins.get(id)?.text)}}`;
  }

  /** The whole catalog as it is now, a `CatalogView` as JSON text: the same one until it changes. */
  async whole(computer: ComputerView): Promise<string> {
    return this.#wholeOf(computer, await this.#latest.of(computer.id)).text;
  }

  #wholeOf(computer: ComputerView, { revisions, plugins }: Held): Whole {
    const head = `{"revision":${JSON.stringify(revisions.name)},"computer":${JSON.stringify(computer)}`;
    const known = this.#whole.get(computer.id);
    if (known?.head === head) {
      return known;
    }
    const all = [...plugins.values()].sort(comparePlaces);
    const text = `${head},"plugins":[${all.map((plugin) => plugin.text).join(',')}]}`;
    const whole = { head, text, bytes: Buffer.from(text) };
    this.#whole.set(computer.id, whole);
    return whole;
  }
}

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
    const { id, name } = plugin;
    const text = JSON.stringify(plugin);
    if (plugins.get(id)?.text !== text) {
      touched.push(id);
      plugins.set(id, { id, name, text });
    }
  }
  if (touched.length === 0) {
    return { ...held, from };
  }
  return { revisions: held.revisions.with(touched), plugins, from };
}
