/**
 * Keeps the database answering while the program lives: asks it every second, starts it again when
 * it is gone, and says when it goes and comes. Everything it needs is passed in.
 */

/** What the keeper needs. */
export interface Keeping {
  /** Asks the database anything; rejects when it does not answer in time. */
  readonly ping: () => Promise<void>;
  /** Starts it again where it does not run. */
  readonly revive: () => Promise<void>;
  /** Hears when it goes (false) and comes back (true). */
  readonly changed: (isThere: boolean) => void | Promise<void>;
  readonly failed: (error: unknown) => void;
  /** Waits so many milliseconds. */
  readonly wait: (milliseconds: number) => Promise<void>;
}

/** How often is asked while all is well. Milliseconds. */
const every = 1_000;
/** Tries in a row with a growing pause; after those it is tried once in this time. */
const quickTries = 8;
const slowly = 30_000;

const pauseBefore = (attempt: number): number =>
  attempt < quickTries ? Math.min(250 * 2 ** attempt, slowly) : slowly;

/** Keeps one database until it is closed. */
export class DatabaseKeeper {
  readonly #keeping: Keeping;
  #isThere = true;
  #isClosed = false;
  #running: Promise<void> = Promise.resolve();

  constructor(keeping: Keeping) {
    this.#keeping = keeping;
  }

  /** Whether the database answered when it was asked last. */
  get isThere(): boolean {
    return this.#isThere;
  }

  start(): void {
    this.#running = this.#keep();
  }

  /** Asks no more; waits for what is under way. */
  async close(): Promise<void> {
    this.#isClosed = true;
    await this.#running;
  }

  async #keep(): Promise<void> {
    let attempt = 0;
    while (!this.#isClosed) {
      if (await this.#answers()) {
        attempt = 0;
        await this.#set(true);
        await this.#keeping.wait(every);
      } else {
        await this.#set(false);
        await this.#revive();
        await this.#keeping.wait(pauseBefore(attempt));
        attempt += 1;
      }
    }
  }

  #answers(): Promise<boolean> {
    return this.#keeping.ping().then(
      () => true,
      () => false,
    );
  }

  async #revive(): Promise<void> {
    if (this.#isClosed) {
      return;
    }
    try {
      await this.#keeping.revive();
    } catch (error) {
      this.#keeping.failed(error);
    }
  }

  async #set(isThere: boolean): Promise<void> {
    if (isThere === this.#isThere || this.#isClosed) {
      return;
    }
    this.#isThere = isThere;
    try {
      await this.#keeping.changed(isThere);
    } catch (error) {
      this.#keeping.failed(error);
    }
  }
}
