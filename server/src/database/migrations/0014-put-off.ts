/** What a review advised and was put off: until when, or for good. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class PutOff1763900000014 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE computer ADD COLUMN put_off jsonb NOT NULL DEFAULT '{}'`);
    await runner.query('ALTER TABLE computer ALTER COLUMN put_off DROP DEFAULT');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer DROP COLUMN put_off');
  }
}
