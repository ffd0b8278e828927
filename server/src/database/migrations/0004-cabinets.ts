/** Cabinets say for which slots they open; folders are sorted, pinned and carry notes. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Cabinets1763900000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE cabinet ADD COLUMN opens_for jsonb NOT NULL DEFAULT '["track", "bus", "final", "instrument", "note-effect"]'`,
    );
    await runner.query('ALTER TABLE cabinet ALTER COLUMN opens_for DROP DEFAULT');
    await runner.query(
      `ALTER TABLE folder ADD COLUMN sorted_by text, ADD COLUMN is_pinned boolean NOT NULL DEFAULT false, ADD COLUMN notes text NOT NULL DEFAULT ''`,
    );
    await runner.query(
      'ALTER TABLE folder ALTER COLUMN is_pinned DROP DEFAULT, ALTER COLUMN notes DROP DEFAULT',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE folder DROP COLUMN sorted_by, DROP COLUMN is_pinned, DROP COLUMN notes',
    );
    await runner.query('ALTER TABLE cabinet DROP COLUMN opens_for');
  }
}
