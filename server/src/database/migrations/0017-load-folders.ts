/** The folder that was open when a plugin was loaded. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class LoadFolders1763900000017 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE load ADD COLUMN folder_id uuid CONSTRAINT load_folder_id_fkey REFERENCES folder (id) ON DELETE SET NULL',
    );
    await runner.query('CREATE INDEX load_folder_idx ON load (folder_id)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE load DROP COLUMN folder_id');
  }
}
