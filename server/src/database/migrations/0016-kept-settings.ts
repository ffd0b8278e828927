/** Saved settings of which something was made: each is a plugin of no copies, as chains are. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class KeptSettings1763900000016 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE setting (
      plugin_id uuid CONSTRAINT setting_pkey PRIMARY KEY
        CONSTRAINT setting_plugin_id_fkey REFERENCES plugin (id),
      name text NOT NULL,
      owner_id uuid NOT NULL CONSTRAINT setting_owner_id_fkey REFERENCES plugin (id),
      bank text,
      format text NOT NULL,
      path text,
      identity text,
      state text)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE setting');
  }
}
