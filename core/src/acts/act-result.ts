/** What performing an act gives, and how its words are put. */
import { noChange, type Change } from '../change.ts';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import type { OrderRecord } from '../order/records.ts';

/** A change of the order's records. */
export type OrderChange = Change<OrderRecord>;

/** The change an act makes, and what to call it: "File 3 plugins in Squeeze". */
export interface ActResult {
  readonly change: OrderChange;
  readonly words: string;
}

/** What perform has to know of the catalog: the name of a plugin, undefined when there is none such. */
export type NameOfPlugin = (id: string) => string | undefined;

/** A result with the change an act makes; what is not given stays empty. */
export const done = (words: string, change: Partial<OrderChange>): Result<ActResult> =>
  ok({ words, change: { ...noChange, ...change } });
/** A refusal: something the act names is not there. */
export const unknown = (what: string, at: string): { ok: false; problems: Problem[] } =>
  failed({ code: 'unknown-record', at, what });

/** "the plugin Gullwing" or "3 plugins". */
export function sayPlugins(ids: readonly string[], nameOf: NameOfPlugin): string {
  return ids.length === 1 ? (nameOf(ids[0] ?? '') ?? 'a plugin') : `${ids.length} plugins`;
}

/** A change that is being put together. */
export interface Edited {
  added: OrderRecord[];
  updated: [OrderRecord, OrderRecord][];
  removed: OrderRecord[];
}
/** A change with nothing in it yet. */
export const edited = (): Edited => ({ added: [], updated: [], removed: [] });
/** A refusal: a plugin the act names is not there. */
export const unknownPlugin = (): { ok: false; problems: Problem[] } => unknown('plugin', 'plugins');
