/** Every act looks for undone changes, of which there are few among many. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class UndoneChanges1763900000018 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE INDEX change_undone_idx ON change (computer_id, number) WHERE state = 'undone'`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX change_undone_idx');
  }
}
