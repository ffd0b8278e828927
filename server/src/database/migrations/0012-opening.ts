/**
 * Copies can be opened: when each computer wants that, and which bundles were, as they were then.
 * Copies of computers elsewhere can be read in.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Opening1763900000012 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE computer ADD COLUMN opening text NOT NULL DEFAULT 'ask'`);
    await runner.query('ALTER TABLE computer ALTER COLUMN opening DROP DEFAULT');
    await runner.query(
      'ALTER TABLE computer ADD COLUMN is_elsewhere boolean NOT NULL DEFAULT false',
    );
    await runner.query('ALTER TABLE computer ALTER COLUMN is_elsewhere DROP DEFAULT');
    await runner.query('ALTER TABLE bundle ADD COLUMN opened text');
    await runner.query(`UPDATE scan SET counts = counts || '{"opened": 0}'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE scan SET counts = counts - 'opened'`);
    await runner.query('ALTER TABLE bundle DROP COLUMN opened');
    await runner.query('ALTER TABLE computer DROP COLUMN opening, DROP COLUMN is_elsewhere');
  }
}
