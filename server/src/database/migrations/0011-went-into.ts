/**
 * What the order, its history or the loads refer to is never deleted along with something else; a
 * plugin whose copies went into another remembers which one. Scans count, whatever the clock says,
 * and keep what they could not look into; bundles tell the disk they lie on.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const references = [
  ['placement', 'plugin_id'],
  ['naming', 'plugin_id'],
  ['chain', 'plugin_id'],
  ['answer', 'plugin_id'],
  ['belonging', 'plugin_id'],
  ['belonging', 'before_id'],
  ['load', 'plugin_id'],
] as const;

async function refer(runner: QueryRunner, onDelete: 'CASCADE' | 'NO ACTION'): Promise<void> {
  for (const [table, column] of references) {
    const name = `${table}_${column}_fkey`;
    await runner.query(
      `ALTER TABLE ${table} DROP CONSTRAINT ${name}, ADD CONSTRAINT ${name}
        FOREIGN KEY (${column}) REFERENCES plugin (id) ON DELETE ${onDelete}`,
    );
  }
}

export class WentInto1763900000011 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE plugin ADD COLUMN is_remembered boolean NOT NULL DEFAULT false,
        ADD COLUMN went_into uuid CONSTRAINT plugin_went_into_fkey
          REFERENCES plugin (id) ON DELETE SET NULL`,
    );
    await runner.query(
      `UPDATE plugin SET is_remembered = true WHERE id IN (
        SELECT found[1]::uuid FROM change, regexp_matches(change.change::text,
          '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}', 'g') found)`,
    );
    await runner.query('ALTER TABLE plugin ALTER COLUMN is_remembered DROP DEFAULT');
    await refer(runner, 'NO ACTION');
    await runner.query('ALTER TABLE scan ADD COLUMN number integer NOT NULL DEFAULT 0');
    await runner.query(
      `UPDATE scan SET number = counted.number FROM (SELECT id, row_number() OVER (
        PARTITION BY computer_id ORDER BY started_at, id) number FROM scan) counted
        WHERE counted.id = scan.id`,
    );
    await runner.query('ALTER TABLE scan ALTER COLUMN number DROP DEFAULT');
    await runner.query(`ALTER TABLE scan ADD COLUMN problems jsonb NOT NULL DEFAULT '[]'`);
    await runner.query('ALTER TABLE scan ALTER COLUMN problems DROP DEFAULT');
    await runner.query('ALTER TABLE bundle ADD COLUMN device text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bundle DROP COLUMN device');
    await runner.query('ALTER TABLE scan DROP COLUMN number, DROP COLUMN problems');
    await refer(runner, 'CASCADE');
    await runner.query('ALTER TABLE plugin DROP COLUMN went_into, DROP COLUMN is_remembered');
  }
}
