/**
 * A folder that is shown in another cabinet is a shortcut to it: the column, and the records in the
 * log, are called so.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rewriteLog } from './rewrite-log.ts';

export class Shortcuts1763900000010 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE folder RENAME COLUMN stands_for TO shortcut_to');
    await runner.query(
      'ALTER TABLE folder RENAME CONSTRAINT folder_stands_for_fkey TO folder_shortcut_to_fkey',
    );
    await rewriteLog(runner, 'folder', ({ standsFor, ...folder }) => ({
      ...folder,
      shortcutTo: standsFor ?? null,
    }));
  }

  async down(runner: QueryRunner): Promise<void> {
    await rewriteLog(runner, 'folder', ({ shortcutTo, ...folder }) => ({
      ...folder,
      standsFor: shortcutTo ?? null,
    }));
    await runner.query(
      'ALTER TABLE folder RENAME CONSTRAINT folder_shortcut_to_fkey TO folder_stands_for_fkey',
    );
    await runner.query('ALTER TABLE folder RENAME COLUMN shortcut_to TO stands_for');
  }
}
