/** The folders of a cabinet can stand by name. */
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rewriteLog } from './rewrite-log.ts';

export class SortedCabinets1763900000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE cabinet ADD COLUMN sorted_by text');
    await rewriteLog(runner, 'cabinet', (record) => ({ ...record, sortedBy: null }));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE cabinet DROP COLUMN sorted_by');
  }
}
