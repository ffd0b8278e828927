/**
 * Points to return to, and the journal of changes since the newest of them; what documents said that
 * is not ours, kept for writing it back; the shelf that is kept in step.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Points1763900000013 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE point (
      id uuid PRIMARY KEY,
      computer_id uuid NOT NULL CONSTRAINT point_computer_id_fkey REFERENCES computer ON DELETE CASCADE,
      number integer NOT NULL,
      at timestamptz NOT NULL,
      name text,
      reason text NOT NULL,
      before text,
      folders integer NOT NULL,
      filed integer NOT NULL,
      since jsonb NOT NULL,
      CONSTRAINT point_number_key UNIQUE (computer_id, number))`);
    await runner.query(`CREATE TABLE journal (
      computer_id uuid NOT NULL CONSTRAINT journal_computer_id_fkey REFERENCES computer ON DELETE CASCADE,
      number integer NOT NULL,
      at timestamptz NOT NULL,
      change jsonb NOT NULL,
      PRIMARY KEY (computer_id, number))`);
    await runner.query(`ALTER TABLE computer ADD COLUMN kept jsonb NOT NULL DEFAULT '{}'`);
    await runner.query('ALTER TABLE computer ALTER COLUMN kept DROP DEFAULT');
    await runner.query('ALTER TABLE computer ADD COLUMN shelf jsonb');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer DROP COLUMN kept, DROP COLUMN shelf');
    await runner.query('DROP TABLE journal');
    await runner.query('DROP TABLE point');
  }
}
