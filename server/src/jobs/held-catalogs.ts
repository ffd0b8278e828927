/**
 * The catalogs of computers as they are sent: each plugin as the text of its JSON, so that a whole
 * catalog is sent without being made anew, and a window that has one is sent only what changed since.
 * What changed is asked of the database each time (`catalogVersions`), so that nothing can be missed.
 */
import { randomUUID } from 'node:crypto';
import type { DataSource, EntityManager } from 'typeorm';
import { comparePlaces, type ComputerView } from '@clever-drawer/core';
import {
  catalogVersions,
  lotVersions,
  readCatalog,
  type PluginVersion,
} from '../database/catalog.ts';

/** A plugin as it is sent, with what its place among the others goes by. */
interface HeldPlugin extends PluginVersion {
  readonly id: string;
  readonly name: string;
  readonly text: string;
}

/** Plugins that changed or went with a revision. */
interface Touch {
  readonly revision: number;
  readonly plugins: readonly string[];
}

interface Held {
  readonly revision: number;
  readonly plugins: ReadonlyMap<string, HeldPlugin>;
  /** The versions of the lots in which the plugins are looked at. */
  readonly lots: ReadonlyMap<number, string>;
  /** The latest last. */
  readonly touches: readonly Touch[];
}

/** A whole catalog as it is sent; `head` tells which one it is. */
interface Whole {
  readonly head: string;
  readonly text: string;
}

/** So many touched plugins are remembered; a window that is further behind gets the whole. */
const rememberedTouches = 2_000;

/** With more changed plugins all are read again, which is one plain scan of the tables. */
const manyChanged = 2_000;

const empty: Held = { revision: 0, plugins: new Map(), lots: new Map(), touches: [] };

/** Catalogs in memory, by computer. */
export class HeldCatalogs {
  readonly #database: DataSource;
  readonly #held = new Map<string, Promise<Held>>();
  /** Catalogs as they were sent whole last: the same again is the same text. */
  readonly #whole = new Map<string, Whole>();
  /** Revisions of another run of the program are not ours. */
  readonly #run = randomUUID().slice(0, 8);

  constructor(database: DataSource) {
    this.#database = database;
  }

  /**
   * A catalog as JSON text: a `CatalogChange` where what changed since that revision is known, else
   * the whole, a `CatalogView`.
   */
  async since(computer: ComputerView, revision: string | undefined): Promise<string> {
    const held = await this.#current(computer.id);
    const touched = revision === undefined ? null : this.#touchedSince(held, revision);
    if (touched === null) {
      return this.#wholeOf(computer, held);
    }
    const now = JSON.stringify(this.#nameOf(held.revision));
    const changed = touched.flatMap((id) => held.plugins.get(id)?.text ?? []);
    const removed = touched.filter((id) => !held.plugins.has(id));
    return `{"revision":${now},"since":${JSON.stringify(revision)},"changed":[${changed.join(',')}],"removed":${JSON.stringify(removed)}}`;
  }

  /** The whole catalog as it is now, a `CatalogView` as JSON text. */
  async whole(computer: ComputerView): Promise<string> {
    return this.#wholeOf(computer, await this.#current(computer.id));
  }

  #wholeOf(computer: ComputerView, { revision, plugins }: Held): string {
    const head = `{"revision":${JSON.stringify(this.#nameOf(revision))},"computer":${JSON.stringify(computer)}`;
    const known = this.#whole.get(computer.id);
    if (known?.head === head) {
      return known.text;
    }
    const all = [...plugins.values()].sort(comparePlaces);
    const text = `${head},"plugins":[${all.map((plugin) => plugin.text).join(',')}]}`;
    this.#whole.set(computer.id, { head, text });
    return text;
  }

  #nameOf(revision: number): string {
    return `${this.#run}-${revision}`;
  }

  /** Ids of what changed; null where that is not known. */
  #touchedSince({ revision, touches }: Held, since: string): string[] | null {
    const from = Number(since.slice(this.#run.length + 1));
    if (this.#nameOf(from) !== since || from > revision) {
      return null;
    }
    const later = touches.filter((touch) => touch.revision > from);
    return later.length === revision - from ? [...new Set(later.flatMap((t) => t.plugins))] : null;
  }

  /** Brings what is held up to date; who asks meanwhile waits for that and asks again. */
  #current(computer: string): Promise<Held> {
    const before = this.#held.get(computer) ?? Promise.resolve(empty);
    const next = before.then((held) =>
      this.#database.transaction('REPEATABLE READ', (manager) =>
        refreshed(manager, computer, held),
      ),
    );
    // A database that does not answer leaves what is held as it was.
    this.#held.set(
      computer,
      next.catch(() => before),
    );
    return next;
  }
}

async function refreshed(manager: EntityManager, computer: string, held: Held): Promise<Held> {
  const lots = await lotVersions(manager, computer);
  const others = [...new Set([...lots.keys(), ...held.lots.keys()])].filter(
    (lot) => lots.get(lot) !== held.lots.get(lot),
  );
  if (others.length === 0) {
    return held;
  }
  const versions = await catalogVersions(manager, computer, others);
  const changed = [...versions].filter(
    ([id, { version }]) => held.plugins.get(id)?.version !== version,
  );
  const isOther = new Set(others);
  const gone = [...held.plugins.values()]
    .filter(({ id, lot }) => isOther.has(lot) && !versions.has(id))
    .map(({ id }) => id);
  if (changed.length === 0 && gone.length === 0) {
    return { ...held, lots };
  }
  const ids = changed.length > manyChanged ? null : changed.map(([id]) => id);
  const read = await readCatalog(manager, computer, ids);
  const plugins = new Map(held.plugins);
  for (const id of gone) {
    plugins.delete(id);
  }
  const touched = [...gone];
  for (const plugin of read) {
    const { id, name } = plugin;
    const text = JSON.stringify(plugin);
    const version = versions.get(id);
    if (plugins.get(id)?.text !== text) {
      touched.push(id);
    }
    if (version) {
      plugins.set(id, { ...version, id, name, text });
    }
  }
  const now = { ...held, lots, plugins };
  if (touched.length === 0) {
    return now;
  }
  const revision = held.revision + 1;
  return {
    ...now,
    revision,
    touches: remembered([...held.touches, { revision, plugins: touched }]),
  };
}

/** The latest touches, as many as are worth it. */
function remembered(touches: readonly Touch[]): Touch[] {
  let count = 0;
  const kept = [...touches].reverse().filter(({ plugins }) => {
    count += plugins.length;
    return count <= rememberedTouches;
  });
  return kept.reverse();
}
