/** Whether copies are opened that reading cannot tell enough of, and how many there are. */
import type { OpeningView, OpeningWish } from '@clever-drawer/core/api';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { countUnopened } from '../../database/catalog.ts';
import { findComputer, saveOpening } from '../../database/computers.ts';
import { openableHere } from '../../opener/index.ts';
import type { Parts } from '../../parts.ts';

/** What opening could tell more of. */
export async function viewOpening(parts: Parts, computer: string): Promise<OpeningView> {
  const { manager } = parts.database;
  const row = await findComputer(manager, computer);
  const counts = await countUnopened(manager, computer, openableHere(process));
  return { wish: row?.opening ?? 'ask', ...counts, lacks: await parts.opener.lacks() };
}

/** Keeps when copies of this computer are opened. */
export async function changeOpening(
  parts: Parts,
  computer: string,
  wish: OpeningWish,
): Promise<Result<OpeningView>> {
  if (!(await findComputer(parts.database.manager, computer))) {
    return failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
  }
  await saveOpening(parts.database.manager, computer, wish);
  return ok(await viewOpening(parts, computer));
}
