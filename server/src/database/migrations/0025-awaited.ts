/**
 * Copies that an order from elsewhere names and no scan of this computer ever found are awaited:
 * before, they counted as gone.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Awaited1763900000025 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE copy SET state = 'awaited' FROM computer
      WHERE computer.id = copy.computer_id AND NOT computer.is_elsewhere AND copy.state = 'gone'
        AND copy.place_id IS NULL AND copy.first_seen_at = copy.last_seen_at
        AND NOT EXISTS (SELECT FROM finding f WHERE f.plugin_id = copy.plugin_id)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE copy SET state = 'gone' WHERE state = 'awaited'`);
  }
}
