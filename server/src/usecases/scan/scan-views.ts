/** What is shown of scans: how they went, what they found, and which copies failed. */
import type { FindingView, ScanProgress, ScanView } from '@clever-drawer/core/api';
import { nameOfCopy } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { failedCopies } from '../../database/catalog.ts';
import type { FindingRow } from '../../database/scan-tables.ts';
import { listFindings, listScans } from '../../database/scans.ts';
import type { Parts } from '../../parts.ts';
import { viewOf } from './scan-rows.ts';

/** The latest scans, newest first, and how far a running one is. */
export async function viewScans(
  parts: Parts,
  computer: string,
): Promise<{ scans: ScanView[]; progress: ScanProgress | null }> {
  return {
    scans: (await listScans(parts.database.manager, computer)).map(viewOf),
    progress: parts.scans.of(computer)?.progress ?? null,
  };
}

/** The most findings shown of one scan. */
const findingsShown = 5_000;

/** A finding as it is shown. */
export const findingView = ({
  id,
  sort,
  name,
  vendor,
  format,
  path,
  from,
  to,
  pluginId,
  problem,
}: FindingRow): FindingView => ({
  id,
  sort,
  name,
  vendor,
  format,
  path,
  from,
  to,
  plugin: pluginId === null ? null : asId(pluginId),
  copy: null,
  problem,
});

/** The findings of a scan. */
export async function viewFindings(
  parts: Parts,
  computer: string,
  scan: string,
): Promise<FindingView[]> {
  const rows = await listFindings(parts.database.manager, computer, scan, findingsShown);
  return rows.map(findingView);
}

/** The copies that are there and failed, whichever scan said so, in the shape of findings. */
export async function viewFailed(parts: Parts, computer: string): Promise<FindingView[]> {
  const rows = await failedCopies(parts.database.manager, computer, findingsShown);
  return rows.map(({ id, facts, format, path, pluginId }) => ({
    id,
    sort: 'failed',
    name: nameOfCopy(facts),
    vendor: facts.vendor,
    format,
    path,
    from: null,
    to: null,
    plugin: pluginId === null ? null : asId(pluginId),
    copy: asId(id),
    problem: facts.problem,
  }));
}
