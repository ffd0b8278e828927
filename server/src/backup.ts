/** Backups of a studio, for the command line. */
export {
  backUp,
  checkBackup,
  newBackup,
  openBackup,
  restoreBackup,
  type BackupFacts,
} from './database/backup.ts';
export { ownDirectory } from './database/own-directory.ts';
export { postgresUser } from './database/programs.ts';
export { SetupError } from './database/setup-error.ts';
export { usualDirectory } from './database/usual-data.ts';
export { refuseUnreadable } from './give-up-root.ts';
export { givenDescriptor, runWithoutRoot } from './run-without-root.ts';
