/** A scan's row and what is shown of it. */
import { randomUUID } from 'node:crypto';
import type { ScanView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { describe } from '@clever-drawer/core/problem';
import { findingKinds, type KnownCopy } from '@clever-drawer/core/scan';
import type { CopyRow } from '../../database/catalog-tables.ts';
import type { ScanRow } from '../../database/scan-tables.ts';

const noCounts = (): ScanRow['counts'] =>
  ({
    ...Object.fromEntries(findingKinds.map((sort) => [sort, 0])),
    unchanged: 0,
  }) as ScanRow['counts'];

/** A scan that begins; adding it to the database gives it its number. */
export const newScan = (computer: string, startedAt: Date): ScanRow => ({
  id: randomUUID(),
  computerId: computer,
  number: 0,
  startedAt,
  endedAt: null,
  state: 'running',
  looked: 0,
  counts: noCounts(),
  problems: [],
});

/** A scan as it is shown. */
export const viewOf = (row: ScanRow): ScanView => ({
  id: asId(row.id),
  startedAt: row.startedAt.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
  state: row.state,
  looked: row.looked,
  counts: row.counts,
  problems: row.problems.map(describe),
});

/** A known copy, as comparing needs it. */
export const asKnown = (row: CopyRow): KnownCopy => ({
  key: row.key,
  copy: row.facts,
  state: row.state,
});
