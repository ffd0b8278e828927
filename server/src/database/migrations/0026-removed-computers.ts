/** Computers can be removed, and restored as they were. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class RemovedComputers1764700000026 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer ADD COLUMN removed_at timestamptz');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer DROP COLUMN removed_at');
  }
}
