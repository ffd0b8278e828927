/** Places can be switched off and watched; files can be set aside. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class PlacesAndAsides1763900000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE place ADD COLUMN is_on boolean NOT NULL DEFAULT true, ADD COLUMN is_watched boolean NOT NULL DEFAULT false',
    );
    await runner.query(
      'ALTER TABLE place ALTER COLUMN is_on DROP DEFAULT, ALTER COLUMN is_watched DROP DEFAULT',
    );
    await runner.query(`CREATE TABLE aside (computer_id uuid NOT NULL, path text NOT NULL, name text NOT NULL, at timestamptz NOT NULL, CONSTRAINT aside_pkey PRIMARY KEY (computer_id, path),
      CONSTRAINT aside_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE aside');
    await runner.query('ALTER TABLE place DROP COLUMN is_on, DROP COLUMN is_watched');
  }
}
