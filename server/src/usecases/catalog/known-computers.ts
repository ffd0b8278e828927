/** Which computers there are, asked at every request: nothing is ever kept for one that is not. */
import { findComputer } from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';

const known = new WeakMap<Parts, Set<string>>();

/** A computer that was removed is unknown from now on. */
export const forgetKnown = (parts: Parts, id: string): boolean =>
  known.get(parts)?.delete(id) ?? false;

/** Whether there is a computer of that id. */
export async function isComputer(parts: Parts, id: string): Promise<boolean> {
  const ids = known.get(parts) ?? new Set();
  known.set(parts, ids);
  if (!ids.has(id) && (await findComputer(parts.database.manager, id))) {
    ids.add(id);
  }
  return ids.has(id);
}
