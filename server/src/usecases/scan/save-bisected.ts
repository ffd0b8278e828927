/**
 * Saving a batch of a scan. One copy that the database refuses must not break off all others: the
 * batch is taken apart until it is found, it is said as failed, and the rest is saved.
 */
import type { DataSource } from 'typeorm';
import type { Logger } from 'pino';
import { failedCopy } from '@clever-drawer/core/formats';
import { grouped } from '@clever-drawer/core/grouped';
import type { Comparison } from '@clever-drawer/core/scan';
import { saveBatch, type Batch } from './save-findings.ts';

/** What saving needs of the program's parts. */
interface Keeping {
  readonly database: DataSource;
  readonly log: Logger;
}

/** Saves the batch, or all of it but what cannot be saved. Throws when the database is not there. */
export async function saveBisected(keeping: Keeping, batch: Batch): Promise<void> {
  const counted = { ...batch.scan.counts };
  try {
    await keeping.database.transaction((manager) => saveBatch(manager, batch));
  } catch (error) {
    batch.scan.counts = counted;
    if (!isAboutData(error)) {
      throw error;
    }
    await saveParts(keeping, batch, error as Error);
  }
}

/**
 * Data exceptions (22), integrity (23) and limits of the program (54): about what was to be saved,
 * not about the database (https://www.postgresql.org/docs/15/errcodes-appendix.html).
 */
const isAboutData = (error: unknown): boolean =>
  /^(22|23|54)/.test((error as { code?: string }).code ?? '');

async function saveParts(keeping: Keeping, batch: Batch, error: Error): Promise<void> {
  const paths = pathsOf(batch);
  if (paths.length > 1) {
    const half = Math.ceil(paths.length / 2);
    await saveBisected(keeping, partOf(batch, paths.slice(0, half)));
    await saveBisected(keeping, partOf(batch, paths.slice(half)));
    return;
  }
  keeping.log.error({ path: paths[0], reason: error.message }, 'a copy could not be saved');
  await sayFailed(keeping, batch, error.message);
}

const pathOf = ({ found, from }: Comparison): string => found?.path ?? from ?? '';

const pathsOf = ({ comparisons, bundles }: Batch): string[] => [
  ...new Set([...comparisons.map(pathOf), ...bundles.map((bundle) => bundle.path)]),
];

function partOf(batch: Batch, paths: readonly string[]): Batch {
  const wanted = new Set(paths);
  const byPath = grouped(batch.comparisons.map((one) => [pathOf(one), one] as const));
  return {
    ...batch,
    comparisons: paths.flatMap((path) => byPath.get(path) ?? []),
    bundles: batch.bundles.filter((bundle) => wanted.has(bundle.path)),
  };
}

/** In place of what cannot be saved stands that it failed; where not even that can, it is counted. */
async function sayFailed(keeping: Keeping, batch: Batch, reason: string): Promise<void> {
  const { scan } = batch;
  const found = batch.comparisons.find((one) => one.found !== null)?.found;
  const path = found?.path ?? pathsOf(batch)[0] ?? '';
  const counted = { ...scan.counts };
  const copy =
    found &&
    failedCopy(found.format, path, { code: 'not-kept', at: path, detail: reason.slice(0, 200) });
  const failure: Comparison[] = copy
    ? [{ sort: 'failed', found: copy, known: null, from: null, to: null }]
    : [];
  try {
    await keeping.database.transaction((manager) =>
      saveBatch(manager, { ...batch, comparisons: failure, bundles: [] }),
    );
  } catch (error) {
    if (!isAboutData(error)) {
      throw error;
    }
    scan.counts = { ...counted, failed: counted.failed + 1 };
  }
}
