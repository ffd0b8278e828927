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
  const fit = (record: Loose): Loose => (record['table'] === table ? rewrite(record) : record);
  for (const { computer_id, number, change } of rows) {
    const next: LooseChange = {
      added: change.added.map(fit),
      updated: change.updated.map(([from, to]) => [fit(from), fit(to)] as const),
      removed: change.removed.map(fit),
    };
    await runner.query(
      'UPDATE change SET change = $3::jsonb WHERE computer_id = $1 AND number = $2',
      [computer_id, number, JSON.stringify(next)],
    );
  }
}
