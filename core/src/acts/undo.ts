/**
 * Undo and redo as changes. Which change is next is told by the log's numbers and states
 * (server/database/changes.ts).
 */
import { reverse } from '../change.ts';
import type { OrderChange } from './act-result.ts';

/** What to apply in order to undo (reverse) or redo (as it is). */
export const stepOf = (
  recorded: { readonly change: OrderChange },
  direction: 'undo' | 'redo',
): OrderChange => (direction === 'undo' ? reverse(recorded.change) : recorded.change);
