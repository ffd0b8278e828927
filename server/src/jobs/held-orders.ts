/**
 * The orders of computers as they were after their latest step, so that neither an act nor a window
 * that opens need read all of one. Only steps change an order, each counts its revision up, and the computer is locked meanwhile:
 * an order that is held is that of the revision it is held with, or it is read anew.
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
    const held = this.#held.get(computer);
    if (held?.revision === revision) {
      return held.order;
    }
    const order = await readOrder(manager, computer);
    this.#held.set(computer, { revision, order });
    return order;
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
    const held = this.#held.get(computer);
    if (held?.revision === revision) {
      return [...held.order.values()];
    }
    const order = await readOrder(manager, computer);
    // A step may have been stored meanwhile; what it made is newer.
    if ((this.#held.get(computer)?.revision ?? -1) < revision) {
      this.#held.set(computer, { revision, order });
    }
    return [...order.values()];
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
