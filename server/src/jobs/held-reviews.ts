/**
 * Reviews as they were worked out last, so that every window has one at once. What happens on a
 * computer makes them old; an old one stands until one of now takes its place.
 */
import type { ReviewPart, ReviewView, ServerEvent } from '@clever-drawer/core';
import type { EventHub } from './event-hub.ts';

/** How reviews are worked out. */
export interface ReviewWork<G> {
  /** What a computer tells of itself now. */
  readonly gather: (computer: string) => Promise<G>;
  /** A part of a review, as the text that is sent. */
  readonly workOut: (gathered: G, part: ReviewPart, view: ReviewView) => Promise<string>;
}

/** What is gathered once for all parts of a review. `since` in milliseconds since 1970. */
interface Gathering<G> {
  readonly since: number;
  readonly gathered: Promise<G>;
}

/** A part that is being worked out, and the text that was worked out last. */
interface Part<G> {
  readonly of: Gathering<G>;
  readonly text: Promise<string>;
  latest: { readonly of: Gathering<G>; readonly text: string } | null;
}

interface Held<G> {
  /** What all that is of now is made of; null once something happened. */
  gathering: Gathering<G> | null;
  /** The ones asked for last stand last. */
  readonly parts: Map<string, Part<G>>;
}

/** So long a review is of now where nothing happens: time alone changes little. Milliseconds. */
const standsFor = 10 * 60_000;
/** So many parts are held of a computer. */
const heldOf = 30;

/** Whether plugins, the order, loads or sessions are others. */
const isOther = ({ event }: ServerEvent): boolean =>
  event === 'catalog' || event === 'order' || event === 'usage' || event === 'session';

const keyOf = (part: ReviewPart, view: ReviewView): string => JSON.stringify([part, view]);

/** Reviews in memory, by computer. */
export class HeldReviews<G = unknown> {
  readonly #events: EventHub;
  readonly #clock: () => Date;
  readonly #work: ReviewWork<G>;
  readonly #held = new Map<string, Held<G>>();

  constructor(events: EventHub, clock: () => Date, work: ReviewWork<G>) {
    this.#events = events;
    this.#clock = clock;
    this.#work = work;
  }

  /** That part as it is now; who asks meanwhile waits for the same. */
  now(computer: string, part: ReviewPart, view: ReviewView): Promise<string> {
    const held = this.#of(computer);
    const of = this.#gathering(computer, held);
    const key = keyOf(part, view);
    const known = held.parts.get(key);
    const asked = known?.of === of ? known : this.#begin(held, of, part, view, known?.latest);
    held.parts.delete(key);
    held.parts.set(key, asked);
    for (const oldest of [...held.parts.keys()].slice(0, -heldOf)) {
      held.parts.delete(oldest);
    }
    return asked.text;
  }

  /** That part as it was worked out last; null where there is none, or it is of now. */
  before(computer: string, part: ReviewPart, view: ReviewView): string | null {
    const held = this.#held.get(computer);
    const latest = held?.parts.get(keyOf(part, view))?.latest;
    if (!held || !latest) {
      return null;
    }
    return latest.of === this.#current(held) ? null : latest.text;
  }

  /** What is no longer to be known is not held. */
  forget(computer: string): void {
    this.#held.get(computer)?.parts.clear();
  }

  #of(computer: string): Held<G> {
    const known = this.#held.get(computer);
    if (known) {
      return known;
    }
    const held: Held<G> = { gathering: null, parts: new Map() };
    this.#held.set(computer, held);
    this.#events.listen(computer, (event) => {
      if (isOther(event)) {
        held.gathering = null;
      }
    });
    return held;
  }

  /** What all that is of now is made of; null where that is to be gathered. */
  #current({ gathering }: Held<G>): Gathering<G> | null {
    const isOfNow = gathering && this.#clock().getTime() - gathering.since < standsFor;
    return isOfNow ? gathering : null;
  }

  #gathering(computer: string, held: Held<G>): Gathering<G> {
    const current = this.#current(held);
    if (current) {
      return current;
    }
    const since = this.#clock().getTime();
    held.gathering = { since, gathered: this.#work.gather(computer) };
    return held.gathering;
  }

  #begin(
    held: Held<G>,
    of: Gathering<G>,
    name: ReviewPart,
    view: ReviewView,
    latest: Part<G>['latest'] = null,
  ): Part<G> {
    const text = of.gathered.then((gathered) => this.#work.workOut(gathered, name, view));
    const part: Part<G> = { of, text, latest };
    text.then(
      (done) => {
        part.latest = { of, text: done };
      },
      () => {
        // Asked again, it is tried again.
        held.gathering = held.gathering === of ? null : held.gathering;
      },
    );
    return part;
  }
}
