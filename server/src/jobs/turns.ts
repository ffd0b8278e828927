/** Work on a computer, one piece after the other. */
import { createTurns, type Turns as Row } from '@clever-drawer/core/turns';

/** A row of turns for each key by itself. */
export class Turns {
  readonly #rows = new Map<string, Row>();

  /** Does the work when all that was taken before it for that key has ended. */
  take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const row = this.#rows.get(key) ?? createTurns();
    this.#rows.set(key, row);
    return row(work);
  }
}
