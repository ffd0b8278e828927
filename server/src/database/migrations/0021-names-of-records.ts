/**
 * Two kinds of records are called what they are: the names of a plugin, and the assignment of a
 * copy. The log of changes, the journal and the points hold records too.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = [
  { before: 'naming', now: 'plugin_names', keys: ['pkey', 'plugin_id_fkey'] },
  {
    before: 'belonging',
    now: 'copy_assignment',
    keys: ['pkey', 'copy_id_fkey', 'plugin_id_fkey', 'before_id_fkey'],
  },
] as const;

const kinds = [
  { before: 'naming', now: 'plugin-names' },
  { before: 'belonging', now: 'copy-assignment' },
] as const;

/** Where changes are stored. */
const stored = [
  ['change', 'change'],
  ['journal', 'change'],
  ['point', 'since'],
] as const;

export class NamesOfRecords1763900000021 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const { before, now, keys } of tables) {
      await renameTable(runner, before, now, keys);
    }
    for (const { before, now } of kinds) {
      await renameKind(runner, before, now);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const { before, now } of kinds) {
      await renameKind(runner, now, before);
    }
    for (const { before, now, keys } of tables) {
      await renameTable(runner, now, before, keys);
    }
  }
}

async function renameTable(
  runner: QueryRunner,
  from: string,
  to: string,
  keys: readonly string[],
): Promise<void> {
  await runner.query(`ALTER TABLE ${from} RENAME TO ${to}`);
  for (const key of keys) {
    await runner.query(`ALTER TABLE ${to} RENAME CONSTRAINT ${from}_${key} TO ${to}_${key}`);
  }
}

/** In the text of jsonb a quote inside of a string follows a backslash, so this finds only properties. */
async function renameKind(runner: QueryRunner, from: string, to: string): Promise<void> {
  for (const [table, column] of stored) {
    await runner.query(
      `UPDATE ${table} SET ${column} = replace(${column}::text, $1, $2)::jsonb
        WHERE ${column}::text LIKE '%' || $1 || '%'`,
      [`"table": "${from}"`, `"table": "${to}"`],
    );
  }
}
