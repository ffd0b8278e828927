/** Rules have “never” cards; smart folders keep plugins in and out by hand and may show only so many. */
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rewriteLog } from './rewrite-log.ts';

export class Rules1763900000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE folder ADD COLUMN always_in jsonb NOT NULL DEFAULT '[]', ADD COLUMN always_out jsonb NOT NULL DEFAULT '[]', ADD COLUMN at_most integer`,
    );
    await runner.query(
      'ALTER TABLE folder ALTER COLUMN always_in DROP DEFAULT, ALTER COLUMN always_out DROP DEFAULT',
    );
    await runner.query(`UPDATE folder SET rule = rule || '{"never": []}' WHERE rule IS NOT NULL`);
    const withNever = (rule: unknown): unknown =>
      typeof rule === 'object' && rule !== null ? { never: [], ...rule } : rule;
    await rewriteLog(runner, 'folder', (record) => ({
      sortedBy: null,
      isPinned: false,
      notes: '',
      standsFor: null,
      alwaysIn: [],
      alwaysOut: [],
      atMost: null,
      ...record,
      rule: withNever(record['rule']),
    }));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE folder DROP COLUMN always_in, DROP COLUMN always_out, DROP COLUMN at_most',
    );
  }
}
