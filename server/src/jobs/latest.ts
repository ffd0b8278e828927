/** What is held of each computer, made of what the database holds. */
import type { DataSource, EntityManager } from 'typeorm';

/** What was held before, brought up to what the database holds now. */
export type Refresh<T> = (manager: EntityManager, computer: string, held: T) => Promise<T>;

/** A value for each computer, brought up to date one after the other: who asks meanwhile waits. */
export class Latest<T> {
  readonly #database: DataSource;
  readonly #nothing: () => T;
  readonly #refresh: Refresh<T>;
  readonly #held = new Map<string, Promise<T>>();

  /** `nothing` makes what is held before anything was read. */
  constructor(database: DataSource, nothing: () => T, refresh: Refresh<T>) {
    this.#database = database;
    this.#nothing = nothing;
    this.#refresh = refresh;
  }

  /** As of now: read in one transaction that sees one state of the database. */
  of(computer: string): Promise<T> {
    const before = this.#held.get(computer) ?? Promise.resolve(this.#nothing());
    const next = before.then((held) =>
      this.#database.transaction('REPEATABLE READ', (manager) =>
        this.#refresh(manager, computer, held),
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
