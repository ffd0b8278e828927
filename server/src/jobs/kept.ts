/** What was worked out for a computer, kept until something happens on it. */
import type { ServerEvent } from '@clever-drawer/core';
import type { EventHub } from './event-hub.ts';

/** A value for each computer, worked out once until it is dropped. */
export class Kept<T> {
  readonly #events: EventHub;
  readonly #changes: (event: ServerEvent) => boolean;
  readonly #held = new Map<string, Promise<T>>();
  readonly #heard = new Set<string>();

  /** `changes` says which events change what is kept. */
  constructor(events: EventHub, changes: (event: ServerEvent) => boolean) {
    this.#events = events;
    this.#changes = changes;
  }

  of(computer: string, make: () => Promise<T>): Promise<T> {
    if (!this.#heard.has(computer)) {
      this.#heard.add(computer);
      this.#events.listen(computer, (event) => {
        if (this.#changes(event)) {
          this.#held.delete(computer);
        }
      });
    }
    const known = this.#held.get(computer) ?? make();
    this.#held.set(computer, known);
    known.catch(() => this.#held.delete(computer));
    return known;
  }
}

/** How far a scan is changes nothing; what it found is told as another event. */
export const hasNewUse = ({ event }: ServerEvent): boolean =>
  event !== 'scan' && event !== 'database';
/** Whether loads are others, or count for other plugins. */
export const hasNewLoads = ({ event }: ServerEvent): boolean =>
  event === 'usage' || event === 'catalog';
/** Whether plugins, or what was found for them, are others. */
export const hasNewCatalog = ({ event }: ServerEvent): boolean => event === 'catalog';
/** Whether other copies are here, or stand in another order. */
export const hasNewCopies = ({ event }: ServerEvent): boolean =>
  event === 'catalog' || event === 'order';
