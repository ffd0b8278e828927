/** One batch of a scan, written in one transaction: copies, the plugins they belong to, findings, fingerprints. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { copyKey, nameOfCopy, pluginFacts, pluginKey, type Comparison, type FindingSort, type FoundCopy } from '@clever-drawer/core';
import { addPlugins, copiesOfPlugins, forgetCopies, markCopies, onlyNamesakes, pluginsByKey, saveBundles, saveCopies, updatePluginFacts } from '../database/catalog.ts';
import { addFindings, saveScan } from '../database/scans.ts';
import type { BundleRow, CopyRow, FindingRow, PluginRow, ScanRow } from '../database/schemas.ts';

export interface Batch {
  readonly scan: ScanRow;
  readonly comparisons: readonly Comparison[];
  /** Known copies by key. Kept up to date by saving. */
  readonly known: Map<string, CopyRow>;
  /** The place that each bundle path was found in. */
  readonly placeOf: ReadonlyMap<string, string>;
  readonly bundles: readonly BundleRow[];
  readonly now: Date;
}

/** Writes the batch; the scan's counts go up with it. */
export async function saveBatch(manager: EntityManager, batch: Batch): Promise<void> {
  const { scan, known } = batch;
  const rows: CopyRow[] = [], seen: string[] = [], gone: CopyRow[] = [], away: CopyRow[] = [], dropped: CopyRow[] = [];
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
      if (!isTrace) reported.push({ comparison, row: before });
    } else if (comparison.found) {
      const row = rowFor(batch, comparison.found, before);
      rows.push(row);
      reported.push({ comparison, row });
    }
  }
  await assignPlugins(manager, scan.computerId, rows, batch.now);
  await saveCopies(manager, rows);
  await markCopies(manager, seen, 'present', batch.now);
  await markCopies(manager, gone.map((row) => row.id), 'gone', batch.now);
  await markCopies(manager, away.map((row) => row.id), 'away', batch.now);
  await forgetCopies(manager, dropped.map((row) => row.id));
  await refreshPlugins(manager, [...rows, ...gone]);
  await saveBundles(manager, batch.bundles);
  await report(manager, scan, reported);
  await saveScan(manager, scan);
  remember(known, batch.comparisons, rows, dropped);
}

function rowFor(batch: Batch, found: FoundCopy, before: CopyRow | undefined): CopyRow {
  return {
    id: before?.id ?? randomUUID(), computerId: batch.scan.computerId, pluginId: before?.pluginId ?? null, placeId: batch.placeOf.get(found.path) ?? before?.placeId ?? null,
    key: copyKey(found), format: found.format, path: found.path, status: found.status, state: 'present', facts: found,
    firstSeenAt: before?.firstSeenAt ?? batch.now, lastSeenAt: batch.now,
  };
}

/** Gives every copy that can be understood its plugin; a copy that has one keeps it. */
async function assignPlugins(manager: EntityManager, computer: string, rows: readonly CopyRow[], now: Date): Promise<void> {
  const free = rows.filter((row) => row.pluginId === null && row.status === 'ok');
  const keys = new Map(free.map((row) => [row, pluginKey(row.facts)]));
  const plugins = new Map((await pluginsByKey(manager, computer, [...new Set(keys.values())])).map((plugin) => [plugin.key, plugin.id]));
  const namesakes = await onlyNamesakes(manager, computer, [...keys.values()].filter((key) => key.endsWith('|')));
  const added: PluginRow[] = [];
  for (const [row, key] of keys) {
    let id = plugins.get(key) ?? (key.endsWith('|') ? namesakes.get(key) : undefined);
    if (id === undefined) {
      plugins.set(key, (id = randomUUID()));
      const facts = pluginFacts([row.facts]);
      added.push({ id, computerId: computer, key, arrivedAt: now, ...facts, types: [...facts.types] });
    }
    row.pluginId = id;
  }
  await addPlugins(manager, added);
}

/** Tells again from its copies what each touched plugin is: from those that are there, or from all when none is. */
async function refreshPlugins(manager: EntityManager, rows: readonly CopyRow[]): Promise<void> {
  const ids = [...new Set(rows.map((row) => row.pluginId).filter((id) => id !== null))];
  if (ids.length === 0) return;
  const byPlugin = new Map<string, CopyRow[]>();
  for (const copy of await copiesOfPlugins(manager, ids)) {
    const id = copy.pluginId ?? '';
    byPlugin.set(id, [...(byPlugin.get(id) ?? []), copy]);
  }
  await updatePluginFacts(manager, [...byPlugin].map(([id, copies]) => {
    const sound = copies.filter((copy) => copy.status === 'ok'), present = sound.filter((copy) => copy.state === 'present');
    const facts = pluginFacts((present.length > 0 ? present : sound.length > 0 ? sound : copies).map((copy) => copy.facts));
    return { id, ...facts, types: [...facts.types] };
  }));
}

async function report(manager: EntityManager, scan: ScanRow, reported: readonly { comparison: Comparison; row: CopyRow }[]): Promise<void> {
  const start = Object.entries(scan.counts).reduce((sum, [sort, count]) => (sort === 'unchanged' ? sum : sum + count), 0);
  const findings = reported.map(({ comparison, row }, i): FindingRow => ({
    id: randomUUID(), scanId: scan.id, number: start + i, sort: comparison.sort as FindingSort, pluginId: row.pluginId, name: nameOfCopy(row.facts),
    vendor: row.facts.vendor, format: row.format, path: row.path, from: comparison.from, to: comparison.to, problem: comparison.sort === 'failed' ? row.facts.problem : null,
  }));
  for (const finding of findings) scan.counts[finding.sort] += 1;
  await addFindings(manager, findings);
}

function remember(known: Map<string, CopyRow>, comparisons: readonly Comparison[], rows: readonly CopyRow[], dropped: readonly CopyRow[]): void {
  for (const comparison of comparisons) {
    if (comparison.known === null) continue;
    const before = known.get(comparison.known);
    if (comparison.sort === 'moved') known.delete(comparison.known);
    else if ((comparison.sort === 'gone' || comparison.sort === 'away') && before) known.set(comparison.known, { ...before, state: comparison.sort });
  }
  for (const row of rows) known.set(row.key, row);
  for (const row of dropped) known.delete(row.key);
}

