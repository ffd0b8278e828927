/** Tells every open window what happened on a computer. */
import type { ServerEvent } from '@clever-drawer/core/api';

/** Who is told events. */
export type Listener = (event: ServerEvent) => void;

/** Passes events of a computer to its windows. */
export class EventHub {
  readonly #listeners = new Map<string, Set<Listener>>();
  readonly #clock: () => Date;
  /** When it began, and when each computer was last told of, in milliseconds since 1970. */
  readonly #began: number;
  readonly #lastEvent = new Map<string, number>();
  readonly #end = new AbortController();
  /** Aborted when the server stops: streams then end. */
  readonly ended = this.#end.signal;

  constructor(clock: () => Date) {
    this.#clock = clock;
    this.#began = clock().getTime();
  }

  end(): void {
    this.#end.abort();
  }

  /** Hears of one computer's events until the returned function is called. */
  listen(computer: string, listener: Listener): () => void {
    const listeners = this.#listeners.get(computer) ?? new Set();
    this.#listeners.set(computer, listeners.add(listener));
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0 && this.#listeners.get(computer) === listeners) {
        this.#listeners.delete(computer);
      }
    };
  }

  /**
   * Milliseconds in which nothing was told of a computer but how far a scan is; at most those since
   * the server began.
   */
  quietFor(computer: string): number {
    return this.#clock().getTime() - (this.#lastEvent.get(computer) ?? this.#began);
  }

  /** Tells all windows, whatever computer they show. */
  tellAll(event: ServerEvent): void {
    for (const computer of [...this.#listeners.keys()]) {
      this.tell(computer, event);
    }
  }

  tell(computer: string, event: ServerEvent): void {
    if (event.event !== 'scan') {
      this.#lastEvent.set(computer, this.#clock().getTime());
    }
    for (const listener of this.#listeners.get(computer) ?? []) {
      listener(event);
    }
  }
}
