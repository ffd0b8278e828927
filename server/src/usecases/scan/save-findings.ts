/**
 * One batch of a scan, written in one transaction: copies, the plugins they belong to, findings,
 * fingerprints.
 */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { nameOfCopy } from '@clever-drawer/core/catalog';
import type { FoundCopy } from '@clever-drawer/core/formats';
import {
  atFirstSight,
  foldVendor,
  isGenericWord,
  makesSound,
  nameKeyOf,
} from '@clever-drawer/core/identify';
import { copyKey, type Comparison, type FindingKind } from '@clever-drawer/core/scan';
import {
  addPlugins,
  existingPlugins,
  forgetCopies,
  markArrived,
  markCopies,
  pluginsOfCopies,
  readSights,
  saveBundles,
  saveCopies,
  type CopySight,
} from '../../database/catalog.ts';
import { lockOrder } from '../../database/computers.ts';
import { addFindings, saveScan } from '../../database/scans.ts';
import type { BundleRow, CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import type { FindingRow, ScanRow } from '../../database/scan-tables.ts';
import type { CopiesByKey } from './known-copies.ts';

/** Comparisons to be saved together. */
export interface Batch {
  readonly scan: ScanRow;
  readonly comparisons: readonly Comparison[];
  /** Known copies by key, those that the comparisons name among them. Kept up to date by saving. */
  readonly known: CopiesByKey;
  /** Plugins of known copies by what they share at first sight. Kept up to date by saving. */
  readonly plugins: Map<string, string>;
  /** The place that each bundle path was found in. */
  readonly placeOf: ReadonlyMap<string, string>;
  readonly bundles: readonly BundleRow[];
  readonly now: Date;
}

/** Writes the batch; the scan's counts go up with it. */
export async function saveBatch(manager: EntityManager, batch: Batch): Promise<void> {
  const { scan, known } = batch;
  // People may join and part plugins meanwhile: whoever changes the order waits for this batch.
  await lockOrder(manager, scan.computerId);
  const rows: CopyRow[] = [];
  const seen: string[] = [];
  const gone: CopyRow[] = [];
  const away: CopyRow[] = [];
  const dropped: CopyRow[] = [];
  const reported: { comparison: Comparison; row: CopyRow }[] = [];
  for (const comparison of batch.comparisons) {
    const before = comparison.known === null ? undefined : known.get(comparison.known);
    if (comparison.sort === 'unchanged' && before) {
      seen.push(before.id);
      scan.counts.unchanged += 1;
    } else if (comparison.sort === 'away' && before) {
      away.push(before);
      reported.push({ comparison, row: before });
    } else if (comparison.sort === 'gone' && before) {
      const isTrace = before.pluginId === null && before.status === 'failed';
      (isTrace ? dropped : gone).push(before);
      if (!isTrace) {
        reported.push({ comparison, row: before });
      }
    } else if (comparison.found) {
      const row = rowFor(batch, comparison.found, before);
      rows.push(row);
      reported.push({ comparison, row });
    }
  }
  await followOwners(manager, scan.computerId, rows);
  await assignPlugins(manager, scan.computerId, rows, batch.plugins, batch.now);
  await saveCopies(manager, scan.computerId, rows);
  await markArrived(
    manager,
    reported.flatMap(({ comparison: { sort, known: key }, row }) => {
      const before = sort === 'arrived' && key !== null ? known.get(key) : undefined;
      return before?.state === 'awaited' && row.pluginId !== null ? [row.pluginId] : [];
    }),
    batch.now,
  );
  await markCopies(manager, scan.computerId, seen, 'present', batch.now);
  await markCopies(
    manager,
    scan.computerId,
    gone.map((row) => row.id),
    'gone',
    batch.now,
  );
  await markCopies(
    manager,
    scan.computerId,
    away.map((row) => row.id),
    'away',
    batch.now,
  );
  await forgetCopies(
    manager,
    dropped.map((row) => row.id),
  );
  await saveBundles(manager, batch.bundles);
  await report(manager, scan, reported);
  await saveScan(manager, scan);
  writeStored(known, batch.comparisons, rows, dropped);
}

function rowFor(batch: Batch, found: FoundCopy, before: CopyRow | undefined): CopyRow {
  return {
    id: before?.id ?? randomUUID(),
    computerId: batch.scan.computerId,
    pluginId: before?.pluginId ?? null,
    placeId: batch.placeOf.get(found.path) ?? before?.placeId ?? null,
    key: copyKey(found),
    format: found.format,
    path: found.path,
    status: found.status,
    state: 'present',
    facts: found,
    firstSeenAt: before?.firstSeenAt ?? batch.now,
    lastSeenAt: batch.now,
  };
}

/** What copies of one plugin share at first sight; sorting, at the end of the scan, looks closer. */
const firstSight = ({ name, path, vendor, ...copy }: Omit<CopySight, 'plugin'>): string =>
  `${nameKeyOf(nameOfCopy({ name, path }), vendor, makesSound(copy), isGenericWord).bare}|${foldVendor(vendor)}`;

/** The plugins of known copies, by what copies of one plugin share. */
export const pluginsAtFirstSight = async (
  manager: EntityManager,
  computer: string,
): Promise<Map<string, string>> =>
  new Map(
    (await readSights(manager, computer)).map((copy) => [firstSight(copy), copy.plugin] as const),
  );

/** Copies that were known belong to whichever plugin they belong to by now. */
async function followOwners(
  manager: EntityManager,
  computer: string,
  rows: readonly CopyRow[],
): Promise<void> {
  const owners = await pluginsOfCopies(
    manager,
    computer,
    rows.filter((row) => row.pluginId !== null).map((row) => row.id),
  );
  for (const row of rows) {
    row.pluginId = owners.get(row.id) ?? null;
  }
}

/** Gives every copy that can be understood a plugin to be shown with; a copy that has one keeps it. */
async function assignPlugins(
  manager: EntityManager,
  computer: string,
  rows: readonly CopyRow[],
  plugins: Map<string, string>,
  now: Date,
): Promise<void> {
  const waiting = rows
    .filter((row) => row.pluginId === null && row.status !== 'failed')
    .map((row) => ({ row, key: firstSight(row.facts) }));
  const there = await existingPlugins(
    manager,
    waiting.flatMap(({ key }) => plugins.get(key) ?? []),
  );
  const fresh: PluginRow[] = [];
  const plain = { computerId: computer, arrivedAt: now, wentInto: null, isRemembered: false };
  for (const { row, key } of waiting) {
    const shared = plugins.get(key);
    if (shared !== undefined && there.has(shared)) {
      row.pluginId = shared;
      continue;
    }
    const id = randomUUID();
    row.pluginId = id;
    plugins.set(key, id);
    there.add(id);
    // What speaks for it is weighed when it is sorted with all others, at the end of the scan.
    fresh.push({ ...plain, ...atFirstSight(row.facts), id, grounds: null });
  }
  await addPlugins(manager, computer, fresh);
}

async function report(
  manager: EntityManager,
  scan: ScanRow,
  reported: readonly { comparison: Comparison; row: CopyRow }[],
): Promise<void> {
  const start = Object.entries(scan.counts).reduce(
    (sum, [sort, count]) => (sort === 'unchanged' ? sum : sum + count),
    0,
  );
  const findings = reported.map(
    ({ comparison, row }, i): FindingRow => ({
      id: randomUUID(),
      scanId: scan.id,
      number: start + i,
      sort: comparison.sort as FindingKind,
      pluginId: row.pluginId,
      name: nameOfCopy(row.facts),
      vendor: row.facts.vendor,
      format: row.format,
      path: row.path,
      from: comparison.from,
      to: comparison.to,
      problem: comparison.sort === 'failed' ? row.facts.problem : null,
    }),
  );
  for (const finding of findings) {
    scan.counts[finding.sort] += 1;
  }
  await addFindings(manager, findings);
}

/** What was known is so no longer; copies that a scan adds are looked at once and need not be. */
function writeStored(
  known: CopiesByKey,
  comparisons: readonly Comparison[],
  rows: readonly CopyRow[],
  dropped: readonly CopyRow[],
): void {
  for (const comparison of comparisons) {
    if (comparison.known === null) {
      continue;
    }
    const before = known.get(comparison.known);
    if (comparison.found && copyKey(comparison.found) !== comparison.known) {
      known.delete(comparison.known);
    } else if ((comparison.sort === 'gone' || comparison.sort === 'away') && before) {
      known.set(comparison.known, { ...before, state: comparison.sort });
    }
  }
  for (const row of rows.filter(({ key }) => known.has(key))) {
    known.set(row.key, row);
  }
  for (const row of dropped) {
    known.delete(row.key);
  }
}
