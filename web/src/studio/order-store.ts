/**
 * The order as this window shows it: what the server confirmed, with the acts still on their way
 * done on top.
 */
import { perform, type Act, type NameOfPlugin } from '@clever-drawer/core/acts';
import type { OrderStep, OrderView } from '@clever-drawer/core/api';
import { applyChange, isSameValue, keyOf } from '@clever-drawer/core/change';
import { orderOf, type Order, type OrderRecord } from '@clever-drawer/core/order';

/** An act on its way to the server, told apart by its ticket: the cache may copy objects. */
export interface Pending {
  readonly ticket: string;
  readonly act: Act;
}

export interface OrderState {
  readonly revision: number;
  readonly confirmed: Order;
  readonly pending: readonly Pending[];
  /** What is shown: confirmed plus pending. */
  readonly records: Order;
  readonly undo: string | null;
  readonly redo: string | null;
}

export function fromView(view: OrderView): OrderState {
  const confirmed = orderOf(view.records);
  return {
    revision: view.revision,
    confirmed,
    pending: [],
    records: confirmed,
    undo: view.undo,
    redo: view.redo,
  };
}

/**
 * What was asked for anew: `held` is what stood when it was asked, `now` what stands as the answer
 * comes. Steps that came meanwhile are newer than an answer without them; acts on their way stay.
 */
export function refreshed(
  before: OrderState | undefined,
  now: OrderState | undefined,
  view: OrderView,
  nameOf: NameOfPlugin,
): OrderState {
  if (now && now.revision > view.revision && now.revision !== before?.revision) {
    return now;
  }
  const fresh = fromView(view);
  return now ? replay({ ...fresh, pending: now.pending }, nameOf) : fresh;
}

/**
 * A step that was stored, from the answer or from the event, whichever comes first. Null when steps
 * between are missing.
 */
export function confirm(
  state: OrderState,
  step: OrderStep,
  nameOf: NameOfPlugin,
): OrderState | null {
  if (step.revision <= state.revision) {
    return state;
  }
  if (step.revision !== state.revision + 1) {
    return null;
  }
  return replay(
    {
      ...state,
      revision: step.revision,
      confirmed: applyChange(state.confirmed, asShown(step.change, state.records)),
      undo: step.undo,
      redo: step.redo,
    },
    nameOf,
  );
}

/**
 * The change with the records that are shown already where these say the same, so that nothing is
 * made or drawn again when what was shown is confirmed.
 */
function asShown(change: OrderStep['change'], shown: Order): OrderStep['change'] {
  const keep = (record: OrderRecord): OrderRecord => {
    const known = shown.get(keyOf(record));
    return known && isSameValue(known, record) ? known : record;
  };
  return {
    ...change,
    added: change.added.map(keep),
    updated: change.updated.map(([from, to]) => [from, keep(to)] as const),
  };
}

export const addPending = (state: OrderState, pending: Pending, nameOf: NameOfPlugin): OrderState =>
  replay({ ...state, pending: [...state.pending, pending] }, nameOf);

export const dropPending = (state: OrderState, ticket: string, nameOf: NameOfPlugin): OrderState =>
  replay({ ...state, pending: state.pending.filter((p) => p.ticket !== ticket) }, nameOf);

/**
 * Does the pending acts again on what is confirmed. One that no longer works (or is confirmed
 * meanwhile) is passed over.
 */
function replay(state: OrderState, nameOf: NameOfPlugin): OrderState {
  let order = state.confirmed;
  for (const { act } of state.pending) {
    const performed = perform(order, act, nameOf);
    if (performed.ok) {
      order = applyChange(order, performed.value.change);
    }
  }
  return { ...state, records: order };
}
