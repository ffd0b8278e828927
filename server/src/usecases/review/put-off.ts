/** Advice that was put off. */
import type { PutOff } from '@clever-drawer/core/api';
import { ok, type Result } from '@clever-drawer/core/problem';
import { findComputer, lockComputer, savePutOff } from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';

/** What was put off. */
export const viewPutOff = async ({ database }: Parts, computer: string): Promise<PutOff> =>
  (await findComputer(database.manager, computer))?.putOff ?? {};

/** Puts a piece of advice off until a time, or for good with null; without a time it is told again. */
export function putOff(
  { database }: Parts,
  computer: string,
  what: string,
  until: string | null | undefined,
): Promise<Result<PutOff>> {
  return database.transaction(async (manager) => {
    const row = await lockComputer(manager, computer);
    const others = Object.entries(row?.putOff ?? {}).filter(([key]) => key !== what);
    const next = Object.fromEntries(until === undefined ? others : [...others, [what, until]]);
    await savePutOff(manager, computer, next);
    return ok(next);
  });
}
