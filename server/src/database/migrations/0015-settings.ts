/** Files that may hold saved settings, with what was read in them. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Settings1763900000015 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE setting_file (
      computer_id uuid NOT NULL CONSTRAINT setting_file_computer_id_fkey REFERENCES computer ON DELETE CASCADE,
      path text NOT NULL,
      place_id uuid NOT NULL CONSTRAINT setting_file_place_id_fkey REFERENCES place ON DELETE CASCADE,
      fingerprint text NOT NULL,
      settings jsonb NOT NULL,
      CONSTRAINT setting_file_pkey PRIMARY KEY (computer_id, path))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE setting_file');
  }
}
