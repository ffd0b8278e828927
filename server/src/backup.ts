/** Backups of a studio, for the command line. */
export { backUp, checkBackup, restoreBackup, type BackupFacts } from './database/backup.ts';
export { SetupError } from './database/setup-error.ts';
export { usualDirectory } from './database/usual-data.ts';
