/** Which change is undone or redone next, out of the changes as they were recorded. */
import { reverse } from '../change.ts';
import type { OrderChange } from '../cabinet/perform.ts';

/** One recorded change. `undone` ones wait to be redone until a new act discards them. */
export interface RecordedChange {
  readonly number: number;
  readonly words: string;
  /** ISO 8601. */
  readonly at: string;
  readonly state: 'done' | 'undone' | 'discarded';
  readonly change: OrderChange;
}

/** The latest change that is done. */
export function nextToUndo<C extends Pick<RecordedChange, 'number' | 'state'>>(changes: readonly C[]): C | undefined {
  return changes.filter((c) => c.state === 'done').reduce<C | undefined>((best, c) => (!best || c.number > best.number ? c : best), undefined);
}

/** The earliest change that was undone and not discarded since. */
export function nextToRedo<C extends Pick<RecordedChange, 'number' | 'state'>>(changes: readonly C[]): C | undefined {
  return changes.filter((c) => c.state === 'undone').reduce<C | undefined>((best, c) => (!best || c.number < best.number ? c : best), undefined);
}

/** What to apply in order to undo (reverse) or redo (as it is). */
export const stepOf = (recorded: Pick<RecordedChange, 'change'>, direction: 'undo' | 'redo'): OrderChange =>
  direction === 'undo' ? reverse(recorded.change) : recorded.change;
