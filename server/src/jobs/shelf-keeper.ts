/** Shelves follow the order: a moment after something changed they are brought into step. */
import type { ShelfView } from '@clever-drawer/core/api';
import type { EventHub } from './event-hub.ts';

/** Several changes in a row are written once. Milliseconds. */
const quiet = 250;

type Last = NonNullable<ShelfView['last']>;

/** Listens to computers, and remembers how the last writing of each went. */
export class ShelfKeeper {
  readonly #events: EventHub;
  readonly #bring: (computer: string) => Promise<void>;
  readonly #failed: (error: unknown) => void;
  readonly #last = new Map<string, Last>();
  readonly #timers = new Map<string, NodeJS.Timeout>();
  readonly #listening = new Map<string, () => void>();
  #running: Promise<void> = Promise.resolve();

  constructor(
    events: EventHub,
    bring: (computer: string) => Promise<void>,
    { failed }: { readonly failed: (error: unknown) => void },
  ) {
    this.#events = events;
    this.#bring = bring;
    this.#failed = failed;
  }

  /** How the last writing went; null where nothing was written since the start. */
  last(computer: string): Last | null {
    return this.#last.get(computer) ?? null;
  }

  note(computer: string, last: Last): void {
    this.#last.set(computer, last);
  }

  /** Follows a computer from now on. */
  follow(computer: string): void {
    if (this.#listening.has(computer)) {
      return;
    }
    const end = this.#events.listen(computer, ({ event }) => {
      if (event === 'order' || event === 'catalog') {
        this.#soon(computer);
      }
    });
    this.#listening.set(computer, end);
  }

  #soon(computer: string): void {
    clearTimeout(this.#timers.get(computer));
    const timer = setTimeout(() => {
      this.#running = this.#running.then(() => this.#bring(computer)).catch(this.#failed);
    }, quiet);
    this.#timers.set(computer, timer.unref());
  }

  /** Waits for what is being written, and listens no more. */
  async close(): Promise<void> {
    for (const timer of this.#timers.values()) {
      clearTimeout(timer);
    }
    for (const end of this.#listening.values()) {
      end();
    }
    await this.#running;
  }
}
