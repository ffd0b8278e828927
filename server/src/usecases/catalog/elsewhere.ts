/** Computers elsewhere: what needs their disk or their plugins cannot be done here. */
import type { Problem } from '@clever-drawer/core/problem';
import { findComputer } from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';

/** Why something cannot be done with this computer's own files; null where it can. */
export async function notHere(parts: Parts, computer: string): Promise<Problem | null> {
  const row = await findComputer(parts.database.manager, computer);
  return row?.isElsewhere ? { code: 'computer-elsewhere', at: 'computer', name: row.name } : null;
}
