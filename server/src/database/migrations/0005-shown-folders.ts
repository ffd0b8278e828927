/** A folder can stand for one of another cabinet. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class ShownFolders1763900000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE folder ADD COLUMN stands_for uuid CONSTRAINT folder_stands_for_fkey REFERENCES folder (id) ON DELETE CASCADE',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE folder DROP COLUMN stands_for');
  }
}
