/**
 * One version number a computer, which every change of what a window shows counts up, and which part
 * and plugins changed with each of them. The triggers that noted these before go.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { TouchedPlugins1763900000019 } from './0019-touched-plugins.ts';

export class Versions1763900000020 implements MigrationInterface {
  readonly #before = new TouchedPlugins1763900000019();

  async up(runner: QueryRunner): Promise<void> {
    await this.#before.down(runner);
    await runner.query('ALTER TABLE computer ADD version bigint NOT NULL DEFAULT 0');
    await runner.query(
      `CREATE TABLE changed_plugin (
        computer_id uuid NOT NULL CONSTRAINT changed_plugin_computer_id_fkey
          REFERENCES computer ON DELETE CASCADE,
        version bigint NOT NULL,
        part text NOT NULL,
        plugin_id uuid
      )`,
    );
    await runner.query('CREATE INDEX changed_plugin_idx ON changed_plugin (computer_id, version)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE changed_plugin');
    await runner.query('ALTER TABLE computer DROP version');
    await this.#before.up(runner);
  }
}
