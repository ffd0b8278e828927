/**
 * The orders of computers as they were after their latest step, so that neither an act nor a window
 * that opens need read all of one. Only steps change an order, each counts its revision up, and the
 * computer is locked meanwhile: an order that is held is that of the revision it is held with, or it
 * is read anew.
 */
import type { EntityManager } from 'typeorm';
import { takeChange, type Order, type OrderChange, type OrderRecord } from '@clever-drawer/core';
import { readOrder } from '../database/order.ts';

interface Held {
  readonly revision: number;
  readonly order: Map<string, OrderRecord>;
}

/** Orders in memory, by computer. */
export class HeldOrders {
  readonly #held = new Map<string, Held>();

  /**
   * The order at a revision of a computer that is locked, before anything of it is changed. It is
   * good until the step that asked for it is stored.
   */
  async at(manager: EntityManager, computer: string, revision: number): Promise<Order> {
    return (
      this.#heldAt(computer, revision) ??
      this.#hold(computer, revision, await readOrder(manager, computer))
    );
  }

  /**
   * The records of the order at a revision, which is the one that the transaction sees: to be looked
   * at, so the computer need not be locked.
   */
  async recordsAt(
    manager: EntityManager,
    computer: string,
    revision: number,
  ): Promise<OrderRecord[]> {
    // Copied at once: the next step that is stored changes what is held.
    const order =
      this.#heldAt(computer, revision) ??
      this.#hold(computer, revision, await readOrder(manager, computer));
    return [...order.values()];
  }

  #heldAt(computer: string, revision: number): Order | undefined {
    const held = this.#held.get(computer);
    return held?.revision === revision ? held.order : undefined;
  }

  /** Holds what was read, unless a step was stored meanwhile: what that made is newer. */
  #hold(computer: string, revision: number, order: Held['order']): Order {
    if ((this.#held.get(computer)?.revision ?? -1) < revision) {
      this.#held.set(computer, { revision, order });
    }
    return order;
  }

  /** A step was stored: what is held becomes what it made of it. */
  follow(computer: string, from: number, change: OrderChange, to: number): void {
    const held = this.#held.get(computer);
    if (held?.revision === from) {
      takeChange(held.order, change);
      this.#held.set(computer, { revision: to, order: held.order });
    } else if (held?.revision !== to) {
      this.#held.delete(computer);
    }
  }
}
