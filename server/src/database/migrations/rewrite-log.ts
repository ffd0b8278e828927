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

/** Where changes are stored, since there are points. */
const stored = [
  ['change', 'change'],
  ['journal', 'change'],
  ['point', 'since'],
] as const;

/** Rewrites each record of the given table inside every change, of the log, the journal and of points. */
export async function rewriteStored(
  runner: QueryRunner,
  table: string,
  rewrite: (record: Loose) => Loose,
): Promise<void> {
  for (const [holder, column] of stored) {
    const rows = (await runner.query(
      `SELECT ctid::text "at", ${column} change FROM ${holder} WHERE ${column}::text LIKE $1`,
      [`%"table": "${table}"%`],
    )) as { at: string; change: LooseChange }[];
    for (const { at, change } of rows) {
      await runner.query(`UPDATE ${holder} SET ${column} = $2::jsonb WHERE ctid = $1::tid`, [
        at,
        JSON.stringify(rewritten(change, table, rewrite)),
      ]);
    }
  }
}

function rewritten(
  change: LooseChange,
  table: string,
  rewrite: (record: Loose) => Loose,
): LooseChange {
  const fit = (record: Loose): Loose => (record['table'] === table ? rewrite(record) : record);
  return {
    added: change.added.map(fit),
    updated: change.updated.map(([from, to]) => [fit(from), fit(to)] as const),
    removed: change.removed.map(fit),
  };
}

/** Rewrites each record of the given table inside every change. */
export async function rewriteLog(
  runner: QueryRunner,
  table: string,
  rewrite: (record: Loose) => Loose,
): Promise<void> {
  const rows = (await runner.query(
    `SELECT computer_id, number, change FROM change WHERE change::text LIKE $1`,
    [`%"table": "${table}"%`],
  )) as { computer_id: string; number: number; change: LooseChange }[];
  for (const { computer_id, number, change } of rows) {
    await runner.query(
      'UPDATE change SET change = $3::jsonb WHERE computer_id = $1 AND number = $2',
      [computer_id, number, JSON.stringify(rewritten(change, table, rewrite))],
    );
  }
}
