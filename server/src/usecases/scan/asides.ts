/** Setting files aside, and taking them back. Nothing on the disk is touched. */
import type { AsideView } from '@clever-drawer/core/api';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { addAside, listAsides, removeAside } from '../../database/asides.ts';
import { findCopy } from '../../database/catalog.ts';
import type { Parts } from '../../parts.ts';

/** What was set aside. */
export async function viewAsides(parts: Parts, computer: string): Promise<AsideView[]> {
  return (await listAsides(parts.database.manager, computer)).map(({ path, name, at }) => ({
    path,
    name,
    at: at.toISOString(),
  }));
}

/** Sets aside the files in which copies lie; all of them or none. */
export async function setAside(
  parts: Parts,
  computer: string,
  copies: readonly string[],
): Promise<Result<null>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'copies' });
  }
  const result = await parts.database.transaction(async (manager): Promise<Result<null>> => {
    for (const id of copies) {
      const copy = await findCopy(manager, computer, id);
      if (!copy) {
        return failed({ code: 'unknown-record', at: 'copies', what: 'copy' });
      }
      const name = copy.facts.name ?? copy.path.split(/[\\/]/).pop() ?? copy.path;
      await addAside(manager, { computerId: computer, path: copy.path, name, at: parts.clock() });
    }
    return ok(null);
  });
  if (result.ok) {
    parts.events.tell(computer, { event: 'catalog' });
  }
  return result;
}

/** Takes back what was set aside: the next scan examines it again. */
export async function takeBack(
  parts: Parts,
  computer: string,
  paths: readonly string[],
): Promise<Result<null>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'paths' });
  }
  const result = await parts.database.transaction(async (manager): Promise<Result<null>> => {
    for (const path of paths) {
      if (!(await removeAside(manager, computer, path))) {
        return failed({ code: 'unknown-record', at: 'paths', what: 'file set aside' });
      }
    }
    return ok(null);
  });
  if (result.ok) {
    parts.events.tell(computer, { event: 'catalog' });
  }
  return result;
}
