/** What was worked out for a computer, kept until something happens on it. */
import type { EventHub } from './event-hub.ts';

export class Kept<T> {
  readonly #events: EventHub;
  readonly #held = new Map<string, Promise<T>>();
  readonly #heard = new Set<string>();

  constructor(events: EventHub) { this.#events = events; }

  of(computer: string, make: () => Promise<T>): Promise<T> {
    if (!this.#heard.has(computer)) {
      this.#heard.add(computer);
      // How far a scan is changes nothing; what it found is told as another event.
      this.#events.listen(computer, (event) => { if (event.event !== 'scan') this.#held.delete(computer); });
    }
    const known = this.#held.get(computer) ?? make();
    this.#held.set(computer, known);
    known.catch(() => this.#held.delete(computer));
    return known;
  }
}
