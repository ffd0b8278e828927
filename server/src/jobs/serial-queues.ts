/** Work on a computer, one piece after the other. */
import { createSerialQueue, type SerialQueue as Row } from '@clever-drawer/core/serial-queue';

/** A row of turns for each key by itself. */
export class SerialQueues {
  readonly #rows = new Map<string, Row>();

  /** Does the work when all that was taken before it for that key has ended. */
  take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const row = this.#rows.get(key) ?? createSerialQueue();
    this.#rows.set(key, row);
    return row(work);
  }
}
