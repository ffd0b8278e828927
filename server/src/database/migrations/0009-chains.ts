/** Chains of one's own: each is a plugin of no copies, with the plugins it is made of. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Chains1763900000009 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE chain (plugin_id uuid CONSTRAINT chain_pkey PRIMARY KEY, name text NOT NULL, kind text NOT NULL, plugins jsonb NOT NULL, CONSTRAINT chain_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE)',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE chain');
  }
}
