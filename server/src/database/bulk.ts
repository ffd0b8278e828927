/** Many rows in one statement. */
import type { EntityManager, EntitySchema } from 'typeorm';

/** Rows sent to PostgreSQL in one statement: as text they are held several times over meanwhile. */
const mostAtOnce = 2_000;

/** Rows in parts that go into one statement each. */
export function* partsOf<T>(rows: readonly T[]): Generator<T[]> {
  for (let at = 0; at < rows.length; at += mostAtOnce) {
    yield rows.slice(at, at + mostAtOnce);
  }
}

/**
 * Inserts rows (entity properties) through one JSON parameter, which is far quicker than a parameter a value.
 * With `onConflict`, rows whose unique columns are there already take the place of the old ones.
 */
export async function insertMany<T extends object>(
  manager: EntityManager,
  table: EntitySchema<T>,
  rows: readonly T[],
  onConflict?: readonly (keyof T & string)[],
): Promise<void> {
  if (rows.length === 0) {
    return;
  }
  const { columns, tableName } = manager.dataSource.getMetadata(table);
  const names = columns.map((c) => `"${c.databaseName}"`);
  const types = columns.map((c) => `"${c.databaseName}" ${String(c.type)}`);
  const keys = (onConflict ?? []).map(
    (property) => `"${columns.find((c) => c.propertyName === property)?.databaseName ?? property}"`,
  );
  const isKept = (name: string): boolean =>
    keys.includes(name) || name === '"id"' || name === '"first_seen_at"';
  const conflict = onConflict
    ? `ON CONFLICT (${keys.join(', ')}) DO UPDATE SET ${names
        .filter((n) => !isKept(n))
        .map((n) => `${n} = excluded.${n}`)
        .join(', ')}`
    : '';
  for (const part of partsOf(rows)) {
    const json = part.map((row) =>
      Object.fromEntries(
        columns.map((c) => [c.databaseName, (row as Record<string, unknown>)[c.propertyName]]),
      ),
    );
    await manager.query(
      `INSERT INTO "${tableName}" (${names.join(', ')}) SELECT ${names.join(', ')}
        FROM jsonb_to_recordset($1::jsonb) AS rows (${types.join(', ')}) ${conflict}`,
      [toJsonb(json)],
    );
  }
}

/**
 * A value as text for a `jsonb` parameter. PostgreSQL's jsonb holds neither U+0000 nor half of a
 * surrogate pair, which JSON.stringify writes as escapes; texts are made storable where they come
 * in, so this only keeps what slipped through from breaking everything else.
 */
export function toJsonb(value: unknown): string {
  const text = JSON.stringify(value);
  return text.includes('\\u')
    ? text.replace(/(?<!\\)((?:\\\\)*)\\u(?:0000|d[89a-f][0-9a-f]{2})/gi, '$1\\ufffd')
    : text;
}
