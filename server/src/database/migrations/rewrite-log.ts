/**
 * Bringing the records inside the change log to the shape that records have now, so that old
 * changes can still be undone.
 */
import type { QueryRunner } from 'typeorm';

type Loose = Readonly<Record<string, unknown>>;
interface LooseChange {
  readonly added: readonly Loose[];
  readonly updated: readonly (readonly [Loose, Loose])[];
  readonly removed: readonly Loose[];
}

/** A table that holds changes, and its column. */
type Holder = readonly [table: string, column: string];

const log: Holder = ['change', 'change'];
/** Where changes are stored, since there are points. */
const stored: readonly Holder[] = [log, ['journal', 'change'], ['point', 'since']];

type Rewrite = (record: Loose) => Loose;

/** Rewrites each record of the given table inside every change of the log: before there were points. */
export const rewriteLog = (runner: QueryRunner, table: string, rewrite: Rewrite): Promise<void> =>
  rewriteIn(runner, log, table, rewrite);

/** The same inside every change of the log, the journal and of points. */
export async function rewriteStored(
  runner: QueryRunner,
  table: string,
  rewrite: Rewrite,
): Promise<void> {
  for (const holder of stored) {
    await rewriteIn(runner, holder, table, rewrite);
  }
}

async function rewriteIn(
  runner: QueryRunner,
  [holder, column]: Holder,
  table: string,
  rewrite: Rewrite,
): Promise<void> {
  const fit = (record: Loose): Loose => (record['table'] === table ? rewrite(record) : record);
  const rows = (await runner.query(
    `SELECT ctid::text "at", ${column} change FROM ${holder} WHERE ${column}::text LIKE $1`,
    [`%"table": "${table}"%`],
  )) as { at: string; change: LooseChange }[];
  for (const { at, change } of rows) {
    const next: LooseChange = {
      added: change.added.map(fit),
      updated: change.updated.map(([from, to]) => [fit(from), fit(to)] as const),
      removed: change.removed.map(fit),
    };
    await runner.query(`UPDATE ${holder} SET ${column} = $2::jsonb WHERE ctid = $1::tid`, [
      at,
      JSON.stringify(next),
    ]);
  }
}
