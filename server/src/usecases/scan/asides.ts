/** Setting files aside, and taking them back. Nothing on the disk is touched. */
import { failed, ok, type AsideView, type Result } from '@clever-drawer/core';
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

/** Sets aside the file in which a copy lies. */
export async function setAside(
  parts: Parts,
  computer: string,
  copyId: string,
): Promise<Result<null>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'copy' });
  }
  const copy = await findCopy(parts.database.manager, computer, copyId);
  if (!copy) {
    return failed({ code: 'unknown-record', at: 'copy', what: 'copy' });
  }
  const name = copy.facts.name ?? copy.path.split(/[\\/]/).pop() ?? copy.path;
  await parts.database.transaction((manager) =>
    addAside(manager, { computerId: computer, path: copy.path, name, at: parts.clock() }),
  );
  parts.events.tell(computer, { event: 'catalog' });
  return ok(null);
}

/** Takes back what was set aside: the next scan examines it again. */
export async function takeBack(
  parts: Parts,
  computer: string,
  path: string,
): Promise<Result<null>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'path' });
  }
  const wasAside = await parts.database.transaction((manager) =>
    removeAside(manager, computer, path),
  );
  if (!wasAside) {
    return failed({ code: 'unknown-record', at: 'path', what: 'file set aside' });
  }
  parts.events.tell(computer, { event: 'catalog' });
  return ok(null);
}
