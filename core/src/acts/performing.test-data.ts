/** Performing acts in tests: what becomes of an order, in which words, or why it is refused. */
import { applyChange } from '../change.ts';
import type { Order } from '../order/records.ts';
import type { Problem } from '../problem.ts';
import type { Act } from './act.ts';
import type { NameOfPlugin, OrderChange } from './act-result.ts';
import { perform } from './perform.ts';

/** Plugins have their ids as names, but those that are no more. */
export const calledById =
  (gone: readonly string[] = []): NameOfPlugin =>
  (id) =>
    gone.includes(id) ? undefined : id;

interface Done {
  readonly order: Order;
  readonly words: string;
  readonly change: OrderChange;
}

/** What an act does. Throws where it is refused. */
export function did(order: Order, act: Act, nameOf: NameOfPlugin = calledById()): Done {
  const result = perform(order, act, nameOf);
  if (!result.ok) {
    throw new Error(JSON.stringify(result.problems));
  }
  const { change, words } = result.value;
  return { order: applyChange(order, change), words, change };
}

/** Why an act is refused. Throws where it is not. */
export function refusalOf(order: Order, act: Act, nameOf: NameOfPlugin = calledById()): Problem {
  const result = perform(order, act, nameOf);
  const [problem] = result.ok ? [] : result.problems;
  if (!problem) {
    throw new Error(`${act.act} is not refused`);
  }
  return problem;
}
