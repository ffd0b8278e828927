/** Before unit and server tests: built helpers, and a directory for what tests make once and copy. */
import { chmodSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import builtHelpers from './built-helpers.ts';

export default async function testRun(): Promise<void> {
  await builtHelpers();
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-test-run-'));
  // As root, the database runs as another user, who has to get through.
  chmodSync(directory, 0o711);
  process.env.CLEVER_DRAWER_TEST_RUN = directory;
}
