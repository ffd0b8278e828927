/**
 * Plugins have further names of the user's, and former ones; a plugin and a folder may say which copy
 * is used first.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rewriteStored } from './rewrite-log.ts';

export class NamesAndFirstCopies1763900000022 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE answer ADD COLUMN also_called jsonb NOT NULL DEFAULT '[]', ADD COLUMN first_copy uuid`,
    );
    await runner.query(
      `ALTER TABLE folder ADD COLUMN first_format text, ADD COLUMN first_copies jsonb NOT NULL DEFAULT '[]'`,
    );
    await runner.query('ALTER TABLE plugin ADD COLUMN former_names jsonb');
    for (const [table, column] of [
      ['answer', 'also_called'],
      ['folder', 'first_copies'],
    ] as const) {
      await runner.query(`ALTER TABLE ${table} ALTER COLUMN ${column} DROP DEFAULT`);
    }
    await rewriteStored(runner, 'answer', (answer) => ({
      ...answer,
      alsoCalled: [],
      firstCopy: null,
    }));
    await rewriteStored(runner, 'folder', (folder) => ({
      ...folder,
      firstFormat: null,
      firstCopies: [],
    }));
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [table, ...added] of [
      ['answer', 'alsoCalled', 'firstCopy'],
      ['folder', 'firstFormat', 'firstCopies'],
    ] as const) {
      await rewriteStored(runner, table, (record) =>
        Object.fromEntries(
          Object.entries(record).filter(([name]) => !added.some((one) => one === name)),
        ),
      );
    }
    await runner.query('ALTER TABLE answer DROP COLUMN also_called, DROP COLUMN first_copy');
    await runner.query('ALTER TABLE folder DROP COLUMN first_format, DROP COLUMN first_copies');
    await runner.query('ALTER TABLE plugin DROP COLUMN former_names');
  }
}
